import { graphemes, isNamedKey, maxStrokes, namedKeys, type Script, type Stroke } from './stroke';

export type ScriptReading =
  | { readonly status: 'read'; readonly script: Script }
  | { readonly status: 'fault'; readonly line: number; readonly column: number; readonly text: string };

/**
 * Reads the text form of a script, one statement a line; docs/script-text.md has the grammar.
 *
 *     type "-1.2"
 *     key Backspace x2
 */
export function readScript(text: string): ScriptReading {
  const script: Stroke[] = [];
  for (const [index, line] of text.split(/\r\n?|\n/).entries()) {
    const statement = readStatement(line);
    if (statement.status === 'fault')
      return { status: 'fault', line: index + 1, column: statement.column, text: statement.text };
    script.push(...statement.strokes);
    if (script.length > maxStrokes)
      return fault(index + 1, 1, `A script may have ${maxStrokes} strokes; shorten it here.`);
  }
  return { status: 'read', script };
}

function fault(line: number, column: number, text: string): ScriptReading {
  return { status: 'fault', line, column, text };
}

type Statement =
  | { readonly status: 'read'; readonly strokes: Stroke[] }
  | { readonly status: 'fault'; readonly column: number; readonly text: string };

function readStatement(line: string): Statement {
  const indent = /^\s*/.exec(line)?.[0].length ?? 0;
  const rest = line.slice(indent).trimEnd();
  if (rest === '' || rest.startsWith('#')) return { status: 'read', strokes: [] };
  const word = /^\S+/.exec(rest)?.[0] ?? '';
  const gap = /^\s*/.exec(rest.slice(word.length))?.[0].length ?? 0;
  const argument = rest.slice(word.length + gap);
  const column = indent + word.length + gap + 1;
  switch (word) {
    case 'type':
      return readType(argument, column);
    case 'key':
      return readKey(argument, column);
    default:
      return {
        status: 'fault',
        column: indent + 1,
        text: `“${word}” is not a statement; write type or key.`,
      };
  }
}

function readType(argument: string, column: number): Statement {
  let text: unknown;
  try {
    text = JSON.parse(argument);
  } catch {
    text = null;
  }
  if (typeof text !== 'string')
    return {
      status: 'fault',
      column,
      text: 'After type, write the text between double quotes, as in type "1.2".',
    };
  if (/\p{Cc}/u.test(text))
    return { status: 'fault', column, text: 'A typed text has no control characters; leave them out.' };
  return { status: 'read', strokes: graphemes(text).map((key) => ({ kind: 'key', key })) };
}

function readKey(argument: string, column: number): Statement {
  const match = /^(\S+)(?:\s+x(\d{1,3}))?$/.exec(argument);
  const key = match?.[1] ?? '';
  if (!match || !isNamedKey(key))
    return { status: 'fault', column, text: `After key, write one of ${namedKeys.join(', ')}.` };
  const times = Number(match[2] ?? 1);
  return { status: 'read', strokes: Array.from({ length: times }, () => ({ kind: 'key', key })) };
}

/** Writes a script so that `readScript` gives the same strokes back. */
export function formatScript(script: Script): string {
  const lines: string[] = [];
  for (let i = 0; i < script.length; ) {
    const run = sameKeyRun(script, i);
    const key = script[i]?.key ?? '';
    if (isNamedKey(key)) {
      lines.push(run > 1 ? `key ${key} x${run}` : `key ${key}`);
      i += run;
      continue;
    }
    const typed = typedRun(script, i);
    lines.push(`type ${JSON.stringify(typed.join(''))}`);
    i += typed.length;
  }
  return lines.join('\n');
}

function sameKeyRun(script: Script, from: number): number {
  let length = 1;
  while (length < 999 && script[from + length]?.key === script[from]?.key) length++;
  return length;
}

/** As many typed keys as still split into the same graphemes when written as one text. */
function typedRun(script: Script, from: number): string[] {
  const run: string[] = [];
  for (let i = from; i < script.length; i++) {
    const key = script[i]?.key ?? '';
    if (isNamedKey(key)) break;
    if (run.length > 0 && graphemes(run.at(-1) + key).length !== 2) break;
    run.push(key);
  }
  return run;
}
