import { array, type InferType, mixed, object, string } from 'yup';
import { isJsonObject } from '../json-object';
import { fitted, type Misfit } from '../reading/misfit';
import { readJson } from '../reading/read-json';
import { GaveUp } from '../regexp/budget';
import type { UnworkedCode } from '../regexp/unworked';
import { focusWays } from '../script/stroke';
import { type Deviations, noDeviations } from '../standard/deviations';
import { answerSubmission } from './answer-submission';
import { answerTyping } from './answer-typing';
import { answerValidity } from './answer-validity';
import { engineDeviations } from './deviations/engine-deviations';
import type { SubmissionAnswer } from './submission-question';
import type { TypingAnswer } from './typing-question';
import type { ValidityAnswer } from './validity-question';

/** Whom a batch question may be put to: the standard, or an engine as the model knows it. */
export const askedTargets = ['standard', 'chromium', 'firefox', 'webkit'] as const;
type AskedTarget = (typeof askedTargets)[number];

const waysOf: Readonly<Record<AskedTarget, Deviations>> = { standard: noDeviations, ...engineDeviations };

/** The longest markup of one question, UTF-16 code units. */
const longest = 1_000_000;

const text = () => string().strict().max(longest);

const question = object({
  ask: string()
    .oneOf(['validity', 'submission', 'typing'] as const)
    .required(),
  target: string().oneOf(askedTargets).required(),
  html: text().defined(),
  setValue: text().nullable(),
  thenType: text(),
  thenAttrs: mixed<Record<string, string>>((value): value is Record<string, string> => isTexts(value)),
  custom: text(),
  by: text(),
  focus: string().oneOf(focusWays),
  keys: mixed<string[]>((value): value is string[] => isListOfTexts(value)),
  files: mixed<Record<string, string[]>>(
    (value): value is Record<string, string[]> =>
      isJsonObject(value) && Object.values(value).every(isListOfTexts),
  ),
});
type Question = InferType<typeof question>;

function isTexts(value: unknown): value is Record<string, string> {
  return isJsonObject(value) && Object.values(value).every((one) => typeof one === 'string');
}

function isListOfTexts(value: unknown): value is string[] {
  return array(string().strict().required()).isValidSync(value);
}

/** The members that a question has, and no others: some names, as `hasOwnProperty`, make the validation itself stumble. */
function membersOf(json: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.keys(question.fields).flatMap((name) => (Object.hasOwn(json, name) ? [[name, json[name]]] : [])),
  );
}

/** Why a line of a batch has no answer. */
export type LineFault =
  | { readonly code: 'no JSON' }
  | { readonly code: 'misfit'; readonly misfit: Misfit }
  /** Nothing in the markup has the id `t`. */
  | { readonly code: 'no control' }
  /** It is not said what is pressed, or which keys. */
  | { readonly code: 'not said'; readonly entry: 'by' | 'keys' }
  | { readonly code: 'no such button'; readonly by: string }
  | { readonly code: 'standard has no keys' }
  | { readonly code: 'no key'; readonly key: string }
  | { readonly code: 'not worked out'; readonly why: UnworkedCode };

export type LineAnswer = ValidityAnswer | SubmissionAnswer | TypingAnswer | { readonly fault: LineFault };

/** Answers one line of a batch, as of a moment: a question as JSON. What is wrong with a line is its answer; nothing is thrown. */
export function answerLine(line: string, now: Date): LineAnswer {
  const read = readQuestion(line);
  if ('fault' in read) return read;
  try {
    return answerQuestion(read, now);
  } catch (error) {
    if (error instanceof GaveUp) return { fault: { code: 'not worked out', why: error.code } };
    throw error;
  }
}

function readQuestion(line: string): Question | { readonly fault: LineFault } {
  let json: unknown;
  try {
    json = readJson(line);
  } catch {
    return { fault: { code: 'no JSON' } };
  }
  const fitting = fitted(question, isJsonObject(json) ? membersOf(json) : json);
  return fitting.status === 'fits' ? fitting.value : { fault: { code: 'misfit', misfit: fitting.misfit } };
}

const noControl = { fault: { code: 'no control' } } as const;

function answerQuestion({ ask, target, ...asked }: Question, now: Date): LineAnswer {
  const deviations = waysOf[target];
  if (ask === 'validity')
    return answerValidity({ ...asked, setValue: asked.setValue ?? null }, deviations) ?? noControl;
  if (ask === 'submission') {
    const { html, by, files } = asked;
    if (!by) return { fault: { code: 'not said', entry: 'by' } };
    return answerSubmission({ html, by, files }, deviations) ?? { fault: { code: 'no such button', by } };
  }
  if (target === 'standard') return { fault: { code: 'standard has no keys' } };
  const { html, focus = 'script', keys } = asked;
  if (!keys) return { fault: { code: 'not said', entry: 'keys' } };
  const answer = answerTyping({ html, focus, keys }, target, now) ?? noControl;
  return 'unknownKey' in answer ? { fault: { code: 'no key', key: answer.unknownKey } } : answer;
}
