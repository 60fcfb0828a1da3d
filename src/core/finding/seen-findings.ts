import { type Field, isDated, isDisabled, isTypedText, takesKeys } from '../form/field';
import type { FormDocument } from '../form/form-document';
import { type Answers, answerTo } from '../observation/answers';
import { type Observation, takesNoFocus } from '../observation/observation';
import type { LineUp } from '../target/line-up';
import type { TargetId } from '../target/target';
import { type Evidence, type FaultSort, type Finding, type FoundOn, faultFinding } from './finding';

interface Sort extends FaultSort {
  readonly evidence: Evidence;
  /** The answer that shows it, and how, in words; null where it is not so. */
  shownBy(answers: Answers, target: TargetId, field: Field): Shown | null;
}

interface Shown {
  readonly answer: Observation;
  readonly says: string;
}

const outOfSight: Sort = {
  name: 'out of sight',
  harm: 'person misled',
  says: 'the field is out of sight once the keyboard is up',
  why: 'Whoever types does not see what.',
  remedy: 'Let the page scroll the field into what the keyboard leaves, and put nothing fixed over it.',
  evidence: 'keyboards',
  shownBy(answers, target, { id }) {
    const answer = answerTo(answers, 'keyboard', target, id);
    if (answer?.outcome.status !== 'answered' || answer.outcome.facts.fieldInSight) return null;
    const { before, with: left } = answer.outcome.facts.height;
    if (left >= before) return null;
    return { answer, says: `The keyboard leaves ${left} of ${before} px, and the field is not in them.` };
  },
};

const leaving = (question: 'opening' | 'bubble', what: string): Sort => ({
  name: `${question} leaves`,
  harm: 'person misled',
  says: `${what} reaches past the window`,
  why: 'Part of it cannot be seen or reached.',
  remedy: 'Keep the field away from the edge of the window, or let the page scroll there.',
  evidence: 'survey',
  shownBy(answers, target, { id }) {
    const answer = answerTo(answers, question, target, id);
    if (answer?.outcome.status !== 'answered') return null;
    const { leaves } = answer.outcome.facts;
    return leaves.length === 0
      ? null
      : { answer, says: `It leaves the window at the ${leaves.join(' and the ')}.` };
  },
});

const unreachable: Sort = {
  name: 'not by keyboard',
  harm: 'cannot enter a valid value',
  says: 'it cannot be reached by keyboard',
  why: 'Whoever goes by keyboard, or has the page read out, passes it by.',
  remedy:
    'Take it out of sight without taking it away: with opacity or a clip, not with display: none or visibility: hidden.',
  evidence: 'survey',
  shownBy(answers, target, field) {
    if (!takesKeys(field.kind) || field.controls.every(isDisabled)) return null;
    const [closed, focused] = looksOf(answers, target, field);
    if (closed?.outcome.status !== 'answered' || focused?.outcome.status !== 'inapplicable') return null;
    if (focused.outcome.reason !== takesNoFocus) return null;
    return { answer: focused, says: 'It does not take the focus.' };
  },
};

/** In what is typed into, the caret shows the focus, or the part that is typed. */
const noFocusShown: Sort = {
  name: 'focus not shown',
  harm: 'person misled',
  says: 'nothing shows that it has the focus',
  why: 'Whoever goes by keyboard does not see where they are.',
  remedy:
    'Draw an outline with :focus-visible; where the control itself is out of sight, at what stands for it.',
  evidence: 'survey',
  shownBy(answers, target, field) {
    if (!takesKeys(field.kind) || isTypedText(field.kind) || isDated(field.kind)) return null;
    const [, focused] = looksOf(answers, target, field);
    if (focused?.outcome.status !== 'answered' || !focused.outcome.facts.focusUnseen) return null;
    return {
      answer: focused,
      says: 'It looks the same with the focus and without, and so does what is near.',
    };
  },
};

function looksOf(answers: Answers, target: TargetId, { id }: Field) {
  return (['closed', 'focused'] as const).map((state) => answerTo(answers, 'look', target, id, state));
}

/** Where a field stands in the window is the author's doing in a page of their own alone. */
const inOwnPage: readonly Sort[] = [leaving('opening', 'what opens'), leaving('bubble', 'its message')];

/** Faults that an engine or a device showed by itself, whatever the others do. */
export function seenFindings(
  { page }: Pick<FormDocument, 'page'>,
  lineUp: LineUp,
  answers: Answers,
  fields: readonly Field[],
): Finding[] {
  const sorts = [outOfSight, unreachable, noFocusShown, ...(page ? inOwnPage : [])];
  return fields.flatMap((field) =>
    sorts.flatMap((sort): Finding[] => {
      const targets = lineUp.targets.flatMap(({ id, name }): FoundOn[] => {
        const found = sort.shownBy(answers, id, field);
        if (!found || found.answer.provenance.mark === 'modelled') return [];
        return [{ target: id, name, mark: found.answer.provenance.mark, says: [found.says] }];
      });
      if (targets.length === 0) return [];
      return [
        faultFinding('seen', sort, field, targets, { details: [], script: null, evidence: sort.evidence }),
      ];
    }),
  );
}
