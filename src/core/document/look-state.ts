import type { FieldKind } from '../html/field';

export const lookStates = [
  'closed',
  'focused',
  'filled',
  'invalid',
  'disabled',
  'optimal',
  'suboptimal',
  'poor',
  'indeterminate',
] as const;
/**
 * *invalid* is after an attempt to send. *optimal*, *suboptimal* and *poor* are a meter with its value in each of the
 * three regions that it has (HTML Standard, "The meter element"); *indeterminate* is a progress without a value.
 */
export type LookState = (typeof lookStates)[number];

const fieldStates = ['closed', 'focused', 'filled', 'invalid', 'disabled'] as const;
const meterStates = ['closed', 'optimal', 'suboptimal', 'poor'] as const;
const progressStates = ['closed', 'filled', 'indeterminate'] as const;

/** No constraint is checked of it, and what it is like when it is disabled its own scripts decide. */
const widgetStates = ['closed', 'focused', 'filled'] as const;

/** The states in which a kind of field can be seen. */
export function statesOf(kind: FieldKind): readonly LookState[] {
  if (kind === 'meter') return meterStates;
  if (kind === 'progress') return progressStates;
  if (kind === 'widget') return widgetStates;
  return kind === 'output' ? ['closed'] : fieldStates;
}
