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
 * be escaped there, or characters are escaped that must not be. It takes the same texts as the pattern did without the flag. Null where it
 * compiles, and where that is not what is wrong with it.
 */
export function correctedPattern(source: string): CorrectedPattern | null {
  if (compiles(source)) return null;
  const escaped = new Set<string>();
  const bare = new Set<string>();
  let corrected = '';
  for (let at = 0; at < source.length; ) {
    const letter = source[at] as string;
    if (letter === '[') {
      const end = endOfClass(source, at);
      corrected += classAgain(source.slice(at, end), escaped, bare);
      at = end;
    } else {
      const atom = atomAt(source, at);
      corrected += withoutNeedless(atom, outside, bare);
      at += atom.length;
    }
  }
  const isOther = escaped.size > 0 || bare.size > 0;
  return isOther && compiles(corrected)
    ? { source: corrected, escaped: [...escaped], bare: [...bare] }
    : null;
}

/** A character, or a backslash with the one behind it. */
function atomAt(source: string, at: number): string {
  return source.slice(at, at + (source[at] === '\\' ? 2 : 1));
}

function endOfClass(source: string, start: number): number {
  let at = start + 1;
  if (source[at] === '^') at++;
  while (at < source.length && source[at] !== ']') at += atomAt(source, at).length;
  return Math.min(at + 1, source.length);
}

function withoutNeedless(atom: string, allowed: string, bare: Set<string>): string {
  const [, behind] = atom;
  if (atom.length < 2 || behind === undefined || allowed.includes(behind)) return atom;
  bare.add(behind);
  return behind;
}

/** A class with what the v flag reserves escaped; ranges are read as without it (ECMAScript, "ClassContents"). */
function classAgain(text: string, escaped: Set<string>, bare: Set<string>): string {
  const open = text.startsWith('[^') ? '[^' : '[';
  const inner = text.slice(open.length, text.endsWith(']') ? -1 : undefined);
  const atoms: string[] = [];
  for (let at = 0; at < inner.length; at += (atoms.at(-1) as string).length) atoms.push(atomAt(inner, at));
  let again = '';
  let before = '';
  const add = (atom: string, isRange = false) => {
    const isReserved = reserved.includes(atom) || atom === '-' || (doubled.includes(atom) && atom === before);
    if (atom.length === 1 && isReserved && !isRange) {
      escaped.add(atom);
      again += `\\${atom}`;
    } else again += withoutNeedless(atom, inside, bare);
    before = atom;
  };
  for (let at = 0; at < atoms.length; ) {
    const [from = '', sign, to] = atoms.slice(at, at + 3);
    if (sign !== '-' || to === undefined) {
      add(from);
      at += 1;
      continue;
    }
    // Between a class and something else the hyphen makes no range.
    const isRange = !isClass(from) && !isClass(to);
    add(from);
    add('-', isRange);
    add(to);
    at += 3;
  }
  return again === '' ? text : `${open}${again}${text.endsWith(']') ? ']' : ''}`;
}

const isClass = (atom: string) => /^\\[dDsSwWpP]$/.test(atom);

function compiles(source: string): boolean {
  try {
    new RegExp(source, 'v');
    return true;
  } catch {
    return false;
  }
}
