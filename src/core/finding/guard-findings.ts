import type { Guard } from '../guard/guard';
import { guardIdentity } from '../guard/guard-identity';
import type { Field } from '../html/field';
import type { AskedKeyboard } from '../keyboard/asked-keyboards';
import { unheardKey } from '../keyboard/unheard-key';
import type { RestrictionFacts, RestrictionObservation, TriedGuard } from '../questions/restriction/facts';
import { isTight, pastCells } from '../questions/restriction/past-cells';
import { GaveUp } from '../regexp/budget';
import { type Finding, type FoundOn, fieldFinding, findingId, marksOf } from './finding';

/**
 * What the guards of a field let through, swallow, or keep from ever being typed, and which samples come out otherwise.
 * @param guards all of the field, those among them that are off
 * @throws GaveUp where the observer gave it up
 */
export function guardFindings(
  field: Field,
  guards: readonly Guard[],
  { outcome, provenance }: RestrictionObservation,
  asked: readonly AskedKeyboard[] = [],
): Finding[] {
  if (outcome.status === 'failed' && outcome.failure.code === 'not worked out')
    throw new GaveUp(outcome.failure.why);
  if (outcome.status !== 'answered') return [];
  const { facts } = outcome;
  return [
    ...facts.guards.flatMap((tried, index) => {
      const replacedBy = (other: Guard) => replacing(field, guards, index, other);
      return [...pastFinding(field, tried, replacedBy, asked), ...blocksFinding(field, tried, replacedBy)];
    }),
    ...blockedFinding(field, facts),
    ...samplesFinding(field, facts),
  ].map((finding) => ({ ...finding, marks: [...new Set([provenance.mark, ...finding.marks])] }));
}

function pastFinding(
  field: Field,
  tried: TriedGuard,
  replacedBy: ReplacedBy,
  asked: readonly AskedKeyboard[],
): Finding[] {
  const { guard, isCaught, later } = tried;
  const past = pastCells(tried);
  if (past.length === 0) return [];
  const better = later.find(isTight)?.guard ?? null;
  return [
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
      change: better && replacedBy(better),
      script: past[0]?.script ?? null,
      evidence: 'ways in',
      ...unheardOn(guard, asked),
    }),
  ];
}

function blocksFinding(field: Field, tried: TriedGuard, replacedBy: ReplacedBy): Finding[] {
  const { guard, sparingKeys } = tried;
  const blocked = tried.cells.filter(({ outcome }) => outcome === 'blocked too much');
  if (blocked.length === 0) return [];
  const isMended = sparingKeys?.cells.every(({ swallowed }) => swallowed.length === 0) ?? false;
  return [
    fieldFinding(field, {
      id: findingId('guard', 'blocks', field.id, ...guardIdentity(guard), guard.stage),
      claim: {
        code: 'guard blocks',
        guard,
        keys: [...new Set(blocked.flatMap(({ swallowed }) => swallowed))],
        routes: blocked.map(({ route }) => route),
        isMended,
      },
      harm: 'cannot enter a valid value',
      change: isMended && sparingKeys ? replacedBy(sparingKeys.guard) : null,
      script: blocked[0]?.script ?? null,
      evidence: 'ways in',
    }),
  ];
}

type ReplacedBy = (other: Guard) => NonNullable<Finding['change']>;

/** @param index of a guard among those that are on */
function replacing(
  field: Field,
  guards: readonly Guard[],
  index: number,
  other: Guard,
): NonNullable<Finding['change']> {
  const replaced = guards.filter(({ on }) => on)[index];
  return {
    kind: 'guards',
    field: field.id,
    guards: guards.map((one) => (one === replaced ? other : one)),
  };
}

/** The keyboards on which it was seen that the page is not told of keys, besides what the model says. */
function unheardOn(guard: Guard, asked: readonly AskedKeyboard[]): Pick<Finding, 'targets' | 'marks'> {
  const targets = asked.flatMap(({ target, name, mark, tapped }): FoundOn[] => {
    const unheard = unheardKey([guard], tapped);
    if (!unheard) return [];
    const { key, heard } = unheard;
    return [{ target, name, mark, proofs: [{ code: 'key unheard', key, heard }] }];
  });
  return { targets, marks: marksOf(targets) };
}

function blockedFinding(field: Field, { blocked }: RestrictionFacts): Finding[] {
  if (!blocked) return [];
  return [
    fieldFinding(field, {
      id: findingId('guard', 'blocked', field.id, blocked.value),
      claim: { code: 'valid value blocked', ...blocked },
      harm: 'cannot enter a valid value',
      evidence: 'rule',
    }),
  ];
}

function samplesFinding(field: Field, { samples: { tried, others } }: RestrictionFacts): Finding[] {
  if (others.length === 0) return [];
  const isRefused = others.some(({ expected }) => expected === 'accepted');
  return [
    fieldFinding(field, {
      id: findingId('samples', field.id),
      claim: { code: 'samples differ', tried, others },
      harm: isRefused ? 'cannot enter a valid value' : 'wrong value sent',
      evidence: 'samples',
    }),
  ];
}
