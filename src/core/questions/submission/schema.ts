import { mixed, object } from 'yup';
import { unsentCodes } from '../../observation/reason';
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
      coded(unsentCodes),
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

// Runs from before they were asked have none.
export const submissionFactsSchema = shape<SubmissionFacts>({
  asIs: sending,
  filled: sending,
  others: described(
    'Enter in the form’s first field of one line, and scripts, while the form is as it was at first. Of the form’s first button that sends; null or absent for its others.',
    object({ enter: sending, requestSubmit: sending, submit: sending })
      .strict()
      .noUnknown()
      .nullable()
      .default(undefined),
  ),
});
