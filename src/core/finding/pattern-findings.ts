import type { Guard } from '../guard/guard';
import { patternsOf } from '../guard/patterns-of';
import { attributeEdits } from '../html/edit-markup';
import { attribute, type Field } from '../html/field';
import { patternWarnings, type WarningSort } from '../pattern/pattern-warnings';
import { slowPattern } from '../pattern/slow-pattern';
import { type Finding, fieldFinding, findingId } from './finding';

/** Kinds of warnings that the rules about markup do not have. */
const ofPatternsAlone: readonly WarningSort[] = [
  'dot takes anything',
  'A to z',
  'digits of other scripts',
  'never matches',
];

/** What the patterns of a field say otherwise than their author meant, and what a matcher does not get through. */
export function patternFindings(markup: string, field: Field, guards: readonly Guard[]): Finding[] {
  return [...meantOtherwise(markup, field), ...slowFinding(field, guards)];
}

function slowFinding(field: Field, guards: readonly Guard[]): Finding[] {
  return patternsOf(field, guards).flatMap((pattern): Finding[] => {
    const slow = slowPattern(field, pattern);
    if (!slow) return [];
    return [
      fieldFinding(field, {
        id: findingId('slow pattern', field.id, pattern.source),
        claim: { code: 'slow pattern', ...slow },
        harm: slow.isForGood ? 'value lost' : 'person misled',
        evidence: 'rule',
      }),
    ];
  });
}

function meantOtherwise(markup: string, field: Field): Finding[] {
  const [control] = field.controls;
  const source = attribute(control, 'pattern');
  if (source === null) return [];
  return patternWarnings({ source, match: 'whole' })
    .filter(({ sort }) => ofPatternsAlone.includes(sort))
    .map((warning) => {
      const { sort, remedy } = warning;
      return fieldFinding(field, {
        id: findingId('pattern', sort, field.id, source),
        claim: { code: 'pattern warning', warning },
        harm: sort === 'never matches' ? 'cannot enter a valid value' : 'wrong value sent',
        change:
          remedy === null
            ? null
            : { kind: 'markup', edits: attributeEdits(markup, control, { pattern: remedy }) },
        evidence: 'rule',
      });
    });
}
