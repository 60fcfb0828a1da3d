import type { TypingPlan } from '../document/form-document';
import type { Guard } from '../guard/guard';
import { editingKeys } from '../guard/offered-guards';
import { firstSamples } from '../guard/sample-table';
import type { Field } from '../html/field';
import type { PageControls } from '../html/page-controls';
import { modelVersion } from '../model/predict';
import type { Outcome } from '../observation/outcome';
import { liveCheck } from '../pattern/live-rule';
import type {
  BypassRow,
  RestrictionFacts,
  RestrictionObservation,
  TriedGuard,
} from '../questions/restriction/facts';
import { pastCells } from '../questions/restriction/past-cells';
import { GaveUp } from '../regexp/budget';
import { liveRules, submitRule } from '../rules/rule-table';
import { habitsByRoute } from '../rules/usual-habits';
import { targetId } from '../target/target';
import { bypassTable } from './bypass';
import { quickReplay } from './quick-replay';

/**
 * The model, to be asked what the rules of a field make of texts that reach it: as a browser on a desk does, and for its soft keys as
 * one on a phone does. `page` is what stands around the field: Enter in it sends a form.
 * @param at when it is asked: ISO 8601, UTC
 */
export function restrictionByModel(at: string) {
  const { source } = habitsByRoute('hardware keys');
  const now = new Date(at);
  const provenance = { mark: 'modelled', model: `Ukko ${modelVersion}`, source } as const;
  return (field: Field, plan: TypingPlan, page: PageControls): RestrictionObservation => ({
    field: field.id,
    target: targetId('chromium'),
    question: 'restriction',
    provenance,
    at,
    outcome: restriction(field, plan, page, now),
  });
}

function restriction(
  field: Field,
  plan: TypingPlan,
  page: PageControls,
  now: Date,
): Outcome<RestrictionFacts> {
  try {
    const guards = triedGuards(field, plan.guards, page, now);
    const blocked = blockedValue(field, plan.guards);
    return { status: 'answered', facts: { guards, blocked, samples: triedSamples(field, plan) } };
  } catch (error) {
    if (!(error instanceof GaveUp)) throw error;
    return { status: 'failed', failure: { code: 'not worked out', why: error.code } };
  }
}

function triedGuards(field: Field, guards: readonly Guard[], page: PageControls, now: Date): TriedGuard[] {
  const tryOut = (tried: readonly Guard[]) => bypassTable(field, tried, [], habitsByRoute, page, now);
  const isAccepted = endCheck(field, guards);
  return tryOut(guards.filter(({ on }) => on)).map((row): TriedGuard => {
    const { guard } = row;
    const sparing: Guard = { ...guard, keys: editingKeys };
    const past = pastCells(row);
    const blocks = row.cells.some(({ outcome }) => outcome === 'blocked too much');
    return {
      ...row,
      isCaught: past.every(({ text }) => !isAccepted(text)),
      // What is right as it is need not be tried elsewhere.
      later: past.length > 0 ? tryOut(atLaterStages(guard)) : [],
      sparingKeys: blocks && guard.stage === 'key' ? (tryOut([sparing])[0] as BypassRow) : null,
    };
  });
}

/** The same rule at the later stages. */
function atLaterStages(guard: Guard): Guard[] {
  const { keys: _, remedy: __, ...rule } = guard;
  const canMend = ['allow', 'deny', 'length', 'case', 'mask'].includes(guard.kind);
  const after = { ...rule, stage: 'after input', remedy: canMend ? 'mend' : 'go back' } as Guard;
  if (guard.stage === 'key') return [{ ...rule, stage: 'before insert' } as Guard, after];
  return guard.stage === 'before insert' ? [after] : [];
}

/** Whether a text passes all that is checked in the end. */
function endCheck(field: Field, guards: readonly Guard[]): (text: string) => boolean {
  const strict = guards.filter(({ stage }) => stage === 'on submission' || stage === 'on leaving');
  const replay = quickReplay(field, strict, habitsByRoute('hardware keys'));
  return (text) => replay(text).verdict === 'accepted';
}

function blockedValue(field: Field, guards: readonly Guard[]): RestrictionFacts['blocked'] {
  const habits = habitsByRoute('hardware keys');
  const live = liveRules(guards);
  const submit = submitRule(field, guards, habits);
  if (live?.status !== 'known' || submit.status !== 'known') return null;
  const blocked = orGivenUp(() => liveCheck(live.table, submit.table).blocked);
  if (!blocked) return null;
  // What is rewritten stroke by stroke was not kept out.
  return quickReplay(field, guards, habits)(blocked.value).refusedAt === null ? null : blocked;
}

function orGivenUp<Result>(check: () => Result): Result | null {
  try {
    return check();
  } catch (error) {
    if (error instanceof GaveUp) return null;
    throw error;
  }
}

function triedSamples(field: Field, plan: TypingPlan): RestrictionFacts['samples'] {
  const replay = quickReplay(field, plan.guards, habitsByRoute('hardware keys'));
  const tried = firstSamples(plan.samples);
  const others = tried.flatMap((sample) => {
    const { verdict, by } = replay(sample.text);
    return verdict === sample.expected || verdict === 'not worked out' ? [] : [{ ...sample, verdict, by }];
  });
  return { tried: tried.length, others };
}
