/** A pattern that compiles once some characters are escaped, or needless escapes are taken away. */
export interface CorrectedPattern {
  readonly source: string;
  /** Characters that need a backslash, each once. */
  readonly escaped: readonly string[];
  /** Characters that must not have one, each once. */
  readonly bare: readonly string[];
}

/** Characters that the v flag reserves inside of a class (ECMAScript, "ClassSetSyntaxCharacter"), but for those that nest classes. */
const reserved = '()[{}/|';
/** Two of these side by side are reserved (ECMAScript, "ClassSetReservedDoublePunctuator"). */
const doubled = '&!#$%*+,.:;<=>?@^`~';
/** Characters after a backslash that mean something: outside of a class (ECMAScript, "SyntaxCharacter", "CharacterEscape") and in it. */
const meant = '^$\\.*+?()[]{}|/dDsSwWnrtvfcpPxu0123456789k';
const outside = `${meant}bB`;
const inside = `${meant}bq-&!#%,:;<=>@\`~`;

/**
 * What was meant by a pattern that does not compile with the v flag though its author could think so: classes hold characters that have to
 * be escaped there, or characters are escaped that must not be. Null where it compiles, and where that is not what is wrong with it.
 */
export function correctedPattern(source: string): CorrectedPattern | null {
  if (compiles(source)) return null;
  const escaped = new Set<string>();
  const bare = new Set<string>();
  let corrected = '';
  let isClass = false;
  for (let at = 0; at < source.length; at++) {
    const letter = source[at] as string;
    const next = source[at + 1];
    if (letter === '\\' && next !== undefined) {
      const isMeant = (isClass ? inside : outside).includes(next);
      if (!isMeant) bare.add(next);
      corrected += isMeant ? letter + next : next;
      at++;
    } else if (!isClass) {
      isClass = letter === '[';
      corrected += letter;
      if (isClass && next === '^') corrected += source[++at];
    } else if (letter === ']') {
      isClass = false;
      corrected += letter;
    } else if (isReserved(source, at)) {
      escaped.add(letter);
      corrected += `\\${letter}`;
    } else corrected += letter;
  }
  const isOther = escaped.size > 0 || bare.size > 0;
  return isOther && compiles(corrected)
    ? { source: corrected, escaped: [...escaped], bare: [...bare] }
    : null;
}

/** Whether a character in a class has to be escaped: a hyphen where it makes no range, and one of two that are reserved together. */
function isReserved(source: string, at: number): boolean {
  const [before, letter, next] = [source[at - 1] ?? '', source[at] as string, source[at + 1] ?? ''];
  if (letter === '-') return before === '[' || before === '^' || next === ']' || isAfterRange(source, at);
  return reserved.includes(letter) || (doubled.includes(letter) && before === letter);
}

/** In `a-z-9` and `\w-x` the hyphen makes no range. */
function isAfterRange(source: string, at: number): boolean {
  const before = source.slice(0, at);
  return /[^\\[]-[^\\]$|\\[dDsSwW]$/.test(before) || /^\\[dDsSwW]/.test(source.slice(at + 1));
}

function compiles(source: string): boolean {
  try {
    new RegExp(source, 'v');
    return true;
  } catch {
    return false;
  }
}
