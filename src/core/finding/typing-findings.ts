import { attribute, type Field, type FieldKind, hasAttribute, isTypedText } from '../html/field';
import type { Purpose } from '../purpose/purpose';
import { purposeOf } from '../purpose/purpose-of';
import type { TypingFacts, TypingObservation, TypingStep } from '../questions/typing/facts';
import { type Answers, answerTo } from '../run/answers';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { readPattern } from '../standard/pattern-attribute';
import type { LineUp } from '../target/line-up';
import type { TypingEffect } from './claim';
import { type Finding, type FoundOn, fieldFinding, findingId, type Harm } from './finding';
import type { Proof } from './proof';

/** Longest that listeners may take over one event before a person feels it, ms. */
export const longestListening = 50;

interface Sort {
  readonly name: TypingEffect;
  readonly harm: Harm;
  /** What shows it; null where it is not so. */
  shownBy(facts: TypingFacts, field: Field): Proof | null;
}

/** What scripts of a page do to whoever types, as it was measured stroke by stroke. */
const sorts: readonly Sort[] = [
  { name: 'caret', harm: 'person misled', shownBy: caretJump },
  { name: 'keys', harm: 'cannot enter a valid value', shownBy: swallowedKey },
  { name: 'kept out', harm: 'value lost', shownBy: keptOut },
  { name: 'slow', harm: 'person misled', shownBy: slowEvent },
  { name: 'unsteady', harm: 'cosmetic', shownBy: unsteady },
];

export function typingFindings(lineUp: LineUp, answers: Answers, fields: readonly Field[]): Finding[] {
  return fields
    .filter(({ kind }) => isTypedText(kind))
    .flatMap((field) =>
      sorts.flatMap((sort): Finding[] => {
        const shown = lineUp.targets.flatMap(({ id, name }) => {
          const observation = answerTo(answers, 'typing', id, field.id);
          const by =
            observation && observation.provenance.mark !== 'modelled'
              ? shownIn(sort, observation, field)
              : null;
          return by && observation
            ? [{ target: id, name, mark: observation.provenance.mark, by, observation }]
            : [];
        });
        const [first] = shown;
        if (first?.observation.outcome.status !== 'answered') return [];
        const { script } = first.observation.outcome.facts;
        const targets = shown.map(
          ({ target, name, mark, by }): FoundOn => ({ target, name, mark, proofs: [by] }),
        );
        return [
          fieldFinding(field, {
            id: findingId('typing', sort.name, field.id),
            claim: { code: 'typed', effect: sort.name },
            harm: sort.harm,
            script,
            targets,
            evidence: 'strokes',
          }),
        ];
      }),
    );
}

function shownIn(sort: Sort, { outcome }: TypingObservation, field: Field): Proof | null {
  return outcome.status === 'answered' ? sort.shownBy(outcome.facts, field) : null;
}

function unsteady({ rounds }: TypingFacts): Proof | null {
  return rounds && rounds.alike < rounds.asked ? { code: 'rounds', ...rounds } : null;
}

/** A character came in before something, and the caret is behind that. */
function caretJump({ script, steps, followed }: TypingFacts): Proof | null {
  if (followed) return null;
  for (const [index, step] of steps.entries()) {
    const before = steps[index - 1];
    const stroke = script[index];
    const brings = stroke?.kind === 'text' || (stroke?.kind === 'key' && [...stroke.key].length === 1);
    if (!before || !brings || before.caret.start !== before.caret.end) continue;
    const isJump =
      step.text !== before.text &&
      isBehind(signsOf(before.text.slice(before.caret.end)), signsOf(step.text)) &&
      step.caret.start === step.text.length;
    if (isJump)
      return {
        code: 'caret jump',
        before: before.text,
        after: step.text,
        from: before.caret.end,
        to: step.caret.start,
      };
  }
  return null;
}

/** Nobody types into a field that only opens what is chosen from; its keys go there (WAI-ARIA, "combobox", "aria-haspopup"). */
function opensPicker({ controls: [control] }: Field): boolean {
  const opens = attribute(control, 'aria-haspopup') ?? 'false';
  return hasAttribute(control, 'readonly') || attribute(control, 'role') === 'combobox' || opens !== 'false';
}

const isBehind = (rest: string, text: string) => rest !== '' && text.endsWith(rest);

