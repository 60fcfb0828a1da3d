/** HTML Standard, "Email state": the standard's own regular expression for a valid email address. */
const validEmailAddress =
  /^[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]+@[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?(?:\.[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?)*$/;

export function isValidEmailAddress(text: string): boolean {
  return validEmailAddress.test(text);
}

/** HTML Standard, "Email state", valid email address list: every part between commas is an address. */
export function isValidEmailAddressList(text: string): boolean {
  return text.split(',').every((part) => isValidEmailAddress(part.trim()));
}
