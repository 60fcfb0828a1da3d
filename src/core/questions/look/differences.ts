import type { Sides } from '../../observation/sides';
import type { Size } from '../../observation/size';
import type { LookFacts, StyleMark } from './facts';

export type LookDifference =
  | Sides<'type' | 'value' | 'text', string>
  | Sides<'size', Size>
  | Sides<'marks', readonly StyleMark[]>;

/** Sizes of the same control in two engines differ by a few CSS px for fonts alone; more than this counts. */
export const sizeTolerance = 4;

export function lookDifferences(reference: LookFacts, other: LookFacts): LookDifference[] {
  const found: LookDifference[] = [];
  if (reference.typeReflected !== other.typeReflected)
    found.push({ what: 'type', here: other.typeReflected, there: reference.typeReflected });
  if (reference.size && other.size && isOtherSize(reference.size, other.size))
    found.push({ what: 'size', here: other.size, there: reference.size });
  if (reference.value !== other.value)
    found.push({ what: 'value', here: other.value, there: reference.value });
  if (
    reference.textShown !== null &&
    other.textShown !== null &&
    reference.textShown !== other.textShown &&
    reference.value === other.value
  )
    found.push({ what: 'text', here: other.textShown, there: reference.textShown });
  const [marks, otherMarks] = [reference.marks, other.marks];
  if (marks && otherMarks && textOfMarks(marks) !== textOfMarks(otherMarks))
    found.push({ what: 'marks', here: otherMarks, there: marks });
  return found;
}

function textOfMarks(marks: readonly StyleMark[]): string {
  return JSON.stringify(marks.map(({ by, text }) => [by, text]));
}

function isOtherSize(a: Size, b: Size): boolean {
  return Math.abs(a.width - b.width) > sizeTolerance || Math.abs(a.height - b.height) > sizeTolerance;
}
