import type { Guard } from '../guard/guard';
import { holds, mayStand } from '../guard/rule';
import type { Field } from '../html/field';
import type { PageControls } from '../html/page-controls';
import type { Habits } from '../model/deviations/habits';
import { typeScript } from '../model/type-script';
import {
  type BypassCell,
  type BypassOutcome,
  type BypassRow,
  type Route,
  routes,
} from '../questions/restriction/facts';
import type { TypingFacts } from '../questions/typing/facts';
import { graphemes } from '../script/graphemes';
import type { Script, Stroke } from '../script/stroke';

/** Which habits a way is tried with. */
export type HabitsByRoute = (route: Route) => Pick<Habits, 'deviations' | 'typing'>;

/** Texts that rules of all kinds object to, short ones first. */
const objectionable = [
  'x',
  'X',
  '1',
  ' ',
  '-',
  '.',
  '😀',
  'é',
  '\u00a0',
  'xx',
  '9999',
  '-9999',
  '1.23456789',
  'xxxxxxxxxxxx',
  '31.02.2026',
  '79927398714',
];

/** Tries every guard on every way. @param texts the person's own samples, which are tried first */
export function bypassTable(
  field: Field,
  guards: readonly Guard[],
  texts: readonly string[],
  habitsFor: HabitsByRoute,
  page: PageControls,
  now: Date,
): BypassRow[] {
  const tried = [...texts, ...objectionable].filter((text) => text !== '' && text.length <= 400);
  return guards.map((guard) => {
    const alone = { ...guard, on: true };
    const bad = shortest([...tried, ...tooLongFor(guard)].filter((text) => objects(alone, text)));
    const good = shortest(tried.filter((text) => holds(alone, text)));
    return {
      guard,
      cells: routes.map((route) => {
        const run = (script: Script) =>
          typeScript(field, script, [alone], { ...habitsFor(route), now }, page);
        const free = (script: Script) => typeScript(field, script, [], { ...habitsFor(route), now }, page);
        return bad === null ? notTried(route) : tryRoute({ route, guard: alone, bad, good, run, free });
      }),
    };
  });
}

/** A rule at submission wants a whole text; one that acts while typing lets its beginnings stand. */
function objects(guard: Guard, text: string): boolean {
  const live = guard.stage === 'key' || guard.stage === 'before insert' || guard.stage === 'after input';
  return live ? !mayStand(guard, text) : !holds(guard, text);
}

function tooLongFor(guard: Guard): string[] {
  return guard.kind === 'length' ? ['x'.repeat(guard.most + 1)] : [];
}

function shortest(texts: readonly string[]): string | null {
  return texts.reduce<string | null>(
    (best, text) => (best === null || text.length < best.length ? text : best),
    null,
  );
}

function notTried(route: Route): BypassCell {
  return { route, outcome: 'not tried', script: [], text: '', swallowed: [] };
}

interface Trial {
  readonly route: Route;
  readonly guard: Guard;
  readonly bad: string;
  readonly good: string | null;
  readonly run: (script: Script) => TypingFacts;
  readonly free: (script: Script) => TypingFacts;
}

function tryRoute({ route, guard, bad, good, run, free }: Trial): BypassCell {
  const swallowed = route === 'hardware keys' ? swallowedKeys(run, free) : [];
  const script: Script = [...strokesFor(route, bad), { kind: 'leave' }];
  const before = textAfter(free(script));
  // Where the target itself keeps the text out, the guard was never asked.
  if (before === '' || !objects(guard, before))
    return { ...notTried(route), script, text: before, swallowed };
  const text = textAfter(run(script));
  if (swallowed.length > 0)
    return { route, outcome: 'blocked too much', script: keysOnly(swallowed), text, swallowed };
  const bring = good === null ? null : strokesFor(route, good);
  if (bring && textAfter(free(bring)) === good && textAfter(run(bring)) !== good)
    return { route, outcome: 'blocked too much', script: bring, text: textAfter(run(bring)), swallowed };
  return {
    route,
    outcome: outcomeOf(guard, before, text, () => stopsSending(run, script)),
    script,
    text,
    swallowed,
  };
}

function outcomeOf(guard: Guard, before: string, text: string, stops: () => boolean): BypassOutcome {
  if (guard.stage === 'on submission' || guard.remedy === 'refuse') return stops() ? 'held' : 'bypassed';
  if (objects(guard, text)) return 'bypassed';
  return text === '' ? 'held' : text === before ? 'bypassed' : 'rewritten';
}

/** At submission a guard refuses what it does not let stand, however it came in. */
function stopsSending(run: Trial['run'], script: Script): boolean {
  const bring = script.filter(({ kind }) => kind !== 'leave');
  const { steps } = run([...bring, { kind: 'submit' }]);
  const sent = steps.at(-1)?.events.find(({ type }) => type === 'submit');
  return sent === undefined || sent.prevented;
}

function strokesFor(route: Route, text: string): Script {
  switch (route) {
    case 'hardware keys':
      return graphemes(text).map((key): Stroke => ({ kind: 'key', key }));
    case 'soft keys':
      return graphemes(text).map((key): Stroke => ({ kind: 'text', route: 'soft keys', text: key }));
    case 'composition':
      return [{ kind: 'composition', texts: [text] }];
    default:
      return [{ kind: 'text', route, text }];
  }
}

function textAfter({ steps }: TypingFacts): string {
  return steps.at(-1)?.text ?? '';
}

/** Keys that a person needs whatever the rule is about. */
const neededKeys: readonly Stroke[] = [
  { kind: 'key', key: 'Backspace' },
  { kind: 'key', key: 'Delete' },
  { kind: 'key', key: 'Enter' },
  { kind: 'key', key: 'Tab' },
  { kind: 'key', key: 'ArrowLeft' },
  { kind: 'key', key: 'Home' },
  { kind: 'key', key: 'a', modifiers: ['Control'] },
];

function swallowedKeys(run: Trial['run'], free: Trial['free']): string[] {
  return neededKeys.flatMap((stroke) => {
    if (stroke.kind !== 'key') return [];
    const prevented = (facts: TypingFacts) =>
      facts.steps.some(({ events }) => events.some(({ type, prevented }) => type === 'keydown' && prevented));
    if (!prevented(run([stroke])) || prevented(free([stroke]))) return [];
    return [stroke.modifiers ? 'Select all' : stroke.key];
  });
}

function keysOnly(swallowed: readonly string[]): Script {
  const [first] = swallowed;
  return neededKeys.filter(
    (stroke) => stroke.kind === 'key' && (stroke.modifiers ? 'Select all' : stroke.key) === first,
  );
}
