import type { Guard } from '../guard/guard';
import { patternsOf } from '../guard/patterns-of';
import { attributeEdits } from '../html/edit-markup';
import { attribute, type Field } from '../html/field';
import { patternWarnings, type WarningSort } from '../pattern/pattern-warnings';
import { growthOfSteps, mostSteps, type StepGrowth } from '../pattern/step-growth';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
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

/** A text over which the page stands still. */
function slowFinding(field: Field, guards: readonly Guard[]): Finding[] {
  const [control] = field.controls;
  const most = parseNonNegativeInteger(attribute(control, 'maxlength')) ?? Number.POSITIVE_INFINITY;
  return patternsOf(field, guards).flatMap(({ source }): Finding[] => {
    const found = growthOfSteps(source, most);
    if (!found) return [];
    const worst = stepsOver(found, Math.min(most, longestEntered));
    if (worst < feltSteps) return [];
    const isForGood = worst >= endlessSteps;
    const steps = found.steps
      .slice(-3)
      .map(([times, count]) => ({ times, steps: count, isMore: count >= mostSteps }));
    return [
      fieldFinding(field, {
        id: findingId('slow pattern', field.id, source),
        claim: { code: 'slow pattern', text: found.text, steps, grows: found.grows, isForGood },
        harm: isForGood ? 'value lost' : 'person misled',
        evidence: 'rule',
      }),
    ];
  });
}

/** Longest text that people put into a field that says no limit, UTF-16 code units. */
const longestEntered = 2000;
/** A matcher takes about a tenth of a second over so many steps, and minutes over so many. */
const [feltSteps, endlessSteps] = [10_000_000, 10_000_000_000];

/** Steps over a text of a length, reckoned from those that were counted; what doubles has no end. */
function stepsOver({ grows, steps, text }: StepGrowth, length: number): number {
  if (grows.by === 'doubling') return Number.POSITIVE_INFINITY;
  const [times, count] = steps.at(-1) ?? [1, 0];
  return count * (length / (times * text.again.length)) ** grows.power;
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
