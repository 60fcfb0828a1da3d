import type { Question } from '../questions/observation';
import { questionNames } from './coverage-words';
import { figure } from './listed';

/** How far the asking of one target is; `left` in ms, null where nobody can tell. */
export interface Pace {
  readonly done: number;
  readonly total: number;
  readonly last: { readonly question: Question; readonly field: string } | null;
  readonly left: number | null;
}

/** How far a target is, in one line: `bubble of reading-date, 120 of 303, about 40 s to go`. */
export function paceText({ done, total, last, left }: Pace): string {
  const count = `${figure(done)} of ${figure(total)}`;
  if (done >= total) return `done, ${figure(total)} answers`;
  const at = last ? `${questionNames[last.question]} of ${last.field}` : 'starting';
  return left === null ? `${at}, ${count}` : `${at}, ${count}, about ${timeText(left)} to go`;
}

/** @param ms rounded as one would say it */
function timeText(ms: number): string {
  const seconds = Math.max(1, Math.round(ms / 1000));
  if (seconds < 60) return `${seconds < 10 ? seconds : Math.round(seconds / 5) * 5} s`;
  return `${Math.round(seconds / 60)} min`;
}
