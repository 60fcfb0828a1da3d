import type { MarkupFault } from '../fault/page-under-check';
import type { FieldId } from '../html/field';
import { faultWords } from './fault-words';

/** What is told of a fault where the markup is read: what is wrong, and what to do about it. */
export interface ToldFault extends Pick<MarkupFault, 'span' | 'line' | 'column'> {
  readonly field: FieldId | null;
  readonly text: string;
  readonly remedy: string;
}

export function toldFault({ fault, field, span, line, column }: MarkupFault): ToldFault {
  const { says, remedy } = faultWords(fault, field);
  return { field: field?.id ?? null, text: says, remedy, span, line, column };
}
