import { array, mixed, object } from 'yup';
import { entryRoutes, type FieldEntry, leftReasons } from '../../observation/field-entry';
import { progressCodes, unsentCodes } from '../../observation/reason';
import { coded, list, member, nullableText, one, shape, text } from '../../observation/schema-parts';
import { described, eitherOf, type Fields, named, taggedUnion } from '../../reading/schema-union';
import type { Sending, SubmissionFacts } from './facts';

const unsent = named(
  'unsent',
  described(
    'Why nothing of a form was sent, where no field was in the way.',
    eitherOf(
      (value) => member(value, 'code') === 'policy',
      shape({ code: one(['policy']), allowed: text() }),
      eitherOf(
        (value) => progressCodes.some((code) => code === member(value, 'code')),
        shape({ code: one(progressCodes), reads: list(text()) }),
        coded(unsentCodes),
      ),
    ),
  ),
);

const sendings: Readonly<Record<Sending['status'], Fields>> = {
  sent: {
    method: text(20),
    url: text(),
    contentType: nullableText(),
    body: described('One byte a character; the boundary of several parts is BOUNDARY.', text()),
  },
  blocked: {
    by: nullableText(),
    message: nullableText(),
    invalid: list(text()),
    heldBy: described(
      'The page’s own scripts kept it back: by is where they put the focus, message what came to be read.',
      mixed<'page'>().oneOf(['page']).optional(),
    ),
  },
  nothing: { why: unsent },
};
const sending = named(
  'sending',
  taggedUnion('status', () => sendings),
);

const fieldEntries: Readonly<Record<FieldEntry['status'], Fields>> = {
  entered: { field: text(), by: one(entryRoutes), tried: text(), became: text() },
  left: { field: text(), why: one(leftReasons) },
};
const fieldEntry = named(
  'fieldEntry',
  described(
    'What came of entering a value into a field by strokes: by which route, what was tried, and what it became once the field was left.',
    taggedUnion('status', () => fieldEntries),
  ),
);

// Runs from before they were asked have none.
export const submissionFactsSchema = shape<SubmissionFacts>({
  asIs: sending,
  filled: sending,
  entries: described(
    'Of a page of the developer’s own: what came of entering the values before it was sent filled.',
    array(fieldEntry).strict().max(2000).optional(),
  ),
  others: described(
    'Enter in the form’s first field of one line, and scripts, while the form is as it was at first. Of the form’s first button that sends; null or absent for its others.',
    object({
      enter: sending,
      requestSubmit: sending,
      submit: sending,
      setByScript: sending.optional(),
    })
      .strict()
      .noUnknown()
      .nullable()
      .default(undefined),
  ),
});
