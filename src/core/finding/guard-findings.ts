import type { TypingPlan } from '../document/form-document';
import type { Guard } from '../guard/guard';
import { guardIdentity } from '../guard/guard-identity';
import { editingKeys } from '../guard/offered-guards';
import { type Field, isTypedText } from '../html/field';
import type { PageControls } from '../html/page-controls';
import type { AskedKeyboard } from '../keyboard/asked-keyboards';
import { unheardKey } from '../keyboard/unheard-key';
import { liveCheck } from '../pattern/live-rule';
import { GaveUp } from '../regexp/budget';
import { type BypassCell, type BypassRow, bypassTable } from '../replay/bypass';
import { quickReplay } from '../replay/quick-replay';
import { firstSamples } from '../replay/sample-table';
import { habitsByRoute } from '../replay/usual-habits';
import { liveRules, submitRule } from '../rules/rule-table';
import { type Finding, type FoundOn, fieldFinding, findingId, marksOf } from './finding';

/** What the guards of a field let through, swallow, or keep from ever being typed, and which samples come out otherwise. */
export function guardFindings(
  field: Field,
  plan: TypingPlan,
  page: PageControls,
  asked: readonly AskedKeyboard[] = [],
): Finding[] {
  if (!isTypedText(field.kind)) return [];
  return [
    ...bypassFindings(field, plan.guards, page, asked),
    ...blockedFinding(field, plan.guards),
    ...sampleFinding(field, plan),
  ];
}

function bypassFindings(
  field: Field,
  guards: readonly Guard[],
  page: PageControls,
  asked: readonly AskedKeyboard[],
): Finding[] {
  const tryOut = (tried: readonly Guard[]) => bypassTable(field, tried, [], habitsByRoute, page);
  const { judgeAlone } = strictCheck(field, guards);
  return tryOut(guards.filter(({ on }) => on)).flatMap((row) => {
    const { guard } = row;
    const past = gotPast(row);
    const blocked = row.cells.filter(({ outcome }) => outcome === 'blocked too much');
    const replacing = (other: Guard) => ({
      kind: 'guards' as const,
      field: field.id,
      guards: guards.map((one) => (one === guard ? other : one)),
    });
    const found: Finding[] = [];
    if (past.length > 0) {
      const better = elsewhere(guard).find((other) => tryOut([other]).every((one) => isTight(one)));
      const isCaught = past.every(({ text }) => !judgeAlone(text));
      found.push(
        fieldFinding(field, {
          id: findingId('guard', 'past', field.id, ...guardIdentity(guard), guard.stage),
          claim: {
            code: 'guard bypassed',
            guard,
            routes: past.map(({ route }) => route),
            isCaught,
            better: better?.stage ?? null,
          },
          harm: isCaught ? 'person misled' : 'wrong value sent',
          change: better ? replacing(better) : null,
          script: past[0]?.script ?? null,
          evidence: 'ways in',
          ...unheardOn(guard, asked),
        }),
      );
    }
    if (blocked.length > 0) {
      const swallowed = [...new Set(blocked.flatMap((cell) => cell.swallowed))];
      const other: Guard = { ...guard, keys: editingKeys };
      const mends =
        guard.stage === 'key' &&
        tryOut([other]).every((one) => one.cells.every(({ swallowed }) => swallowed.length === 0));
      found.push(
        fieldFinding(field, {
          id: findingId('guard', 'blocks', field.id, ...guardIdentity(guard), guard.stage),
          claim: {
            code: 'guard blocks',
            guard,
            keys: swallowed,
            routes: blocked.map(({ route }) => route),
            isMended: mends,
          },
          harm: 'cannot enter a valid value',
          change: mends ? replacing(other) : null,
          script: blocked[0]?.script ?? null,
          evidence: 'ways in',
        }),
      );
    }
    return found;
  });
}

/** The keyboards on which it was seen that the page is not told of keys, besides what the model says. */
function unheardOn(guard: Guard, asked: readonly AskedKeyboard[]): Pick<Finding, 'targets' | 'marks'> {
  const targets = asked.flatMap(({ target, name, mark, tapped }): FoundOn[] => {
    const unheard = unheardKey([guard], tapped);
    if (!unheard) return [];
    const { key, heard } = unheard;
    return [{ target, name, mark, proofs: [{ code: 'key unheard', key, heard }] }];
  });
  return { targets, marks: [...new Set(['modelled' as const, ...marksOf(targets)])] };
}

/** Ways by which a person brings text in; a script is the page's own. */
function gotPast({ cells }: BypassRow): BypassCell[] {
  return cells.filter(({ route, outcome }) => outcome === 'bypassed' && route !== 'script');
}

function isTight(row: BypassRow): boolean {
  return gotPast(row).length === 0 && row.cells.every(({ outcome }) => outcome !== 'blocked too much');
}

/** The same rule at the later stages, which hear more; the first of them is the gentlest. */
function elsewhere(guard: Guard): Guard[] {
  const { keys: _, remedy: __, ...rule } = guard;
  const canMend = ['allow', 'deny', 'length', 'case', 'mask'].includes(guard.kind);
  const after = { ...rule, stage: 'after input', remedy: canMend ? 'mend' : 'go back' } as Guard;
  if (guard.stage === 'key') return [{ ...rule, stage: 'before insert' } as Guard, after];
  return guard.stage === 'before insert' ? [after] : [];
}

/** Whether a text passes all that is checked in the end. */
function strictCheck(field: Field, guards: readonly Guard[]) {
  const strict = guards.filter(({ stage }) => stage === 'on submission' || stage === 'on leaving');
  const replay = quickReplay(field, strict, habitsByRoute('hardware keys'));
  return { judgeAlone: (text: string) => replay(text).verdict === 'accepted' };
}

/** The shortest valid value that the rules while typing keep from being typed. */
function blockedFinding(field: Field, guards: readonly Guard[]): Finding[] {
  const habits = habitsByRoute('hardware keys');
  const live = liveRules(guards);
  const submit = submitRule(field, guards, habits);
  if (live?.status !== 'known' || submit.status !== 'known') return [];
  const blocked = blockedBy(() => liveCheck(live.table, submit.table).blocked);
  if (!blocked) return [];
  // What is rewritten stroke by stroke was not kept out.
  if (quickReplay(field, guards, habits)(blocked.value).refusedAt === null) return [];
  return [
    fieldFinding(field, {
      id: findingId('guard', 'blocked', field.id, blocked.value),
      claim: { code: 'valid value blocked', ...blocked },
      harm: 'cannot enter a valid value',
      evidence: 'rule',
    }),
  ];
}

function blockedBy(check: () => ReturnType<typeof liveCheck>['blocked']) {
  try {
    return check();
  } catch (error) {
    if (error instanceof GaveUp) return null;
    throw error;
  }
}

/** Samples that do not come out as the person expects. */
function sampleFinding(field: Field, plan: TypingPlan): Finding[] {
  const replay = quickReplay(field, plan.guards, habitsByRoute('hardware keys'));
  const tried = firstSamples(plan.samples);
  const others = tried.flatMap((sample) => {
    const { verdict, by } = replay(sample.text);
    return verdict === sample.expected || verdict === 'not worked out' ? [] : [{ ...sample, verdict, by }];
  });
  if (others.length === 0) return [];
  const isRefused = others.some(({ expected }) => expected === 'accepted');
  return [
    fieldFinding(field, {
      id: findingId('samples', field.id),
      claim: { code: 'samples differ', tried: tried.length, others },
      harm: isRefused ? 'cannot enter a valid value' : 'wrong value sent',
      evidence: 'samples',
    }),
  ];
}
