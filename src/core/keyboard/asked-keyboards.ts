import type { Field, FieldId } from '../html/field';
import type { ProvenanceMark } from '../observation/provenance';
import { type KeyboardFacts, untold } from '../questions/keyboard/facts';
import { type Answers, answerTo } from '../run/answers';
import type { LineUp } from '../target/line-up';
import type { TargetId } from '../target/target';

/** A keyboard that came up for a field where somebody tapped it, or an engine had it tapped. */
export interface AskedKeyboard {
  readonly field: FieldId;
  readonly target: TargetId;
  /** The target's, as a person knows it. */
  readonly name: string;
  readonly mark: ProvenanceMark;
  /** By the keyboard's own name: `number/us`. Null where none came up, and on a device, which tells of none. */
  readonly layout: string | null;
  readonly tapped: KeyboardFacts['tapped'];
}

/** The keyboards of a line-up's targets that were asked about fields. */
export function askedKeyboards(
  { targets }: Pick<LineUp, 'targets'>,
  answers: Answers,
  fields: readonly Pick<Field, 'id'>[],
): AskedKeyboard[] {
  // Few targets are asked this of all, and looking for an answer that is not there takes the longest.
  const told = new Set<TargetId>();
  for (const { question, target } of answers.values()) if (question === 'keyboard') told.add(target);
  const asked = targets.filter(({ id }) => told.has(id));
  return fields.flatMap(({ id: field }) =>
    asked.flatMap(({ id: target, name }): AskedKeyboard[] => {
      const answer = answerTo(answers, 'keyboard', target, field);
      if (answer?.outcome.status !== 'answered') return [];
      const { layout, tapped } = answer.outcome.facts;
      const { mark } = answer.provenance;
      return [{ field, target, name, mark, layout: layout === untold ? null : layout, tapped }];
    }),
  );
}
