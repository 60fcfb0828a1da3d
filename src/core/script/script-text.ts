import { graphemes } from './graphemes';
import type { ScriptFault } from './script-fault';
import {
  isModifierKey,
  isNamedKey,
  type ModifierKey,
  maxPause,
  maxStrokes,
  type Script,
  type Stroke,
  type TextRoute,
} from './stroke';

export type ScriptReading =
  | { readonly status: 'read'; readonly script: Script }
  | ({ readonly line: number } & FaultyStatement);

/** `column` counts UTF-16 code units from 1. */
interface FaultyStatement {
  readonly status: 'fault';
  readonly column: number;
  readonly fault: ScriptFault;
}

/** What stands behind the word of a statement; columns count UTF-16 code units from 1. */
interface Token {
  readonly is: 'text' | 'word';
  readonly value: string;
  readonly column: number;
}

type Statement = { readonly status: 'read'; readonly strokes: readonly Stroke[] } | FaultyStatement;

/** @param end the column behind the last token, where something missing would stand */
type ReadStatement = (tokens: readonly Token[], end: number) => Statement;

const routesByWord: Readonly<Record<string, TextRoute>> = {
  paste: 'paste',
  drop: 'drop',
  autofill: 'autofill',
  dictate: 'dictation',
  set: 'script',
};

const statements: Readonly<Record<string, ReadStatement>> = {
  type: readTyped('type', (key) => ({ kind: 'key', key })),
  soft: readTyped('soft', (text) => ({ kind: 'text', route: 'soft keys', text })),
  key: readKey,
  hold: readHeld,
  down: readOneKey('down'),
  up: readOneKey('up'),
  caret: readCaret,
  select: readSelect,
  cut: bare({ kind: 'command', command: 'cut' }),
  copy: bare({ kind: 'command', command: 'copy' }),
  undo: bare({ kind: 'command', command: 'undo' }),
  redo: bare({ kind: 'command', command: 'redo' }),
  ...Object.fromEntries(Object.keys(routesByWord).map((word) => [word, readRouted(word)])),
  dead: readDeadKey,
  compose: readComposition,
  focus: readFocus,
  leave: bare({ kind: 'leave' }),
  submit: bare({ kind: 'submit' }),
  pause: readPause,
};

/** The first words of all statements. */
export const statementWords = Object.keys(statements);

/**
 * Reads the text form of a script, one statement a line; docs/script-text.md has the grammar.
 *
 *     type "-1.2"
 *     key Backspace x2
 *     paste "3,5 m"
 */
export function readScript(text: string): ScriptReading {
  const script: Stroke[] = [];
  for (const [index, written] of text.split(/\r\n?|\n/).entries()) {
    const statement = readStatement(written);
    const line = index + 1;
    if (statement.status === 'fault') return { ...statement, line };
    script.push(...statement.strokes);
    if (script.length > maxStrokes)
      return { ...fault(1, { code: 'too many strokes', most: maxStrokes }), line };
  }
  return { status: 'read', script };
}

function read(...strokes: Stroke[]): Statement {
  return { status: 'read', strokes };
}

function fault(column: number, fault: ScriptFault): FaultyStatement {
  return { status: 'fault', column, fault };
}

function readStatement(line: string): Statement {
  const tokens = tokensOf(line);
  if ('column' in tokens) return tokens;
  const [word, ...rest] = tokens;
  if (!word) return read();
  const reader = word.is === 'word' && Object.hasOwn(statements, word.value) ? statements[word.value] : null;
  if (!reader) return fault(word.column, { code: 'no statement', word: word.value });
  return reader(rest, line.trimEnd().length + 1);
}

