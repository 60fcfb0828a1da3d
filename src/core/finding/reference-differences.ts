import type { Difference } from '../compare/differences';
import { allDifferences } from '../compare/lens';
import { type SendingDifference, sendingDifferences } from '../compare/sending-differences';
import type { Field } from '../form/field';
import { sends } from '../form/sender';
import { type Answers, answerTo } from '../observation/answers';
import type { SubmissionFacts } from '../observation/observation';
import type { ProvenanceMark } from '../observation/provenance';
import { type LineUp, targetName } from '../target/line-up';
import { markOf, type Target, type TargetId } from '../target/target';

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
 */
export function referenceDifferences(
  lineUp: LineUp,
  answers: Answers,
  fields: readonly Field[],
): TargetDifferences[] {
  const than = targetName(lineUp, lineUp.reference);
  const reference = { answers, target: lineUp.reference };
  return lineUp.targets
    .filter(({ id }) => id !== lineUp.reference)
    .flatMap((target) => {
      const sent = sentDifferences(lineUp.reference, target.id, answers, fields, than);
      return fields
        .filter(({ kind }) => kind !== 'hidden')
        .map((field) => {
          const own = allDifferences(reference, { answers, target: target.id }, field.id, {
            than,
            pixels: null,
          });
          const differences = [
            ...own,
            ...sent.filter((one) => one.field === field).map(({ field: _, ...one }) => one),
          ];
          return { target, mark: markOf(target), field, differences };
        });
    })
    .filter(({ differences }) => differences.length > 0);
}

type FieldDifference = Difference & { readonly field: Field };

const whatOf: Readonly<Record<Exclude<SendingDifference['what'], 'message'>, Difference['what']>> = {
  entry: 'sent',
  encoding: 'sent',
  outcome: 'sent',
  blocked: 'sending',
};

/** How each button sends otherwise, as the form is at first and filled in; each difference once. The words at a field are compared with its message. */
function sentDifferences(
  reference: TargetId,
  target: TargetId,
  answers: Answers,
  fields: readonly Field[],
  than: string,
): FieldDifference[] {
  const told = new Map<string, FieldDifference>();
  for (const button of fields.filter(({ kind }) => sends(kind))) {
    const [base, other] = [reference, target].map((id) => factsOf(answers, id, button));
    if (!base || !other) continue;
    for (const when of ['asIs', 'filled'] as const)
      for (const { what, name, text } of sendingDifferences(base[when], other[when], than, fields)) {
        if (what === 'message') continue;
        const field = (name !== null && fields.find((one) => one.name === name)) || button;
        const says = field === button && what !== 'entry' ? `${whens[when]}: ${text}` : text;
        told.set(`${field.id} ${says}`, { what: whatOf[what], text: says, field });
      }
  }
  return [...told.values()];
}

const whens = {
  asIs: 'Pressed while nothing is filled in',
  filled: 'Pressed while all is filled in',
} as const;

function factsOf(answers: Answers, target: TargetId, { id }: Field): SubmissionFacts | null {
  const outcome = answerTo(answers, 'submission', target, id)?.outcome;
  return outcome?.status === 'answered' ? outcome.facts : null;
}
