import type { FormDocument } from '../document/form-document';
import {
  type Control,
  type Field,
  isConcealed,
  isDated,
  isDisabled,
  saysTrue,
  takesKeys,
} from '../html/field';
import { isTypedInto, widgetRoleOf } from '../html/widget';
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

const unreachable = (kinds: 'controls' | 'widgets'): Sort => ({
  name: kinds === 'controls' ? 'not by keyboard' : 'widget not by keyboard',
  harm: 'cannot enter a valid value',
  evidence: 'survey',
  shownBy(answers, target, field) {
    if (!takesKeys(field.kind) || field.controls.every(isOff)) return null;
    if ((field.kind === 'widget') !== (kinds === 'widgets')) return null;
    const [closed, focused] = looksOf(answers, target, field);
    if (closed?.outcome.status !== 'answered' || focused?.outcome.status !== 'inapplicable') return null;
    if (focused.outcome.reason.code !== 'no focus') return null;
    return { answer: focused, proof: { code: 'takes no focus' } };
  },
});

const isOff = (control: Control) =>
  isDisabled(control) || isConcealed(control) || saysTrue(control, 'aria-disabled');

const hasCaret = (field: Field) => isTypedInto(field) || isDated(field.kind);

/** In what is typed into, the caret shows the focus, or the part that is typed. */
const noFocusShown: Sort = {
  name: 'focus not shown',
  harm: 'person misled',
  evidence: 'survey',
  shownBy(answers, target, field) {
    if (!takesKeys(field.kind) || hasCaret(field) || field.controls.every(isConcealed)) return null;
    const [, focused] = looksOf(answers, target, field);
    if (focused?.outcome.status !== 'answered' || !focused.outcome.facts.focusUnseen) return null;
    return { answer: focused, proof: { code: 'focus unseen' } };
  },
};

/** Of a widget that counts: up, down, left, right, first, last; one of them leads elsewhere from wherever it stands. */
const stuck: Sort = {
  name: 'keys change nothing',
  harm: 'person misled',
  evidence: 'strokes',
  shownBy(answers, target, { id, kind, controls: [control] }) {
    const role = kind === 'widget' ? widgetRoleOf(control) : null;
    if ((role !== 'slider' && role !== 'spinbutton') || isOff(control)) return null;
    if (saysTrue(control, 'aria-readonly')) return null;
    const answer = answerTo(answers, 'typing', target, id);
    if (answer?.outcome.status !== 'answered') return null;
    const { script, steps, rounds } = answer.outcome.facts;
    const keys = script.flatMap((stroke) => (stroke.kind === 'key' ? [stroke.key] : []));
    const [value, ...others] = new Set(steps.map((step) => step.value));
    const isHeard = steps.some(({ events }) => events.some(({ type }) => type === 'keydown'));
    const isWhole = arrows.every((key) => keys.includes(key)) && steps.length === script.length;
    if (value === undefined || others.length > 0 || !isHeard || !isWhole) return null;
    if (rounds !== undefined && rounds.alike < rounds.asked) return null;
    return { answer, proof: { code: 'value unchanged', keys, value } };
  },
};

const arrows = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'];

function looksOf(answers: Answers, target: TargetId, { id }: Field) {
  return (['closed', 'focused'] as const).map((state) => answerTo(answers, 'look', target, id, state));
}

/** Where a field stands in the window is the author's doing in a page of their own alone, and only there are the scripts of a widget. */
const inOwnPage: readonly Sort[] = [leaving('opening'), leaving('bubble'), unreachable('widgets'), stuck];

/** Faults that an engine or a device showed by itself, whatever the others do. */
export function seenFindings(
  { page }: Pick<FormDocument, 'page'>,
  lineUp: LineUp,
  answers: Answers,
  fields: readonly Field[],
): Finding[] {
  const sorts = [outOfSight, unreachable('controls'), noFocusShown, ...(page ? inOwnPage : [])];
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