/** Words and quoted texts with space between them; where one would begin, a # begins a comment. */
function tokensOf(line: string): Token[] | FaultyStatement {
  const tokens: Token[] = [];
  const scan = /\s*(?:(#.*$)|("(?:[^"\\]|\\.)*")(?=\s|$)|([^\s"]\S*))|\s+$/y;
  while (scan.lastIndex < line.length) {
    const from = scan.lastIndex;
    const match = scan.exec(line);
    const column = from + 1 + (/^\s*/.exec(line.slice(from))?.[0].length ?? 0);
    if (!match) return fault(column, { code: 'no text' });
    const [, comment, quoted, word] = match;
    if (comment !== undefined) break;
    if (quoted !== undefined) {
      const value = textOf(quoted);
      if (value === null) return fault(column, { code: 'no text' });
      tokens.push({ is: 'text', value, column });
    } else if (word !== undefined) tokens.push({ is: 'word', value: word, column });
  }
  return tokens;
}

function textOf(quoted: string): string | null {
  try {
    const value: unknown = JSON.parse(quoted);
    return typeof value === 'string' ? value : null;
  } catch {
    return null;
  }
}

function bare(stroke: Stroke): ReadStatement {
  return ([extra]) => (extra ? fault(extra.column, { code: 'nothing more expected' }) : read(stroke));
}

/** Exactly so many texts; `example` shows them. */
function texts(
  [...tokens]: readonly Token[],
  count: number,
  example: string,
  end: number,
): readonly string[] | FaultyStatement {
  const wrong = tokens.find(({ is }, index) => is !== 'text' || index >= count);
  if (!wrong && tokens.length === count) return tokens.map(({ value }) => value);
  return fault(wrong?.column ?? end, { code: 'texts expected', count, example });
}

function readTyped(word: string, strokeOf: (grapheme: string) => Stroke): ReadStatement {
  return (tokens, end) => {
    const found = texts(tokens, 1, `${word} "1.2"`, end);
    if ('status' in found) return found;
    const [text = ''] = found;
    if (/\p{Cc}/u.test(text)) return fault(tokens[0]?.column ?? end, { code: 'control characters' });
    return read(...graphemes(text).map(strokeOf));
  };
}

function readRouted(word: string): ReadStatement {
  return (tokens, end) => {
    const found = texts(tokens, 1, `${word} "3,5 m"`, end);
    if ('status' in found) return found;
    return read({ kind: 'text', route: routesByWord[word] ?? 'paste', text: found[0] ?? '' });
  };
}

function readDeadKey(tokens: readonly Token[], end: number): Statement {
  const found = texts(tokens, 3, 'dead "´" "e" "é"', end);
  if ('status' in found) return found;
  const [dead = '', key = '', text = ''] = found;
  return read({ kind: 'dead key', dead, key, text });
}

function readComposition(tokens: readonly Token[], end: number): Statement {
  const found = texts(tokens, Math.max(1, tokens.length), 'compose "n" "ni" "に"', end);
  return 'status' in found ? found : read({ kind: 'composition', texts: found });
}

/** Characters that part or begin something in the text form are written out. */
const writtenKeys: Readonly<Record<string, string>> = { Space: ' ', Plus: '+', Quote: '"', Hash: '#' };

function keyNamed(name: string): string | null {
  const key = writtenKeys[name] ?? name;
  return isNamedKey(key) || (graphemes(key).length === 1 && !/\p{Cc}|^[^\S ]/u.test(key)) ? key : null;
}

const keyExpected: ScriptFault = { code: 'no key' };

/** A key, then `xN`, and nothing more. */
function keyAndCount(
  [name, times, extra]: readonly Token[],
  end: number,
): { readonly name: string; readonly count: number | null } | FaultyStatement {
  if (name?.is !== 'word') return fault(name?.column ?? end, keyExpected);
  if (!times) return { name: name.value, count: null };
  const count = times.is === 'word' ? /^x(\d{1,3})$/.exec(times.value)?.[1] : undefined;
  if (count === undefined || extra)
    return fault((count === undefined ? times : extra)?.column ?? end, { code: 'no count' });
  return { name: name.value, count: Number(count) };
}

function readKey(tokens: readonly Token[], end: number): Statement {
  const found = keyAndCount(tokens, end);
  if ('status' in found) return found;
  const parts = found.name === '+' ? ['+'] : found.name.split('+');
  const key = keyNamed(parts.at(-1) ?? '');
  const modifiers = parts.slice(0, -1);
  if (key === null || !modifiers.every(isModifierKey)) return fault(tokens[0]?.column ?? end, keyExpected);
  const stroke: Stroke =
    modifiers.length > 0
      ? { kind: 'key', key, modifiers: modifiers as readonly ModifierKey[] }
      : { kind: 'key', key };
  return read(...Array.from({ length: found.count ?? 1 }, () => stroke));
}

function readHeld(tokens: readonly Token[], end: number): Statement {
  const found = keyAndCount(tokens, end);
  if ('status' in found) return found;
  const key = keyNamed(found.name);
  if (key === null) return fault(tokens[0]?.column ?? end, keyExpected);
  return read({ kind: 'held', key, repeats: found.count ?? 1 });
}

function readOneKey(kind: 'down' | 'up'): ReadStatement {
  return (tokens, end) => {
    const [name, extra] = tokens;
    const key = name?.is === 'word' ? keyNamed(name.value) : null;
    if (key === null || extra) return fault((key === null ? name : extra)?.column ?? end, keyExpected);
    return read({ kind, key });
  };
}

function numberIn(token: Token | undefined): number | null {
  return token?.is === 'word' && /^\d{1,7}$/.test(token.value) ? Number(token.value) : null;
}

function readCaret(tokens: readonly Token[], end: number): Statement {
  const at = numberIn(tokens[0]);
  if (at === null || tokens.length > 1)
    return fault((at === null ? tokens[0] : tokens[1])?.column ?? end, { code: 'no caret' });
  return read({ kind: 'selection', start: at, end: at });
}

function readSelect(tokens: readonly Token[], end: number): Statement {
  const [first, second, extra] = tokens;
  if (first?.value === 'all' && tokens.length === 1) return read({ kind: 'command', command: 'select all' });
  const [from, to] = [numberIn(first), numberIn(second)];
  if (from === null) return fault(first?.column ?? end, { code: 'no selection' });
  if (to === null || from > to) return fault(second?.column ?? end, { code: 'no selection' });
  if (extra) return fault(extra.column, { code: 'no selection' });
  return read({ kind: 'selection', start: from, end: to });
}

function readFocus(tokens: readonly Token[], end: number): Statement {
  const by = tokens[0]?.value;
  if ((by !== 'script' && by !== 'click' && by !== 'tab') || tokens.length > 1)
    return fault(tokens[0]?.column ?? end, { code: 'no way to focus' });
  return read({ kind: 'focus', by });
}

function readPause(tokens: readonly Token[], end: number): Statement {
  const ms = /^(\d{1,5})ms$/.exec(tokens[0]?.value ?? '')?.[1];
  if (ms === undefined || Number(ms) > maxPause || tokens.length > 1)
    return fault(tokens[0]?.column ?? end, { code: 'no pause', most: maxPause });
  return read({ kind: 'pause', ms: Number(ms) });
}

/** Writes a script so that `readScript` gives the same strokes back. */
export function formatScript(script: Script): string {
  const lines: string[] = [];
  for (let at = 0; at < script.length; ) {
    const typed = typedRun(script, at);
    if (typed) {
      lines.push(`${typed.word} ${JSON.stringify(typed.graphemes.join(''))}`);
      at += typed.graphemes.length;
      continue;
    }
    const stroke = script[at];
    if (!stroke) break;
    const line = lineOf(stroke);
    const run = stroke.kind === 'key' ? sameRun(script, at) : 1;
    lines.push(run > 1 ? `${line} x${run}` : line);
    at += run;
  }
  return lines.join('\n');
}

/** A stroke as a statement of its own. */
export function lineOf(stroke: Stroke): string {
  switch (stroke.kind) {
    case 'key':
      return `key ${[...(stroke.modifiers ?? []), keyName(stroke.key)].join('+')}`;
    case 'held':
      return `hold ${keyName(stroke.key)} x${stroke.repeats}`;
    case 'down':
    case 'up':
      return `${stroke.kind} ${keyName(stroke.key)}`;
    case 'selection':
      return stroke.start === stroke.end ? `caret ${stroke.start}` : `select ${stroke.start} ${stroke.end}`;
    case 'command':
      return stroke.command;
    case 'text':
      return `${wordOf(stroke.route)} ${JSON.stringify(stroke.text)}`;
    case 'dead key':
      return `dead ${[stroke.dead, stroke.key, stroke.text].map((text) => JSON.stringify(text)).join(' ')}`;
    case 'composition':
      return `compose ${stroke.texts.map((text) => JSON.stringify(text)).join(' ')}`;
    case 'focus':
      return `focus ${stroke.by}`;
    case 'leave':
    case 'submit':
      return stroke.kind;
    case 'pause':
      return `pause ${stroke.ms}ms`;
  }
}

function wordOf(route: TextRoute): string {
  if (route === 'soft keys') return 'soft';
  return Object.entries(routesByWord).find(([, known]) => known === route)?.[0] ?? 'paste';
}

function keyName(key: string): string {
  return Object.entries(writtenKeys).find(([, written]) => written === key)?.[0] ?? key;
}

function sameRun(script: Script, from: number): number {
  const line = script[from] && lineOf(script[from]);
  let length = 1;
  while (length < 999 && script[from + length] && lineOf(script[from + length] as Stroke) === line) length++;
  return length;
}

/** As many typed keys, or soft keys, as still split into the same graphemes when written as one text. */
function typedRun(script: Script, from: number): { word: 'type' | 'soft'; graphemes: string[] } | null {
  const first = typedIn(script[from]);
  if (!first) return null;
  const run: string[] = [first.text];
  for (let at = from + 1; at < script.length; at++) {
    const next = typedIn(script[at]);
    if (next?.word !== first.word || graphemes(run.at(-1) + next.text).length !== 2) break;
    run.push(next.text);
  }
  return { word: first.word, graphemes: run };
}

function typedIn(stroke: Stroke | undefined): { word: 'type' | 'soft'; text: string } | null {
  if (stroke?.kind === 'key' && !isNamedKey(stroke.key) && !stroke.modifiers?.length)
    return { word: 'type', text: stroke.key };
  return stroke?.kind === 'text' && stroke.route === 'soft keys' && graphemes(stroke.text).length === 1
    ? { word: 'soft', text: stroke.text }
    : null;
}
