import { allDifferences } from '../compare/lens';
import { type Field, isButton } from '../html/field';
import type { ProvenanceMark } from '../observation/provenance';
import { markOf } from '../observation/provenance';
import type { Difference } from '../questions/differences';
import { sendingDifferences } from '../questions/submission/differences';
import type { SubmissionFacts } from '../questions/submission/facts';
import { type Answers, answerTo } from '../run/answers';
import type { LineUp } from '../target/line-up';
import type { Target, TargetId } from '../target/target';

/** Of a target and a field, how its answers differ from those of the reference. */
export interface TargetDifferences {
  readonly target: Target;
  readonly mark: ProvenanceMark;
  readonly field: Field;
  readonly differences: readonly Difference[];
}

/**
 * How the answers of each target differ from those of the reference. Pictures are not compared dot by dot, because two
 * targets are never alike in that. What is sent otherwise belongs to the field of that name, the rest to the button.
 *
 * @param unchecked which forms of the page do not validate, see `Control.form`
 * @param hasScripts of a page of the developer's own, of which a model has the markup alone
 */
export function referenceDifferences(
  lineUp: LineUp,
  answers: Answers,
  fields: readonly Field[],
  unchecked: readonly number[],
  hasScripts: boolean,
): TargetDifferences[] {
  const reference = { answers, target: lineUp.reference };
  const isUnchecked = ({ controls: [{ form }] }: Field) => form !== null && unchecked.includes(form);
  return lineUp.targets
    .filter(({ id }) => id !== lineUp.reference)
    .flatMap((target) => {
      const sent = sentDifferences(lineUp.reference, target.id, answers, fields);
      return fields
        .filter(({ kind }) => kind !== 'hidden')
        .map((field) => {
          const own = allDifferences(reference, { answers, target: target.id }, field.id, null);
          const differences = [
            ...own.filter((one) => tells(target, one, { isUnchecked: isUnchecked(field), hasScripts })),
            ...sent.flatMap((one) => (one.field === field ? [one.difference] : [])),
          ];
          return { target, mark: markOf(target), field, differences };
        });
    })
    .filter(({ differences }) => differences.length > 0);
}

/** What a model cannot know, because it draws nothing and opens nothing. */
const seenAlone: readonly Difference['what'][] = [
  'applicable',
  'bubble',
  'marks',
  'opening',
  'parts',
  'picture',
  'readable',
  'size',
  'text',
  'window',
];
/** What nobody is shown where the form does not validate (HTML Standard, "The novalidate attribute"). */
const validationAlone: readonly Difference['what'][] = ['bubble', 'flags', 'message', 'title', 'validation'];

/** Whether a difference is one that a person or a server would notice, and that the target really shows. */
function tells(
  target: Target,
  { what }: Difference,
  { isUnchecked, hasScripts }: { readonly isUnchecked: boolean; readonly hasScripts: boolean },
): boolean {
  if (markOf(target) === 'modelled' && (hasScripts ? what !== 'type' : seenAlone.includes(what)))
    return false;
  return !(isUnchecked && validationAlone.includes(what));
}

/**
 * The targets in which no field that the reference finds wrong is found wrong: they know no constraints, and that is the cause of all that
 * differs by them.
 */
export function targetsWithoutChecks(
  { targets, reference }: LineUp,
  answers: Answers,
  fields: readonly Field[],
): ReadonlySet<TargetId> {
  const faultsIn = (target: TargetId, { id }: Field): number | null => {
    const outcome = answerTo(answers, 'message', target, id)?.outcome;
    return outcome?.status === 'answered' ? outcome.facts.flags.length : null;
  };
  const checked = fields.filter((field) => (faultsIn(reference, field) ?? 0) > 0);
  const findsNone = (target: TargetId) =>
    checked.length > 1 && checked.every((field) => faultsIn(target, field) === 0);
  return new Set(targets.flatMap(({ id }) => (findsNone(id) ? [id] : [])));
}

interface SentDifference {
  readonly field: Field;
  readonly difference: Extract<Difference, { what: 'sent' | 'sending' }>;
}

/** How each button sends otherwise, as the form is at first and filled in; each difference once. The words at a field are compared with its message. */
function sentDifferences(
  reference: TargetId,
  target: TargetId,
  answers: Answers,
  fields: readonly Field[],
): SentDifference[] {
  const told = new Map<string, SentDifference>();
  for (const button of fields.filter(({ kind }) => isButton(kind))) {
    const [base, other] = [reference, target].map((id) => factsOf(answers, id, button));
    if (!base || !other) continue;
    for (const when of ['asIs', 'filled'] as const)
      for (const difference of sendingDifferences(base[when], other[when], fields)) {
        if (difference.what === 'message') continue;
        const named = difference.what === 'entry' ? difference.name : null;
        const field = (named !== null && fields.find(({ name }) => name === named)) || button;
        // What goes out under a name is told of the field, whenever it is pressed.
        const one: SentDifference['difference'] = {
          what: difference.what === 'blocked' || difference.what === 'invalid' ? 'sending' : 'sent',
          when: difference.what === 'entry' ? null : when,
          difference,
        };
        told.set(JSON.stringify([field.id, one]), { field, difference: one });
      }
  }
  return [...told.values()];
}

function factsOf(answers: Answers, target: TargetId, { id }: Field): SubmissionFacts | null {
  const outcome = answerTo(answers, 'submission', target, id)?.outcome;
  return outcome?.status === 'answered' ? outcome.facts : null;
}
