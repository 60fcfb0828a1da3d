import type { FormDocument } from '../document/form-document';
import type { Field } from '../html/field';
import { pageOf } from '../html/page-controls';
import { askingOf } from '../questions/asking';
import type { SubmissionObservation } from '../questions/submission/facts';
import { noDeviations } from '../standard/deviations';
import type { TargetId } from '../target/target';
import { predict } from './predict';
import { type UnsentField, unsentFields } from './unsent-fields';
import { type WayToSend, waysToSend } from './ways-to-send';

/** What the model says of sending a form. */
export interface SubmissionOutlook {
  /** Of every button, on every target that the model speaks for. */
  readonly observations: readonly SubmissionObservation[];
  /** Fields that the button never sends. */
  readonly unsent: readonly UnsentField[];
  /** The ways to send the button's form. */
  readonly ways: readonly WayToSend[];
}

/** @param fields those of the form's markup */
export function submissionOutlook(
  { markup, page, language }: Pick<FormDocument, 'markup' | 'page' | 'language'>,
  fields: readonly Field[],
  button: Field,
  targets: readonly TargetId[],
): SubmissionOutlook {
  const asking = askingOf(markup, ['submission'], {}, null, page ?? null, { language: language ?? null });
  const owner = pageOf(markup).controls[button.controls[0].ordinal]?.form ?? null;
  return {
    observations: targets
      .flatMap((target) => predict(target, asking, ''))
      .filter((one): one is SubmissionObservation => one.question === 'submission'),
    unsent: unsentFields(markup, fields, owner, noDeviations),
    ways: waysToSend(markup, fields, button),
  };
}
