/** HTML Standard, "Email state": the standard's own regular expression for a valid email address. */
export const validEmailAddress =
  /^[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]+@[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?(?:\.[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?)*$/;

export function isValidEmailAddress(text: string): boolean {
  return validEmailAddress.test(text);
}
