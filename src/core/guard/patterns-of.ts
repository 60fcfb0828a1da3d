import { appliesTo } from '../html/attribute-registry';
import { attribute, type Field } from '../html/field';
import type { Pattern } from '../regexp/pattern';
import type { Guard } from './guard';

/** The patterns that act on a field: of its own attribute, where its kind goes by one, and of the guards that are on. */
export function patternsOf({ kind, controls: [control] }: Field, guards: readonly Guard[]): Pattern[] {
  const own = appliesTo('pattern', kind) ? attribute(control, 'pattern') : null;
  return [
    ...(own === null ? [] : [{ source: own, match: 'whole' } as const]),
    ...guards.flatMap((guard) =>
      guard.on && guard.kind === 'pattern' ? [{ source: guard.source, match: guard.match }] : [],
    ),
  ];
}
