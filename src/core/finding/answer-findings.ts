import { isScripted } from '../document/own-page';
import { hasAttribute } from '../html/field';
import { readForm } from '../html/read-form';
import type { Answers } from '../run/answers';
import type { Run } from '../run/run';
import { targetName } from '../target/line-up';
import { differenceFindings } from './difference-findings';
import type { Finding } from './finding';
import { referenceDifferences, targetsWithoutChecks } from './reference-differences';
import { seenFindings } from './seen-findings';
import { typingFindings } from './typing-findings';

/** What the answers of a sweep tell: where targets differ from the reference, and what one of them shows by itself. */
export function answerFindings({ form, lineUp }: Pick<Run, 'form' | 'lineUp'>, answers: Answers): Finding[] {
  const { fields, forms } = readForm(form.markup, form.language);
  const unchecked = forms.flatMap((one, at) => (hasAttribute(one, 'novalidate') ? [at] : []));
  return [
    ...differenceFindings(
      referenceDifferences(lineUp, answers, fields, unchecked, isScripted(form.page)),
      targetName(lineUp, lineUp.reference),
      targetsWithoutChecks(lineUp, answers, fields),
    ),
    ...seenFindings(form, lineUp, answers, fields),
    ...typingFindings(lineUp, answers, fields),
  ];
}
