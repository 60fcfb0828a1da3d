import { beginningsOf, without } from './combine';
import { lenientSource } from './lenient-source';
import { patternTable } from './pattern-table';
import { dead, stateAfter, type Table } from './table';
import { patternOf } from './table-pattern';
import { shortestFrom, shortestText } from './texts';

/** How a rule that acts while one types does justice to the one that counts in the end. */
export interface LiveCheck {
  /** The shortest beginning of a valid value that cannot stand, and that value; null: every valid value can be typed, in order. */
  readonly blocked: { readonly beginning: string; readonly value: string } | null;
  /** The shortest text that may stand though nothing valid begins with it; null: there is none. */
  readonly idle: string | null;
}

/** Holds a live rule against the beginnings of what is accepted at submission, exactly. Throws `GaveUp`. */
export function liveCheck(live: Table, submit: Table): LiveCheck {
  const beginnings = beginningsOf(submit);
  const beginning = shortestText(without(beginnings, live));
  return {
    blocked:
      beginning === null
        ? null
        : { beginning, value: beginning + (shortestFrom(submit, stateAfter(submit, beginning)) ?? '') },
    idle: shortestText(without(live, beginnings)),
  };
}

/**
 * A pattern that lets exactly the beginnings of valid values stand: written from the parts of the strict one where that says
 * just that, else from its table; null where none is short enough to be read.
 *
 * @param source the strict pattern; null where the rule is more than one pattern
 */
export function lenientPattern(source: string | null, submit: Table): string | null {
  if (submit.start === dead) return null;
  const beginnings = beginningsOf(submit);
  const own = source === null ? null : lenientSource(source);
  const rule = own === null ? null : patternTable({ source: own, match: 'whole' });
  const isExact =
    rule?.status === 'known' &&
    without(rule.table, beginnings).start === dead &&
    without(beginnings, rule.table).start === dead;
  return isExact ? own : patternOf(beginnings);
}
