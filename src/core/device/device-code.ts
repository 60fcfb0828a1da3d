/** Letters and digits that nobody takes for one another. */
const alphabet = 'abcdefghjkmnpqrstuvwxyz23456789';
export const codeLength = 8;

/** A one-time code, easy to read off a screen. @param random a whole number from 0 to below `below` */
export function deviceCode(random: (below: number) => number): string {
  return Array.from({ length: codeLength }, () => alphabet[random(alphabet.length)]).join('');
}
