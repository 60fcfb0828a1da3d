import { once } from 'node:events';
import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';
import { answerLine, type LineAnswer } from '@/core/model/answer-line';
import { lineFaultText } from '@/core/words/line-fault-words';

/** Characters that are gathered before they are written. */
const chunk = 64 * 1024;
/** How long answers are held before they are written, ms. */
const longestHeld = 200;

/** `ukko ask`: one JSON question on each line in, one JSON answer on each line out, in the same order. Empty lines are left out. */
export async function askCommand(input: Readable, output: Writable): Promise<void> {
  let waiting = '';
  let flushed = performance.now();
  const flush = async () => {
    const text = waiting;
    waiting = '';
    if (text !== '' && !output.write(text)) await once(output, 'drain');
  };
  for await (const line of createInterface({ input, crlfDelay: Number.POSITIVE_INFINITY })) {
    if (line.trim() === '') continue;
    waiting += `${JSON.stringify(written(answerLine(line, new Date())))}\n`;
    if (waiting.length >= chunk || performance.now() - flushed > longestHeld) {
      await flush();
      // Lines that are there already would keep signals waiting.
      await new Promise(setImmediate);
      flushed = performance.now();
    }
  }
  await flush();
}

/** Whatever has no answer has an error. */
function written(answer: LineAnswer): object {
  return 'fault' in answer ? { error: lineFaultText(answer.fault) } : answer;
}
