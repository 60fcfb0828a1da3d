import type { FormDocument } from '../document/form-document';
import { type Field, isDated, isDisabled, isTypedText, takesKeys } from '../html/field';
import type { Observation } from '../questions/observation';
import { type Answers, answerTo } from '../run/answers';
import type { LineUp } from '../target/line-up';
import type { TargetId } from '../target/target';
import type { Sight } from './claim';
import { type Evidence, type Finding, type FoundOn, fieldFinding, findingId, type Harm } from './finding';
import type { Proof } from './proof';

interface Sort {
  readonly name: Sight;
  readonly harm: Harm;
  readonly evidence: Evidence;
  /** The answer that shows it, and what in it; null where it is not so. */
  shownBy(answers: Answers, target: TargetId, field: Field): Shown | null;
}

interface Shown {
  readonly answer: Observation;
  readonly proof: Proof;
}

const outOfSight: Sort = {
  name: 'out of sight',
  harm: 'person misled',
  evidence: 'keyboards',
  shownBy(answers, target, { id }) {
    const answer = answerTo(answers, 'keyboard', target, id);
    if (answer?.outcome.status !== 'answered' || answer.outcome.facts.fieldInSight) return null;
    const { before, with: left } = answer.outcome.facts.height;
    if (left >= before) return null;
    return { answer, proof: { code: 'height left', left, before } };
  },
};

const leaving = (question: 'opening' | 'bubble'): Sort => ({
  name: `${question} leaves`,
  harm: 'person misled',
  evidence: 'survey',
  shownBy(answers, target, { id }) {
    const answer = answerTo(answers, question, target, id);
    if (answer?.outcome.status !== 'answered') return null;
    const { leaves } = answer.outcome.facts;
    return leaves.length === 0 ? null : { answer, proof: { code: 'leaves window', sides: leaves } };
  },
});

const unreachable: Sort = {
  name: 'not by keyboard',
  harm: 'cannot enter a valid value',
  evidence: 'survey',
  shownBy(answers, target, field) {
    if (!takesKeys(field.kind) || field.controls.every(isDisabled)) return null;
    const [closed, focused] = looksOf(answers, target, field);
    if (closed?.outcome.status !== 'answered' || focused?.outcome.status !== 'inapplicable') return null;
    if (focused.outcome.reason.code !== 'no focus') return null;
    return { answer: focused, proof: { code: 'takes no focus' } };
  },
};

/** In what is typed into, the caret shows the focus, or the part that is typed. */
const noFocusShown: Sort = {
  name: 'focus not shown',
  harm: 'person misled',
  evidence: 'survey',
  shownBy(answers, target, field) {
    if (!takesKeys(field.kind) || isTypedText(field.kind) || isDated(field.kind)) return null;
    const [, focused] = looksOf(answers, target, field);
    if (focused?.outcome.status !== 'answered' || !focused.outcome.facts.focusUnseen) return null;
    return { answer: focused, proof: { code: 'focus unseen' } };
  },
};

function looksOf(answers: Answers, target: TargetId, { id }: Field) {
  return (['closed', 'focused'] as const).map((state) => answerTo(answers, 'look', target, id, state));
}

/** Where a field stands in the window is the author's doing in a page of their own alone. */
const inOwnPage: readonly Sort[] = [leaving('opening'), leaving('bubble')];

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
        return [{ target: id, name, mark: found.answer.provenance.mark, proofs: [found.proof] }];
      });
      if (targets.length === 0) return [];
      return [
        fieldFinding(field, {
          id: findingId('seen', sort.name, field.id),
          claim: { code: 'seen', sight: sort.name },
          harm: sort.harm,
          targets,
          evidence: sort.evidence,
        }),
      ];
    }),
  );
}
