/** Deepest nesting of JSON that is read: no file or question of Ukko's is deeper than some twenty levels. */
const mostNested = 500;

/**
 * Reads JSON (RFC 8259, which lets a reader limit the depth: section 9). Whatever looks into a value that is nested without end goes as
 * deep as it does, and breaks.
 * @throws SyntaxError where it is no JSON, or nested too deeply
 */
export function readJson(text: string): unknown {
  const at = tooDeepAt(text);
  if (at !== null) throw new SyntaxError(`Nested more than ${mostNested} levels deep at position ${at}`);
  return JSON.parse(text);
}

/** Where text opens one level too many, UTF-16 code units from its start; null where it never does. */
function tooDeepAt(text: string): number | null {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    switch (text[at]) {
      case '"':
        at = endOfString(text, at);
        break;
      case '[':
      case '{':
        if (++depth > mostNested) return at;
        break;
      case ']':
      case '}':
        depth--;
    }
  }
  return null;
}

/** Of a string that never ends, the end of the text. */
function endOfString(text: string, start: number): number {
  let end = start;
  do end = text.indexOf('"', end + 1);
  while (end !== -1 && isEscaped(text, end));
  return end === -1 ? text.length : end;
}

function isEscaped(text: string, at: number): boolean {
  let before = at;
  while (text[before - 1] === '\\') before--;
  return (at - before) % 2 === 1;
}
