import { beginningsOf, without } from './combine';
import { lenientSource } from './lenient-source';
import { usualBudget } from './limits';
import { patternTable } from './pattern-table';
import { acceptsText, dead, type Table, tableOf } from './table';
import { patternOf } from './table-pattern';
import { shortestText } from './texts';

/** How a rule that acts while one types does justice to the one that counts in the end. */
export interface LiveCheck {
  /** The shortest valid value that cannot be typed in order, and its first beginning that cannot stand; null: every one can. */
  readonly blocked: { readonly beginning: string; readonly value: string } | null;
  /** The shortest text that may stand though nothing valid begins with it; null: there is none. */
  readonly idle: string | null;
}

/** Holds a live rule against the beginnings of what is accepted at submission, exactly. Throws `GaveUp`. */
export function liveCheck(live: Table, submit: Table, budget = usualBudget()): LiveCheck {
  const beginnings = beginningsOf(submit);
  const value = shortestText(without(submit, typable(live), budget));
  return {
    blocked: value === null ? null : { beginning: firstRefused(live, value), value },
    idle: shortestText(without(live, beginnings, budget)),
  };
}

/** Texts that come to stand one character after the other: every beginning of them may stand too. */
function typable({ bounds, classes, classCount, next, accepts, start }: Table): Table {
  const stands = (state: number) => state !== dead && accepts[state] === 1;
  return tableOf({
    bounds: [...bounds],
    classes: [...classes],
    next: Array.from(accepts, (_, state) =>
      Array.from(next.subarray(state * classCount, (state + 1) * classCount), (to) =>
        stands(to) ? to : dead,
      ),
    ),
    accepts: Array.from(accepts, (is) => is === 1),
    start: stands(start) ? start : dead,
  });
}

function firstRefused(live: Table, value: string): string {
  const letters = Array.from(value);
  const length = letters.findIndex((_, at) => !acceptsText(live, letters.slice(0, at).join('')));
  return length < 0 ? value : letters.slice(0, length).join('');
}

/**
 * A pattern that lets exactly the beginnings of valid values stand: written from the parts of the strict one where that says
 * just that, else from its table; null where none is short enough to be read.
 *
 * @param source the strict pattern; null where the rule is more than one pattern
 */
export function lenientPattern(source: string | null, submit: Table, budget = usualBudget()): string | null {
  if (submit.start === dead) return null;
  const beginnings = beginningsOf(submit);
  const own = source === null ? null : lenientSource(source);
  const rule = own === null ? null : patternTable({ source: own, match: 'whole' }, budget);
  const isExact =
    rule?.status === 'known' &&
    without(rule.table, beginnings, budget).start === dead &&
    without(beginnings, rule.table, budget).start === dead;
  return isExact ? own : patternOf(beginnings);
}
