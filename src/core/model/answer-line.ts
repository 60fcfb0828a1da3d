import { array, type InferType, mixed, object, string, ValidationError } from 'yup';
import { standardWays, type Ways } from '../standard/ways';
import { answerSubmission } from './answer-submission';
import { answerValidity } from './answer-validity';
import { engineWays } from './engine-ways';
import type { SubmissionAnswer } from './submission-question';
import type { ValidityAnswer } from './validity-question';

/** Whom a batch question may be put to: the standard, or an engine as the model knows it. */
export const askedTargets = ['standard', 'chromium', 'firefox', 'webkit'] as const;
type AskedTarget = (typeof askedTargets)[number];

const waysOf: Readonly<Record<AskedTarget, Ways>> = { standard: standardWays, ...engineWays };

/** The longest markup of one question, UTF-16 code units. */
const longest = 1_000_000;

const text = () =>
  string()
    .strict()
    .max(
      longest,
      ({ path }) => `“${path}” is longer than ${longest} characters. Ask about less markup at once.`,
    )
    .typeError(({ path }) => `“${path}” is not a text.`);

const question = object({
  ask: string()
    .oneOf(['validity', 'submission'] as const, 'Say "ask":"validity" or "ask":"submission".')
    .required('Say what to ask: "ask":"validity" or "ask":"submission".'),
  target: string()
    .oneOf(askedTargets, `Name one of these as "target": ${askedTargets.join(', ')}.`)
    .required(`Name one of these as "target": ${askedTargets.join(', ')}.`),
  html: text().defined('Give the markup as "html".'),
  setValue: text().nullable(),
  thenType: text(),
  thenAttrs: mixed<Record<string, string>>((value): value is Record<string, string> =>
    isTexts(value),
  ).typeError('“thenAttrs” is not an object of texts.'),
  custom: text(),
  by: text(),
  files: mixed<Record<string, string[]>>(
    (value): value is Record<string, string[]> =>
      isObject(value) && Object.values(value).every(isListOfTexts),
  ).typeError('“files” is not an object of lists of names.'),
});
type Question = InferType<typeof question>;

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function isTexts(value: unknown): value is Record<string, string> {
  return isObject(value) && Object.values(value).every((one) => typeof one === 'string');
}

function isListOfTexts(value: unknown): value is string[] {
  return array(string().strict().required()).isValidSync(value);
}

export type LineAnswer = ValidityAnswer | SubmissionAnswer | { readonly error: string };

/** Answers one line of a batch: a question as JSON. What is wrong with a line is its answer; nothing is thrown. */
export function answerLine(line: string): LineAnswer {
  const read = readQuestion(line);
  return 'error' in read ? read : answerQuestion(read);
}

function readQuestion(line: string): Question | { error: string } {
  let json: unknown;
  try {
    json = JSON.parse(line);
  } catch {
    return { error: 'This line is no JSON. Write one object on each line.' };
  }
  try {
    return question.validateSync(json);
  } catch (error) {
    if (error instanceof ValidationError) return { error: error.message };
    throw error;
  }
}

function answerQuestion({ ask, target, ...asked }: Question): LineAnswer {
  const ways = waysOf[target];
  if (ask === 'submission') {
    if (!asked.by) return { error: 'Say with "by" what is pressed, as “#” and its id.' };
    return (
      answerSubmission({ html: asked.html, by: asked.by, files: asked.files }, ways) ?? {
        error: `Nothing in the markup is ${asked.by}. Give the button an id and name it as “#” and that id.`,
      }
    );
  }
  return (
    answerValidity({ ...asked, setValue: asked.setValue ?? null }, ways) ?? {
      error: 'No form control in the markup has the id t. Give it to the one that is asked about.',
    }
  );
}
