import { type Field, isTypedText } from '../form/field';
import type { TypingPlan } from '../form/form-document';
import type { PageControls } from '../form/page-controls';
import type { Guard } from '../guard/guard';
import { editingKeys } from '../guard/offered-guards';
import { guardName } from '../guard/rule';
import type { AskedKeyboard } from '../keyboard/asked-keyboards';
import { unheardKey } from '../keyboard/unheard-key';
import { liveCheck } from '../pattern/live-rule';
import { liveRules, submitRule } from '../pattern/rule-table';
import { GaveUp } from '../regexp/budget';
import { type BypassCell, type BypassRow, bypassTable } from '../replay/bypass';
import { quickReplay } from '../replay/quick-replay';
import { firstSamples } from '../replay/sample-table';
import { habitsByRoute } from '../replay/usual-habits';
import { formatScript } from '../script/script-text';
import { type Finding, type FoundOn, findingId, type Harm } from './finding';

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

function modelled(
  field: Field,
  parts: readonly string[],
  finding: Pick<Finding, 'says' | 'harm' | 'why' | 'remedy' | 'evidence'> &
    Partial<Pick<Finding, 'change' | 'details' | 'script' | 'targets' | 'marks'>>,
): Finding {
  return {
    id: findingId(...parts),
    field: { id: field.id, label: field.label },
    change: null,
    details: [],
    script: null,
    targets: [],
    marks: ['modelled'],
    ...finding,
  };
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
        modelled(field, ['guard', 'past', field.id, guardName(guard), guard.stage], {
          says: `${field.label}: “${guardName(guard)}” at the stage ${guard.stage} is got past by ${past.map(({ route }) => route).join(', ')}.`,
          harm: isCaught ? 'person misled' : 'wrong value sent',
          why: isCaught
            ? 'What should have been kept out stands, and is refused only at submission.'
            : 'What should have been kept out stands, and is sent.',
          remedy: better
            ? `Let it act ${better.stage}.`
            : 'Check the same at submission; no stage while typing hears every way in.',
          change: better ? replacing(better) : null,
          details: [`This shows it: ${scriptOf(past[0])}`],
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
        modelled(field, ['guard', 'blocks', field.id, guardName(guard), guard.stage], {
          says:
            swallowed.length > 0
              ? `${field.label}: “${guardName(guard)}” swallows ${swallowed.join(', ')}.`
              : `${field.label}: “${guardName(guard)}” keeps out by ${blocked.map(({ route }) => route).join(', ')} what it should let through.`,
          harm: 'cannot enter a valid value',
          why: 'The person cannot correct, move on, or enter what is valid.',
          remedy: mends ? 'Let the keys for editing and moving pass.' : 'Let it act after input instead.',
          change: mends ? replacing(other) : null,
          details: [`This shows it: ${scriptOf(blocked[0])}`],
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
    const says = `Of “${unheard.key}” the page heard ${unheard.heard.join(', ')}, and no keydown that names it.`;
    return [{ target, name, mark, says: [says] }];
  });
  return { targets, marks: [...new Set(['modelled' as const, ...targets.map(({ mark }) => mark)])] };
}

/** Ways by which a person brings text in; a script is the page's own. */
function gotPast({ cells }: BypassRow): BypassCell[] {
  return cells.filter(({ route, outcome }) => outcome === 'got past' && route !== 'script');
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

function scriptOf(cell: BypassCell | undefined): string {
  return cell ? formatScript(cell.script).trim().split('\n').join(', ') : '';
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
    modelled(field, ['guard', 'blocked', field.id, blocked.value], {
      says: `${field.label}: “${blocked.value}” is valid and cannot be typed: the rule while typing lets “${blocked.beginning}” not stand.`,
      harm: 'cannot enter a valid value',
      why: 'Whoever types it in order never gets to the end.',
      remedy: 'Use the live rule that fits; the part Rule of the Typing view makes it.',
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
    return verdict === sample.expected || verdict === 'not worked out' ? [] : [{ sample, verdict, by }];
  });
  const [first] = others;
  if (!first) return [];
  const harm: Harm = others.some(({ sample }) => sample.expected === 'accepted')
    ? 'cannot enter a valid value'
    : 'wrong value sent';
  return [
    modelled(field, ['samples', field.id], {
      says: `${field.label}: ${others.length} of ${tried.length} samples come out otherwise than expected.`,
      harm,
      why: 'The rules and what the team expects of them do not agree.',
      remedy: 'Mend the rule, or the sample.',
      details: others
        .slice(0, 5)
        .map(
          ({ sample, verdict, by }) =>
            `“${sample.text}” is ${verdict}, ${sample.expected} was expected${by.length > 0 ? `: ${by.join(', ')}` : ''}.`,
        ),
      evidence: 'samples',
    }),
  ];
}
