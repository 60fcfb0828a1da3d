import { mixed, object, string, ValidationError } from 'yup';
import type { FieldId } from '../form/field';
import { limits } from '../form/form-document';
import type { KeyboardFacts } from '../observation/observation';
import type { Picture } from '../observation/picture';

/** Engines that can be shown on a phone-sized display. */
export const phoneEngines = ['chromium', 'firefox', 'webkit'] as const;
export type PhoneEngine = (typeof phoneEngines)[number];

/** Which keyboard does a real engine bring up for a field? */
export interface KeyboardQuestion {
  readonly markup: string;
  readonly field: FieldId;
  readonly engine: PhoneEngine;
}

/** What was measured, with which version. */
export interface KeyboardMeasurement {
  readonly engine: string;
  readonly version: string;
  readonly measured: KeyboardFacts;
  readonly picture: Picture;
}

const schema = object({
  markup: string().strict().required().max(limits.markup),
  field: string().strict().required().max(300),
  engine: mixed<PhoneEngine>()
    .oneOf([...phoneEngines])
    .required(),
})
  .strict()
  .noUnknown()
  .required();

export function readKeyboardQuestion(
  data: unknown,
):
  | { readonly status: 'read'; readonly question: KeyboardQuestion }
  | { readonly status: 'fault'; readonly text: string } {
  try {
    const { field, ...rest } = schema.validateSync(data);
    return { status: 'read', question: { ...rest, field: field as FieldId } };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      status: 'fault',
      text: `The question cannot be read: ${error.errors[0] ?? 'its shape is another'}.`,
    };
  }
}
