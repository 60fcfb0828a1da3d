import { array, type InferType, mixed, object, string, ValidationError } from 'yup';
import { isJsonObject } from '../json-object';
import { readJson } from '../read-json';
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

const text = () =>
  string()
    .strict()
    .max(
      longest,
      ({ path }) => `“${path}” is longer than ${longest} characters. Ask about less markup at once.`,
    )
    .typeError(({ path }) => `“${path}” is not a text.`);

const questions = '"ask":"validity", "ask":"submission" or "ask":"typing"';

const question = object({
  ask: string()
    .oneOf(['validity', 'submission', 'typing'] as const, `Say ${questions}.`)
    .required(`Say what to ask: ${questions}.`),
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
  focus: string().oneOf(focusWays, 'Say with "focus" how the field gets the focus: script, click or tab.'),
  keys: mixed<string[]>((value): value is string[] => isListOfTexts(value)).typeError(
    '“keys” is not a list of texts.',
  ),
  files: mixed<Record<string, string[]>>(
    (value): value is Record<string, string[]> =>
      isJsonObject(value) && Object.values(value).every(isListOfTexts),
  ).typeError('“files” is not an object of lists of names.'),
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

export type LineAnswer =
  | ValidityAnswer
  | SubmissionAnswer
  | TypingAnswer
  | { readonly error: string }
  | { readonly notWorkedOut: UnworkedCode };

/** Answers one line of a batch: a question as JSON. What is wrong with a line is its answer; nothing is thrown. */
export function answerLine(line: string): LineAnswer {
  const read = readQuestion(line);
  if ('error' in read) return read;
  try {
    return answerQuestion(read);
  } catch (error) {
    if (error instanceof GaveUp) return { notWorkedOut: error.code };
    throw error;
  }
}

function readQuestion(line: string): Question | { error: string } {
  let json: unknown;
  try {
    json = readJson(line);
  } catch {
    return { error: 'This line is no JSON. Write one object on each line.' };
  }
  try {
    return question.validateSync(isJsonObject(json) ? membersOf(json) : json);
  } catch (error) {
    if (error instanceof ValidationError) return { error: error.message };
    throw error;
  }
}

const noControl = {
  error: 'No form control in the markup has the id t. Give it to the one that is asked about.',
};

function answerQuestion({ ask, target, ...asked }: Question): LineAnswer {
  const deviations = waysOf[target];
  if (ask === 'submission') {
    if (!asked.by) return { error: 'Say with "by" what is pressed, as “#” and its id.' };
    return (
      answerSubmission({ html: asked.html, by: asked.by, files: asked.files }, deviations) ?? {
        error: `Nothing in the markup is ${asked.by}. Give the button an id and name it as “#” and that id.`,
      }
    );
  }
  if (ask === 'typing') {
    if (target === 'standard')
      return {
        error: 'The standards leave open what keys do in a control. Ask chromium, firefox or webkit.',
      };
    if (!asked.keys) return { error: 'Give the keys that are pressed as "keys", a list of texts.' };
    const answer = answerTyping(
      { html: asked.html, focus: asked.focus ?? 'script', keys: asked.keys },
      target,
    );
    return typeof answer === 'string' ? { error: answer } : (answer ?? noControl);
  }
  return answerValidity({ ...asked, setValue: asked.setValue ?? null }, deviations) ?? noControl;
}
