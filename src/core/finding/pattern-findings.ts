import { attributeEdits } from '../form/edit-markup';
import { attribute, type Field } from '../form/field';
import { patternWarnings } from '../pattern/pattern-warnings';
import { type Finding, findingId } from './finding';

/** Kinds of warnings that the rules about markup do not have. */
const ofPatternsAlone = ['dot takes anything', 'A to z', 'digits of other scripts', 'never matches'];

/** What a field's pattern says otherwise than its author meant. */
export function patternFindings(markup: string, field: Field): Finding[] {
  const [control] = field.controls;
  const source = attribute(control, 'pattern');
  if (source === null) return [];
  return patternWarnings({ source, match: 'whole' })
    .filter(({ sort }) => ofPatternsAlone.includes(sort))
    .map(
      ({ sort, says, witness, remedy }): Finding => ({
        id: findingId('pattern', sort, field.id, source),
        field: { id: field.id, label: field.label },
        says: `${field.label}: ${says}${witness ? ` It accepts “${witness}”.` : ''}`,
        harm: sort === 'never matches' ? 'cannot enter a valid value' : 'wrong value sent',
        why: 'The rule means something else than it seems to.',
        remedy: remedy === null ? null : `Write pattern="${remedy}".`,
        change:
          remedy === null
            ? null
            : { kind: 'markup', edits: attributeEdits(markup, control, { pattern: remedy }) },
        details: [],
        script: null,
        targets: [],
        marks: ['modelled'],
        evidence: 'rule',
      }),
    );
}
