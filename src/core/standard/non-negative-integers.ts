/** HTML Standard, "Rules for parsing non-negative integers". */
export function parseNonNegativeInteger(text: string | null): number | null {
  const match = /^[\t\n\f\r ]*\+?(\d+)/.exec(text ?? '');
  return match ? Number(match[1]) : /^[\t\n\f\r ]*-0+(?!\d)/.test(text ?? '') ? 0 : null;
}
