import type { Guard } from '../guard/guard';
import { attribute, type Field } from '../html/field';
import type { Pattern } from '../regexp/pattern';

/** The pattern that is edited: the field's own attribute, or a guard by its id. */
export type EditedRule = { readonly of: 'field' } | { readonly of: 'guard'; readonly id: string };

/** Kinds whose value is held against a pattern (HTML Standard, "The pattern attribute"). */
const patternKinds: readonly Field['kind'][] = ['text', 'search', 'tel', 'url', 'email', 'password'];

/** All patterns of a field that can be edited; its own comes first, whether it has one or may have one. */
export function editedRules(field: Field, guards: readonly Guard[]): EditedRule[] {
  return [
    ...(patternKinds.includes(field.kind) ? [{ of: 'field' } as const] : []),
    ...guards.flatMap((guard) => (guard.kind === 'pattern' ? [{ of: 'guard', id: guard.id } as const] : [])),
  ];
}

/** Null where there is no such guard. A field without a pattern has one that accepts everything. */
export function editedPattern(field: Field, guards: readonly Guard[], edited: EditedRule): Pattern | null {
  if (edited.of === 'field')
    return { source: attribute(field.controls[0], 'pattern') ?? '[^]*', match: 'whole' };
  const guard = guards.find(({ id }) => id === edited.id);
  return guard?.kind === 'pattern' ? { source: guard.source, match: guard.match } : null;
}
