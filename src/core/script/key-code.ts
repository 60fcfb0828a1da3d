import { isNamedKey } from './stroke';

const punctuation: Readonly<Record<string, string>> = {
  ' ': 'Space',
  '-': 'Minus',
  _: 'Minus',
  '=': 'Equal',
  '+': 'Equal',
  '[': 'BracketLeft',
  '{': 'BracketLeft',
  ']': 'BracketRight',
  '}': 'BracketRight',
  '\\': 'Backslash',
  '|': 'Backslash',
  ';': 'Semicolon',
  ':': 'Semicolon',
  "'": 'Quote',
  '"': 'Quote',
  '`': 'Backquote',
  '~': 'Backquote',
  ',': 'Comma',
  '<': 'Comma',
  '.': 'Period',
  '>': 'Period',
  '/': 'Slash',
  '?': 'Slash',
};
const shiftedDigits = ')!@#$%^&*(';

/** UI Events KeyboardEvent code Values: the physical key on a US keyboard; empty where that has none for a character. */
export function codeOf(key: string): string {
  if (/^[a-z]$/i.test(key)) return `Key${key.toUpperCase()}`;
  if (/^[0-9]$/.test(key)) return `Digit${key}`;
  if (key.length === 1 && shiftedDigits.includes(key)) return `Digit${shiftedDigits.indexOf(key)}`;
  if (key === 'Shift' || key === 'Control' || key === 'Alt' || key === 'Meta') return `${key}Left`;
  return isNamedKey(key) ? key : (punctuation[key] ?? '');
}
