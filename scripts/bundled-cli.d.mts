/** Bundles the command line into a folder, as `ukko.mjs` and what that loads; packages stay outside of it. */
export function bundleCli(folder: string): Promise<void>;
