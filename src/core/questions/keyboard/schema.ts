import { lazy, string } from 'yup';
import { contentHints, contentPurposes } from '../../observation/content-purpose';
import { recordedEvents } from '../../observation/event-record';
import {
  flag,
  length,
  list,
  nullableText,
  one,
  pictureIdSchema,
  shape,
  text,
} from '../../observation/schema-parts';
import { untold } from './facts';

const tappedEvent = shape({
  by: string().strict().max(100),
  type: one(recordedEvents),
  key: nullableText(),
  inputType: nullableText(),
  data: nullableText(),
  value: text(),
});

export const keyboardFactsSchema = shape({
  asked: lazy((value: unknown) =>
    typeof value === 'object' && value !== null
      ? shape({ purpose: one(contentPurposes), hints: list(one(contentHints)) })
      : string().strict().oneOf([untold]).nullable().defined(),
  ),
  program: nullableText(),
  layout: nullableText(),
  height: shape({ before: length(), with: length() }),
  fieldInSight: flag(),
  tapped: list(tappedEvent).nullable(),
  picture: pictureIdSchema.nullable().defined(),
});
