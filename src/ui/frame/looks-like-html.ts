/** True for text that holds a form field; a stray angle bracket is not enough. */
export function looksLikeHtml(text: string): boolean {
  return /<(form|input|select|textarea|button|fieldset|!doctype|html|body)\b/i.test(text);
}
