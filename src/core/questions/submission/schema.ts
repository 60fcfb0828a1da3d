import { lazy, mixed } from 'yup';
import { unsentCodes } from '../../observation/reason';
import { coded, list, member, nullableText, one, shape, text } from '../../observation/schema-parts';

const unsent = lazy((value: unknown) =>
  member(value, 'code') === 'policy'
    ? shape({ code: one(['policy']), allowed: text() })
    : coded(value, unsentCodes),
);

const sending = lazy((value: unknown) => {
  switch (member(value, 'status')) {
    case 'sent':
      return shape({
        status: one(['sent']),
        method: text(20),
        url: text(),
        contentType: nullableText(),
        body: text(),
      });
    case 'blocked':
      return shape({
        status: one(['blocked']),
        by: nullableText(),
        message: nullableText(),
        invalid: list(text()),
        heldBy: mixed<'page'>().oneOf(['page']).optional(),
      });
    default:
      return shape({ status: one(['nothing']), why: unsent });
  }
});

const otherWays = shape({ enter: sending, requestSubmit: sending, submit: sending });
// Runs from before they were asked have none.
export const submissionFactsSchema = shape({
  asIs: sending,
  filled: sending,
  others: lazy((value: unknown) => (value ? otherWays : mixed().nullable().default(null))),
});
