import { lookStates } from '../document/look-state';
import { asked, one, outcome, type shape } from '../observation/schema-parts';
import { named, taggedUnion } from '../reading/schema-union';
import { accessibilityFactsSchema } from './accessibility/schema';
import { bubbleFactsSchema } from './bubble/schema';
import { fallbackFactsSchema } from './fallback/schema';
import { keyboardFactsSchema } from './keyboard/schema';
import { lookFactsSchema } from './look/schema';
import { messageFactsSchema } from './message/schema';
import { type Question, questions } from './observation';
import { openingFactsSchema } from './opening/schema';
import { partsFactsSchema } from './parts/schema';
import { restrictionFactsSchema } from './restriction/schema';
import { submissionFactsSchema } from './submission/schema';
import { typingFactsSchema } from './typing/schema';

/** What the facts of each question have to look like. */
const factsSchemas: Readonly<Record<Question, ReturnType<typeof shape>>> = {
  look: lookFactsSchema,
  message: messageFactsSchema,
  accessibility: accessibilityFactsSchema,
  opening: openingFactsSchema,
  bubble: bubbleFactsSchema,
  parts: partsFactsSchema,
  submission: submissionFactsSchema,
  fallback: fallbackFactsSchema,
  typing: typingFactsSchema,
  keyboard: keyboardFactsSchema,
  restriction: restrictionFactsSchema,
};

/** One observation from a file, a stream or a frame. */
export const observationSchema = named(
  'observation',
  taggedUnion('question', () =>
    Object.fromEntries(
      questions.map((question) => [
        question,
        {
          ...asked,
          ...(question === 'look' && { state: one(lookStates) }),
          outcome: outcome(named(`${question}Facts`, factsSchemas[question])),
        },
      ]),
    ),
  ),
);
