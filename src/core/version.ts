/** The version of this Ukko; a test holds it to package.json. */
export const ukkoVersion = '0.1.0';
