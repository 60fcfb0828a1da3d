import { lazy } from 'yup';
import { lookStates } from '../document/look-state';
import { asked, member, one, outcome, shape } from '../observation/schema-parts';
import { accessibilityFactsSchema } from './accessibility/schema';
import { bubbleFactsSchema } from './bubble/schema';
import { fallbackFactsSchema } from './fallback/schema';
import { keyboardFactsSchema } from './keyboard/schema';
import { lookFactsSchema } from './look/schema';
import { messageFactsSchema } from './message/schema';
import { type Question, questions } from './observation';
import { openingFactsSchema } from './opening/schema';
import { partsFactsSchema } from './parts/schema';
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
};

/** One observation from a file, a stream or a frame. */
export const observationSchema = lazy((value: unknown) => {
  const question = questions.find((name) => name === member(value, 'question')) ?? 'typing';
  const answer = { ...asked, question: one([question]), outcome: outcome(factsSchemas[question]) };
  return question === 'look' ? shape({ ...answer, state: one(lookStates) }) : shape(answer);
});
