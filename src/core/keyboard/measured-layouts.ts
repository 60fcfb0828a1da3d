import type { Field, FieldId } from '../form/field';
import { type Answers, answerTo } from '../observation/answers';
import { untold } from '../observation/observation';
import type { LineUp } from '../target/line-up';
import type { TargetId } from '../target/target';

/** A layout of the real keyboard that came up for a field. */
export interface MeasuredLayout {
  readonly field: FieldId;
  readonly target: TargetId;
  /** The target's, as a person knows it. */
  readonly name: string;
  /** By the keyboard's own name: `number/us`. */
  readonly layout: string;
}

/** The layouts that came up when targets of a line-up were asked; a device tells of none. */
export function measuredLayouts(
  { targets }: Pick<LineUp, 'targets'>,
  answers: Answers,
  fields: readonly Pick<Field, 'id'>[],
): MeasuredLayout[] {
  return fields.flatMap(({ id: field }) =>
    targets.flatMap(({ id: target, name }): MeasuredLayout[] => {
      const outcome = answerTo(answers, 'keyboard', target, field)?.outcome;
      const layout = outcome?.status === 'answered' ? outcome.facts.layout : null;
      return layout === null || layout === untold ? [] : [{ field, target, name, layout }];
    }),
  );
}
