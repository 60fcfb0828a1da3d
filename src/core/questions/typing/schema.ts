import { array, lazy, mixed, number, string } from 'yup';
import { guardsSchema } from '../../guard/guard-schema';
import { recordedEvents } from '../../observation/event-record';
import { unmadeCodes } from '../../observation/reason';
import { coded, flag, nullableText, one, shape, text, whole } from '../../observation/schema-parts';
import { scriptSchema } from '../../script/script-schema';
import { maxStrokes } from '../../script/stroke';

const eventRecord = shape({
  type: one(recordedEvents),
  key: nullableText(),
  code: nullableText(),
  inputType: nullableText(),
  data: nullableText(),
  value: text(),
  trusted: flag(),
  prevented: flag(),
  rewrittenTo: string().strict().optional(),
  took: number().strict().min(0).optional(),
});

const typingStep = shape({
  text: text(),
  caret: shape({ start: whole(), end: whole() }),
  value: text(),
  refused: one(['guard', 'target']).nullable().defined(),
  guard: nullableText(),
  rewrittenBy: array(text(200)).strict().max(50),
  endless: string().strict().max(200),
  events: array(eventRecord).strict().max(1000).defined(),
});

export const typingFactsSchema = shape({
  script: scriptSchema,
  guards: guardsSchema,
  followed: flag(),
  steps: array(typingStep).strict().max(maxStrokes).defined(),
  stoppedBy: lazy((value: unknown) => (value === undefined ? mixed().optional() : coded(value, unmadeCodes))),
});
