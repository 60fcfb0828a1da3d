import type { ScriptFault } from '../script/script-fault';
import { statementWords } from '../script/script-text';
import { namedKeys } from '../script/stroke';

/** What is wrong at a place of a script, and what to write there. */
export function scriptFaultText(fault: ScriptFault): string {
  switch (fault.code) {
    case 'no statement':
      return `“${fault.word}” is not a statement. Write one of ${statementWords.join(', ')}.`;
    case 'no text':
      return 'Write a text between double quotes, as in type "1.2"; write \\" for a quote inside it.';
    case 'texts expected':
      return `Write ${fault.count === 1 ? 'the text' : `${fault.count} texts`} between double quotes, as in ${fault.example}.`;
    case 'control characters':
      return 'A typed text has no control characters. Remove them, or paste the text.';
    case 'nothing more expected':
      return 'The statement ends before this. Remove the rest of the line.';
    case 'no key':
      return `Write a character, Space, Plus, Quote, Hash or one of ${namedKeys.join(', ')}.`;
    case 'no count':
      return 'Write how often after the key: x and a number up to 999, as in x2.';
    case 'no caret':
      return 'Write the position of the caret, as in caret 0.';
    case 'no selection':
      return 'Write where the selection starts and ends, as in select 0 3, or select all.';
    case 'no way to focus':
      return 'Write how the field gets the focus: focus script, focus click or focus tab.';
    case 'no pause':
      return `Write a duration up to ${fault.most} ms, as in pause 200ms.`;
    case 'too many strokes':
      return `A script has at most ${fault.most} strokes. Shorten it here.`;
  }
}
