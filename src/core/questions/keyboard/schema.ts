import { string } from 'yup';
import { isJsonObject } from '../../json-object';
import { contentHints, contentPurposes, type KeyboardAsked } from '../../observation/content-purpose';
import { recordedEvents } from '../../observation/event-record';
import {
  flag,
  length,
  list,
  nullableText,
  one,
  pictureOrNull,
  shape,
  text,
} from '../../observation/schema-parts';
import { described, eitherOf } from '../../reading/schema-union';
import { type KeyboardFacts, type TappedEvent, untold } from './facts';

const tappedEvent = shape<TappedEvent>({
  by: described(
    'The key on the screen that raised it; not given where one key alone was tapped.',
    string().strict().max(100),
  ),
  type: one(recordedEvents),
  key: nullableText(),
  inputType: nullableText(),
  data: nullableText(),
  value: text(),
});

export const keyboardFactsSchema = shape<KeyboardFacts>({
  asked: eitherOf(
    isJsonObject,
    shape<KeyboardAsked>({ purpose: one(contentPurposes), hints: list(one(contentHints)) }),
    string().strict().oneOf([untold]).nullable().defined(),
  ),
  program: described(
    'The program that was asked, by its name; null where a page is not told, as of a device’s own.',
    nullableText(),
  ),
  layout: nullableText(),
  height: described('CSS px.', shape({ before: length(), with: length() })),
  fieldInSight: flag(),
  tapped: list(tappedEvent).nullable(),
  picture: pictureOrNull(),
});
