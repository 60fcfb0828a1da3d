import type { Harm } from '@/core/finding/finding';
import type { Expected } from './case';

/** A page with scripts of its own, with what was expected of it before it was tried: what has to be found, and what must not be. */
export interface JudgedPage {
  readonly file: string;
  readonly must: readonly Expected[];
  /** Harms of which nothing else may be said. */
  readonly free: readonly Harm[];
  /** What comes of pressing the button once everything is filled in. */
  readonly filled: 'sent' | 'blocked';
}

const worse: readonly Harm[] = ['cannot enter a valid value', 'value lost', 'wrong value sent'];
const page = (
  file: string,
  must: readonly Expected[] = [],
  filled: JudgedPage['filled'] = 'sent',
): JudgedPage => ({
  file,
  must,
  free: worse,
  filled,
});

export const pages: readonly JudgedPage[] = [
  page('tests/fixtures/pages/react-state.tsx'),
  page('tests/judgement/pages/hook-form.tsx'),
  page('tests/judgement/pages/vue-form.ts'),
  page('tests/judgement/pages/lit-field.ts'),
  page('tests/judgement/pages/ant-form.tsx'),
  page('tests/judgement/pages/card-mask.ts'),
  page('tests/judgement/pages/amount-format.tsx'),
  page('tests/judgement/pages/own-mask.ts', [
    ['person misled', 'Phone', 'typed caret'],
    // Overlooked at first: a plus and what is longer than ten digits is lost.
    ['value lost', 'Phone', 'typed kept out'],
    ['cannot enter a valid value', 'Reference', 'typed keys'],
  ]),
  page('tests/judgement/pages/date-picker.tsx'),
  page('tests/judgement/pages/calendar.ts'),
  page('tests/judgement/pages/phone-field.tsx'),
  page('tests/judgement/pages/radix-form.tsx'),
  page('tests/judgement/pages/rich-text.ts'),
  page('tests/judgement/pages/own-widgets.ts', [
    ['cannot enter a valid value', 'Length', 'seen widget not by keyboard'],
    ['person misled', 'Crew', 'seen keys change nothing'],
    ['person misled', 'slider', 'no accessible name'],
  ]),
];
