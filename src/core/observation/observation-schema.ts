import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { planNames } from '../fallback/fallback-plan';
import { mostElements } from '../form/parse-markup';
import { guardsSchema } from '../guard/guard-schema';
import { contentHints, contentPurposes } from '../keyboard/content-purpose';
import { scriptSchema } from '../script/script-schema';
import { maxStrokes } from '../script/stroke';
import { validityFlags } from '../standard/validity-flags';
import { recordedEvents } from './event-record';
import {
  controlParts,
  controlStates,
  type Question,
  questions,
  showings,
  sides,
  untold,
} from './observation';

const text = (max = 1_000_000) => string().strict().defined().max(max);
const nullableText = () => string().strict().defined().nullable().max(1_000_000);
const whole = () => number().strict().integer().min(0).required();
/** CSS px; engines draw nothing larger. */
const length = () => number().strict().min(0).max(1_000_000_000).required();
const flag = () => boolean().strict().required();
const one = <T extends string>(names: readonly T[]) =>
  mixed<T>()
    .oneOf([...names])
    .required();
const shape = <T extends Parameters<typeof object>[0]>(fields: T) =>
  object(fields).strict().noUnknown().required();

export const pictureIdSchema = string()
  .strict()
  .matches(/^[0-9a-f]{64}$/);
export const timeSchema = string()
  .strict()
  .required()
  .matches(/^\d{4}-\d\d-\d\dT[\d:.]+Z$/);

const size = () =>
  object({ width: length(), height: length() }).strict().noUnknown().nullable().default(undefined).defined();
/** As many as markup has elements. */
const list = (item: Parameters<typeof array>[0]) => array(item).strict().max(mostElements).defined();
const ratio = () => number().strict().min(1).max(21).nullable().defined();

const lookFacts = shape({
  typeReflected: text(),
  size: size(),
  value: text(),
  textShown: text().nullable(),
  sent: list(text()).nullable(),
  font: text().nullable(),
  contrast: object({ text: ratio(), placeholder: ratio() })
    .strict()
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
  pseudoClasses: list(text(100)).nullable(),
  marks: list(shape({ by: text(500), text: text() })).nullable(),
  drawnBy: mixed<'label'>().oneOf(['label']).optional(),
  focusUnseen: boolean().strict().optional(),
  moves: flag(),
  picture: pictureIdSchema.nullable().defined(),
});

const partsFacts = shape({
  parts: list(shape({ part: one(controlParts), how: text(1000) })),
  lookedFor: list(one(controlParts)),
  shows: one(showings).nullable().defined(),
  order: list(text(100)).nullable(),
  clock: one(['12 hours', '24 hours']).nullable().defined(),
  sizeWithoutLimits: size(),
});

const openingFacts = shape({
  opened: text(200).nullable(),
  tried: list(text(200)),
  popUp: size(),
  leaves: list(one(sides)),
  picture: pictureIdSchema.nullable().defined(),
});

const bubbleFacts = shape({
  tried: text(),
  shown: flag(),
  popUp: size(),
  leaves: list(one(sides)),
  showsTitle: flag().nullable().defined(),
  picture: pictureIdSchema.nullable().defined(),
});

const fallbackFacts = shape({
  plans: list(
    shape({
      plan: one(planNames),
      native: flag(),
      loaded: flag(),
      typed: list(text()),
      sent: list(text()),
      picture: pictureIdSchema.nullable().defined(),
    }),
  ),
});

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
      return shape({ status: one(['nothing']), why: text(1000) });
  }
});

const otherWays = shape({ enter: sending, requestSubmit: sending, submit: sending });
// Runs from before they were asked have none.
const submissionFacts = shape({
  asIs: sending,
  filled: sending,
  others: lazy((value: unknown) => (value ? otherWays : mixed().nullable().default(null))),
});

const messageFacts = shape({
  tried: text(),
  willValidate: flag(),
  flags: array(one(validityFlags)).strict().defined(),
  message: nullableText(),
  saysTitle: flag().nullable().defined(),
});

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

const typingFacts = shape({
  script: scriptSchema,
  guards: guardsSchema,
  followed: flag(),
  steps: array(typingStep).strict().max(maxStrokes).defined(),
  stoppedBy: string().strict().max(2000),
});

const tappedEvent = shape({
  by: string().strict().max(100),
  type: one(recordedEvents),
  key: nullableText(),
  inputType: nullableText(),
  data: nullableText(),
  value: text(),
});

const keyboardFacts = shape({
  asked: lazy((value: unknown) =>
    typeof value === 'object' && value !== null
      ? shape({ purpose: one(contentPurposes), hints: list(one(contentHints)) })
      : string().strict().oneOf([untold]).nullable().defined(),
  ),
  layout: nullableText(),
  height: shape({ before: length(), with: length() }),
  fieldInSight: flag(),
  tapped: list(tappedEvent).nullable(),
  picture: pictureIdSchema.nullable().defined(),
});

const provenance = lazy((value: unknown) => {
  switch (member(value, 'mark')) {
    case 'measured':
      return shape({
        mark: one(['measured']),
        engine: text(200),
        version: text(200),
        protocol: text(200),
        unable: list(text(1000)),
      });
    case 'captured':
      return shape({ mark: one(['captured']), browser: text(500), events: one(['trusted', 'script-made']) });
    default:
      return shape({ mark: one(['modelled']), model: text(200), source: text(2000) });
  }
});

const outcome = (facts: ReturnType<typeof shape>) =>
  lazy((value: unknown) =>
    member(value, 'status') === 'answered'
      ? shape({ status: one(['answered']), facts })
      : shape({ status: one(['inapplicable', 'failed']), reason: text(5000) }),
  );

const asked = { field: text().min(1), target: text(200).min(1), provenance, at: timeSchema };

const factsOf: Readonly<Record<Question, ReturnType<typeof shape>>> = {
  look: lookFacts,
  message: messageFacts,
  opening: openingFacts,
  bubble: bubbleFacts,
  parts: partsFacts,
  submission: submissionFacts,
  fallback: fallbackFacts,
  typing: typingFacts,
  keyboard: keyboardFacts,
};

export const pixels = () => number().strict().integer().min(1).max(1_000_000).required();

/** One picture from a file or a stream. */
export const pictureSchema = object({
  id: pictureIdSchema.required(),
  width: pixels(),
  height: pixels(),
  data: string()
    .strict()
    .required()
    .matches(/^[A-Za-z0-9+/]+={0,2}$/),
})
  .strict()
  .noUnknown();

/** One observation from a file, a stream or a frame. */
export const observationSchema = lazy((value: unknown) => {
  const question = questions.find((name) => name === member(value, 'question')) ?? 'typing';
  const answer = { ...asked, question: one([question]), outcome: outcome(factsOf[question]) };
  return question === 'look' ? shape({ ...answer, state: one(controlStates) }) : shape(answer);
});

function member(value: unknown, name: string): unknown {
  return typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[name] : undefined;
}
