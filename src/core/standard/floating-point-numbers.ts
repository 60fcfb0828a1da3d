/** HTML Standard, "Floating-point numbers": what counts as a valid floating-point number. No leading plus, no bare dot at the end. */
export function isValidFloatingPointNumber(text: string): boolean {
  return /^-?(?:\d+(?:\.\d+)?|\.\d+)(?:[eE][+-]?\d+)?$/.test(text) && Number.isFinite(Number(text));
}

/**
 * HTML Standard, "Floating-point numbers", rules for parsing floating-point number values.
 * @returns the part of the text that is the number, without a leading plus; null where the rules return an error, and
 * for numbers that a double cannot hold.
 */
export function parseFloatingPointNumber(text: string): string | null {
  const match = /^[\t\n\f\r ]*\+?(-?(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?)/.exec(text);
  const found = match?.[1];
  return found !== undefined && !/^[\t\n\f\r ]*\+-/.test(text) && Number.isFinite(Number(found))
    ? found
    : null;
}
