/**
 * Part of npm run bench (`npm run bench -- edits`): what an edit of one field costs in the demo while three engines are ready, in the time
 * that a person waits; and a sweep of what was not changed, over a first one.
 */
import { demoForm } from '@/core/demo/demo-forms';
import { typingTasks } from '@/core/document/form-document';
import { applyEdits, attributeEdits } from '@/core/html/edit-markup';
import { type Field, isTypedText } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { askingOf, sweepQuestions } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import { earlierAnswers, withKeptAnswers } from '@/core/sweep/earlier-answers';
import { WarmBrowsers } from '@/engines/pool/warm-browsers';
import { sweepEngines } from '@/engines/sweep-engines';
import { seconds, three } from './bench-engines';

const median = (all: readonly number[]) => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;

/** Times of one sweep, ms from its beginning: of its first new answer, of the last look, words and typing, and of its end. */
interface Swept {
  readonly answers: readonly Observation[];
  readonly asked: number;
  readonly first: number;
  readonly seen: number;
  readonly end: number;
}

async function swept(
  markup: string,
  earlier: readonly Observation[],
  browsers: WarmBrowsers,
): Promise<Swept> {
  const answers: Observation[] = [];
  let [asked, first, seen] = [0, 0, 0];
  const begin = performance.now();
  const emit = withKeptAnswers(earlier, (message) => {
    if (message.type === 'observation') answers.push(message.observation);
  });
  await sweepEngines(
    three,
    askingOf(markup, sweepQuestions, typingTasks(demoForm)),
    (message) => {
      emit(message);
      if (message.type !== 'observation') return;
      asked++;
      const now = performance.now() - begin;
      first ||= now;
      if (['look', 'message', 'typing'].includes(message.observation.question)) seen = now;
    },
    new AbortController().signal,
    { earlier: earlierAnswers(earlier), browsers },
  );
  return { answers, asked, first, seen, end: performance.now() - begin };
}

/** @param rounds so many edits, each of one attribute of another field */
export async function benchEdits(rounds = 20): Promise<void> {
  const browsers = new WarmBrowsers();
  try {
    const whole = await swept(demoForm.markup, [], browsers);
    const again = await swept(demoForm.markup, [], browsers);
    console.log(
      `The demo, ${whole.asked} answers: ${seconds(whole.end)} with engines that have to start, ${seconds(again.end)} with engines that are ready; first answer after ${seconds(whole.first)} and ${seconds(again.first)}, all looks, words and typing after ${seconds(whole.seen)} and ${seconds(again.seen)}`,
    );
    const same = await swept(demoForm.markup, again.answers, browsers);
    console.log(`Without a change: ${seconds(same.end)}, ${same.asked} asked`);
    let markup = demoForm.markup;
    let { answers } = same;
    const edits: Swept[] = [];
    for (let round = 0; round < rounds; round++) {
      markup = edited(markup, round);
      const next = await swept(markup, answers, browsers);
      answers = next.answers;
      edits.push(next);
    }
    const told = (of: (one: Swept) => number) => {
      const all = edits.map(of);
      return `${seconds(median(all))} (${seconds(Math.min(...all))} to ${seconds(Math.max(...all))})`;
    };
    console.log(
      `One attribute of one field, ${rounds} times: first answer after ${told(({ first }) => first)}, its looks, words and typing from three engines after ${told(({ seen }) => seen)}, all of it after ${told(({ end }) => end)}; ${median(edits.map(({ asked }) => asked))} of ${whole.asked} answers asked`,
    );
  } finally {
    await browsers.close();
  }
}

/** In another field each time: `required` comes, or goes where it was. */
function edited(markup: string, round: number): string {
  const fields = readForm(markup).fields.filter(({ kind }) => isTypedText(kind) || kind === 'date');
  const [control] = (fields[(round * 3) % fields.length] as Field).controls;
  const isThere = control.attributes.some(({ name }) => name === 'required');
  return applyEdits(markup, attributeEdits(markup, control, { required: isThere ? null : '' }));
}
