import { deepest } from '../regexp/syntax';
import { type UnworkedCode, unworkedCodes } from '../regexp/unworked';

const clauses: Readonly<Record<UnworkedCode, string>> = {
  'does not compile': 'it does not compile',
  'too many steps': 'it takes too many steps',
  'too many steps over this text': 'it takes too many steps over this text',
  'too many states': 'it has too many states',
  'too many states together': 'together they have too many states',
  'too many ways at once': 'it can match in too many ways at once',
  'too large': 'it is too large',
  'too large for the matcher': 'it is too large for the matcher',
  'syntax too new': 'its syntax is too new for Ukko',
  'name too new': 'it has syntax, or a Unicode name, that is too new for Ukko',
  'nested too deeply': `it is nested more than ${deepest} deep`,
  'refers back': 'it refers back to what a group matched',
  'looks ahead while looking back': 'it looks ahead inside a lookbehind',
  'syntax not followed': 'it has syntax that Ukko does not follow',
  'numbers are read by the browser': 'the browser parses numbers itself, and its limits are not texts',
  'counts graphemes': 'graphemes are counted, and where one ends depends on what follows',
  'ignores case': 'words are matched in either case',
  'counts letters of every script': 'a mask counts letters and digits of every script',
  'changes case': 'it depends on what changing the case makes of each letter',
  'dates exist or not': 'which dates exist is calculated',
  'check digit': 'a check digit is calculated',
};

/** Why something cannot be told exactly, to be read behind “because”. */
export function unworkedClause(code: UnworkedCode): string {
  return clauses[code];
}

/** The same as a sentence of its own. */
export function unworkedText(code: UnworkedCode): string {
  return `Not worked out: ${clauses[code]}.`;
}

/** What another thread could not work out, or how it failed: of an error that crossed over, only its name and message are left. */
export function threadErrorText(error: unknown): string {
  const { name, message } = error instanceof Error ? error : { name: '', message: String(error) };
  const code = name === 'GaveUp' ? unworkedCodes.find((one) => one === message) : undefined;
  return code ? unworkedText(code) : `Ukko failed at this: ${message}`;
}