/** Letters and digits: what stands between them a mask puts where it wants, and the caret behind it. */
const signsOf = (text: string) => text.replace(/[^\p{L}\p{N}]/gu, '');

const needed = ['Backspace', 'Delete', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'Tab'];

function swallowedKey({ script, steps, guards }: TypingFacts, field: Field): Proof | null {
  // Guards are Ukko's own, and found by what is known of them.
  if (guards.length > 0 || opensPicker(field)) return null;
  const swallowed = steps.flatMap((step, index) => {
    // A script may do by itself what the key would have done.
    if (!hasLeftAll(steps[index - 1], step)) return [];
    const { events } = step;
    const stroke = script[index];
    return events.flatMap(({ type, key, prevented }) => {
      if (type !== 'keydown' || !prevented || key === null) return [];
      // The key of an editing command brings no character in, with the modifier that is held.
      if (stroke?.kind === 'command' && [...key].length === 1) return [stroke.command];
      return needed.includes(key) ? [key] : [];
    });
  });
  const keys = [...new Set(swallowed)];
  return keys.length === 0 ? null : { code: 'keys did nothing', keys };
}

/** Whether there was something that a key could have done something to, and nothing of it was. */
function hasLeftAll(before: TypingStep | undefined, { text, caret }: TypingStep): boolean {
  if (!before || before.text === '') return false;
  return text === before.text && caret.start === before.caret.start && caret.end === before.caret.end;
}

/** Purposes whose texts are the same with signs between their groups or without. */
const inGroups: readonly Purpose[] = ['phone', 'card', 'iban', 'postcode', 'date', 'money'];

/** A value that the constraints accept was typed key by key, and less came in. */
function keptOut({ script, steps, guards }: TypingFacts, field: Field): Proof | null {
  if (guards.length > 0 || opensPicker(field)) return null;
  const end = script.findIndex((stroke) => stroke.kind !== 'key' || [...stroke.key].length !== 1);
  const keys = script
    .slice(0, end === -1 ? script.length : end)
    .flatMap((stroke) => (stroke.kind === 'key' ? [stroke.key] : []));
  const last = steps[keys.length - 1];
  const typed = keys.join('');
  const isGrouped = inGroups.some((one) => one === purposeOf(field)?.purpose);
  if (!last || !isAccepted(field, typed)) return null;
  const lost = [...new Set(keys.filter((_, index) => isTakenOut(steps, index)))].filter(
    (key) => countOf(key, last.text) < countOf(key, typed) && !(isGrouped && /[\s()./-]/.test(key)),
  );
  if (lost.length === 0) return null;
  return { code: 'characters kept out', characters: lost, typed, became: last.text };
}

/** Kinds whose text is ruled by pattern and lengths alone. */
const freeText: readonly FieldKind[] = ['text', 'search', 'tel', 'password', 'textarea'];

function isAccepted({ kind, controls: [control] }: Field, text: string): boolean {
  if (!freeText.includes(kind)) return false;
  const length = (name: string) => parseNonNegativeInteger(attribute(control, name));
  const pattern = kind === 'textarea' ? null : attribute(control, 'pattern');
  const reading = pattern === null ? null : readPattern(pattern);
  return (
    text.length >= (length('minlength') ?? 0) &&
    text.length <= (length('maxlength') ?? Number.POSITIVE_INFINITY) &&
    (reading?.status !== 'compiled' || reading.matches(text))
  );
}

/** A listener kept the key from doing anything, or took away what it did. */
function isTakenOut(steps: TypingFacts['steps'], index: number): boolean {
  const step = steps[index];
  if (!step || step.text !== (steps[index - 1]?.text ?? '')) return false;
  return step.events.some(({ type, prevented }) => prevented || type === 'input');
}

function countOf(key: string, text: string): number {
  return text.toLowerCase().split(key.toLowerCase()).length - 1;
}

function slowEvent({ steps }: TypingFacts): Proof | null {
  const slow = steps.flatMap(({ events }) => events.filter(({ took }) => (took ?? 0) > longestListening));
  const [first] = slow.sort((a, b) => (b.took ?? 0) - (a.took ?? 0));
  return first ? { code: 'slow listener', event: first.type, took: first.took ?? 0 } : null;
}
