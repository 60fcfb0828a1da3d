import { attributeEdits } from '../form/edit-markup';
import { attribute, type Field } from '../form/field';
import type { Guard } from '../guard/guard';
import { patternsOf } from '../guard/patterns-of';
import { doublingSteps, mostSteps } from '../pattern/blow-up';
import { patternWarnings } from '../pattern/pattern-warnings';
import { slowText } from '../pattern/slow-text';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { type Finding, findingId } from './finding';

/** Kinds of warnings that the rules about markup do not have. */
const ofPatternsAlone = ['dot takes anything', 'A to z', 'digits of other scripts', 'never matches'];

/** What the patterns of a field say otherwise than their author meant, and what a matcher does not get through. */
export function patternFindings(markup: string, field: Field, guards: readonly Guard[]): Finding[] {
  return [...meantOtherwise(markup, field), ...slowFinding(field, guards)];
}

/** A text over which the page stands still. */
function slowFinding(field: Field, guards: readonly Guard[]): Finding[] {
  const [control] = field.controls;
  const most = parseNonNegativeInteger(attribute(control, 'maxlength')) ?? Number.POSITIVE_INFINITY;
  return patternsOf(field, guards).flatMap(({ source }): Finding[] => {
    const found = doublingSteps(source, most);
    if (!found) return [];
    const { text, steps } = found;
    return [
      {
        id: findingId('slow pattern', field.id, source),
        field: { id: field.id, label: field.label },
        says: `${field.label}: a matcher takes ever longer over “${slowText(text, 8)}”, the longer the worse.`,
        harm: 'value lost',
        why: 'The page stands still while it is checked, and what was filled in goes with it.',
        remedy:
          'Let one part alone take each character: no repetition in a repetition, no two ways for one text.',
        change: null,
        details: steps
          .slice(-3)
          .map(
            ([times, count]) =>
              `With “${text.again}” ${times} times: ${count.toLocaleString('en-GB')} steps${count >= mostSteps ? ' and more' : ''}.`,
          ),
        script: null,
        targets: [],
        marks: ['modelled'],
        evidence: 'rule',
      },
    ];
  });
}

function meantOtherwise(markup: string, field: Field): Finding[] {
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
