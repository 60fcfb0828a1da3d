/**
 * Part of npm run bench (`npm run bench -- many`): three hundred fields on three engines, and one question about one field of a page of
 * one's own, in the time that a person waits.
 */
import { readForm } from '@/core/html/read-form';
import { scriptsForPage } from '@/core/page/usual-scripts';
import { type Asking, askingOf } from '@/core/questions/asking';
import type { PageQuestion } from '@/core/questions/observation';
import type { EngineTarget } from '@/core/target/target';
import { WarmBrowsers } from '@/engines/pool/warm-browsers';
import { sweepEngines } from '@/engines/sweep-engines';
import { startPage } from '../tests/fixtures/served-page';
import { seconds, three } from './bench-engines';

const never = new AbortController().signal;

interface Swept {
  readonly answers: number;
  readonly failed: number;
  readonly took: number;
  /** Most memory of this process on the way, MB. */
  readonly memory: number;
}

async function swept(asked: readonly EngineTarget[], asking: Asking, browsers: WarmBrowsers): Promise<Swept> {
  let [answers, failed, memory] = [0, 0, 0];
  const watch = setInterval(() => {
    memory = Math.max(memory, process.memoryUsage().rss / 2 ** 20);
  }, 200);
  const begin = performance.now();
  await sweepEngines(
    asked,
    asking,
    (message) => {
      if (message.type !== 'observation') return;
      answers++;
      if (message.observation.outcome.status === 'failed') failed++;
    },
    never,
    { browsers },
  );
  clearInterval(watch);
  return { answers, failed, took: performance.now() - begin, memory };
}

const kinds = ['text', 'email', 'tel', 'number', 'date', 'password', 'url', 'time', 'checkbox', 'search'];

function formOf(count: number): string {
  const rows = Array.from(
    { length: count },
    (_, at) =>
      `<p><label>Buoy ${at} <input type=${kinds[at % kinds.length]} name=buoy-${at}${at % 2 ? ' required' : ''}></label>`,
  );
  return `<!doctype html><html lang=en><form action=/log method=post>${rows.join('\n')}<p><button>Send</button></form>`;
}

/** @param count of fields */
export async function benchMany(count = 300): Promise<void> {
  const browsers = new WarmBrowsers();
  try {
    const asking = askingOf(formOf(count), ['look', 'message', 'submission', 'bubble']);
    const { answers, failed, took, memory } = await swept(three, asking, browsers);
    console.log(
      `${count} fields, three engines, look, message, submission and bubble: ${answers} answers, ${failed} failed, ${seconds(took)}, at most ${memory.toFixed(0)} MB in this process`,
    );
    const html = formOf(6);
    const { address, stop } = await startPage(html);
    try {
      const page = { address, form: 0, steps: '' };
      const { fields } = readForm(html);
      const [first] = fields;
      const questions: readonly PageQuestion[] = ['look', 'message', 'typing', 'bubble', 'submission'];
      for (const question of questions) {
        const only = question === 'submission' ? fields.at(-1) : first;
        if (!only) continue;
        const form = { id: 'own' as never, name: '', markup: html, typing: {} };
        const scripts = question === 'typing' ? scriptsForPage(form, [only]) : {};
        const times: string[] = [];
        for (const target of three) {
          const own = askingOf(html, [question], scripts, [only.id], page);
          times.push(`${target.name} ${seconds((await swept([target], own, browsers)).took)}`);
        }
        console.log(`${question} of one field of a page of one’s own: ${times.join(', ')}`);
      }
    } finally {
      await stop();
    }
  } finally {
    await browsers.close();
  }
}
