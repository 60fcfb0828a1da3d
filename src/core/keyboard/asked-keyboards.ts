import type { Field, FieldId } from '../form/field';
import { type Answers, answerTo } from '../observation/answers';
import { type KeyboardFacts, untold } from '../observation/observation';
import type { ProvenanceMark } from '../observation/provenance';
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
  return fields.flatMap(({ id: field }) =>
    targets.flatMap(({ id: target, name }): AskedKeyboard[] => {
      const answer = answerTo(answers, 'keyboard', target, field);
      if (answer?.outcome.status !== 'answered') return [];
      const { layout, tapped } = answer.outcome.facts;
      const { mark } = answer.provenance;
      return [{ field, target, name, mark, layout: layout === untold ? null : layout, tapped }];
    }),
  );
}
