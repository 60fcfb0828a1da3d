import { array, number, object, string } from 'yup';
import { guardsSchema } from '../../guard/guard-schema';
import { recordedEvents } from '../../observation/event-record';
import { unmadeCodes } from '../../observation/reason';
import { coded, flag, nullableText, one, shape, text, whole } from '../../observation/schema-parts';
import { described } from '../../reading/schema-union';
import { scriptSchema } from '../../script/script-schema';
import { maxStrokes } from '../../script/stroke';
import type { TypingFacts } from './facts';

const eventRecord = shape({
  type: one(recordedEvents),
  key: nullableText(),
  code: nullableText(),
  inputType: nullableText(),
  data: nullableText(),
  value: described('The value at that moment.', text()),
  trusted: flag(),
  prevented: flag(),
  rewrittenTo: described(
    'Of a page of the developer’s own: what its listeners made of the value.',
    string().strict().optional(),
  ),
  took: described(
    'Of a page of the developer’s own: how long its listeners took, ms.',
    number().strict().min(0).optional(),
  ),
});

const typingStep = shape({
  text: text(),
  caret: shape({ start: whole(), end: whole() }),
  value: text(),
  refused: one(['guard', 'target']).nullable().defined(),
  guard: nullableText(),
  rewrittenBy: described(
    'Ids of the guards that rewrote the text after the stroke.',
    array(text(200)).strict().max(50),
  ),
  endless: described(
    'Id of a guard that was stopped because it would have rewritten for ever.',
    string().strict().max(200),
  ),
  events: array(eventRecord).strict().max(1000).defined(),
});

export const typingFactsSchema = shape<TypingFacts>({
  script: scriptSchema,
  guards: guardsSchema,
  followed: described(
    'Text and caret are followed from the events, because this kind does not tell them to a script.',
    flag(),
  ),
  steps: described(
    'One for each stroke, as far as the target could be asked.',
    array(typingStep).strict().max(maxStrokes).defined(),
  ),
  stoppedBy: described(
    'Why a stroke could not be made for real, nor those behind it.',
    coded(unmadeCodes).optional(),
  ),
  rounds: described(
    'Of a page of the developer’s own: how often the strokes were made, and how many of these rounds went as the steps say.',
    object({ asked: whole(), alike: whole() }).strict().noUnknown().optional().default(undefined),
  ),
});
