import type { Question } from '../questions/observation';

const asked: Readonly<Record<Question, string>> = {
  look: 'looks',
  message: 'words of its message',
  accessibility: 'what assistive technology is told',
  typing: 'typing',
  submission: 'submission',
  opening: 'what opens',
  bubble: 'bubble',
  parts: 'parts',
  fallback: 'fallback plans',
  keyboard: 'keyboard',
  restriction: 'rules',
};

/** How far the asking of one target is; `left` in ms, null where nobody can tell. */
export interface Pace {
  readonly done: number;
  readonly total: number;
  readonly last: { readonly question: Question; readonly field: string } | null;
  readonly left: number | null;
}

/** How far a target is, in one line: `bubble of reading-date, 120 of 303, about 40 s to go`. */
export function paceText({ done, total, last, left }: Pace): string {
  const count = `${counted(done)} of ${counted(total)}`;
  if (done >= total) return `done, ${counted(total)} answers`;
  const at = last ? `${asked[last.question]} of ${last.field}` : 'starting';
  return left === null ? `${at}, ${count}` : `${at}, ${count}, about ${timeText(left)} to go`;
}

/** @param ms rounded as one would say it */
function timeText(ms: number): string {
  const seconds = Math.max(1, Math.round(ms / 1000));
  if (seconds < 60) return `${seconds < 10 ? seconds : Math.round(seconds / 5) * 5} s`;
  return `${Math.round(seconds / 60)} min`;
}

const counted = (count: number) => count.toLocaleString('en-GB');
