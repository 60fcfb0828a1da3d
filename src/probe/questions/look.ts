import { type LookState, lookStates, statesOf } from '@/core/document/look-state';
import { invalidTrial, type Trial, trialFor, triedValue, validTrial } from '@/core/document/trial-value';
import { type Field, type FieldId, hasAttribute } from '@/core/html/field';
import type { Outcome } from '@/core/observation/outcome';
import type { Picture } from '@/core/observation/picture';
import type { LookFacts } from '@/core/questions/look/facts';
import { pictureBox } from '../api/picture-box';
import type { FieldFacts } from '../api/probe-api';
import { anew } from './anew';
import { enterValues } from './enter-values';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** States in which all fields of a page can be at once, so that one picture of the page shows them all. */
const pageStates = lookStates.filter((state) => state !== 'focused');

/** What a person has entered in a state; pages with scripts of their own hear of nothing that a script sets. */
const entered: Partial<Record<LookState, (field: Field) => Trial>> = {
  filled: validTrial,
  invalid: invalidTrial,
};

/** States in which the text is asked for: it takes the focus through all fields, which the others would not survive. */
const textStates: readonly LookState[] = ['closed', 'filled'];

/** How each field is drawn. Focus is one field at a time; every other state is one picture of the whole page. */
export async function askLook(context: QuestionContext): Promise<void> {
  const atRest = new Map<FieldId, Picture>();
  for (const state of pageStates) {
    const fields = context.asking.fields.filter((field) => statesOf(field.kind).includes(state));
    const owed = fields.filter((field) => context.owes(field, { question: 'look', state }));
    if (owed.length === 0) continue;
    const pictures = await lookAtPage(context, state, fields, owed);
    for (const [index, { id }] of owed.entries()) {
      const picture = pictures[index];
      if (state === 'closed' && picture) atRest.set(id, picture);
    }
  }
  await anew(context);
  const focused = context.asking.fields.filter(
    (field) =>
      statesOf(field.kind).includes('focused') && context.owes(field, { question: 'look', state: 'focused' }),
  );
  for await (const field of context.oneByOne(focused))
    answerLook(context, field, 'focused', await lookAtFocus(context, field, atRest.get(field.id)));
}

/** @returns pictures of those that are owed, in their order; the others are in the same state, and nothing of them is read */
async function lookAtPage(
  context: QuestionContext,
  state: LookState,
  asked: readonly Field[],
  owed: readonly Field[],
): Promise<readonly (Picture | null)[]> {
  context.signal.throwIfAborted();
  const { page } = context;
  const trials = new Map(asked.map((field) => [field, trialFor(field, state)]));
  const trialOf = context.asking.page === null ? undefined : entered[state];
  const all = asked.map(probeField);
  await anew(context);
  if (trialOf) await enterValues(page, context.oneByOne(asked), trialOf);
  else await page.probe('fill', all, [...trials.values()].map(triedValue));
  if (state === 'invalid') await page.probe('attemptToSend');
  if (state === 'disabled') await page.probe('disable', all);
  const fields = owed.map(probeField);
  const facts = await page.probe('describe', fields);
  const document = await page.probe('documentBox');
  const boxes = owed.map((field, index) => {
    const box = facts[index]?.box;
    return box && trials.get(field)?.status !== 'none' ? pictureBox(box, document) : null;
  });
  const pictures = await page.pictures(boxes, document);
  const isMoving = owed.map((field) => canMove(field, state));
  if (isMoving.includes(true)) await new Promise((resolve) => setTimeout(resolve, aMoment));
  const later = isMoving.includes(true)
    ? await page.pictures(
        boxes.map((box, index) => (isMoving[index] ? box : null)),
        document,
      )
    : [];
  const texts = textStates.includes(state) ? await page.probe('textsShown', fields) : [];
  for (const [index, field] of owed.entries()) {
    const trial = trials.get(field);
    const shown = { later: later[index], text: texts[index] };
    const outcome: Outcome<LookFacts> =
      trial?.status === 'none'
        ? inapplicable(trial.reason)
        : look(context, facts[index], pictures[index] ?? null, shown);
    answerLook(context, field, state, outcome);
  }
  return pictures;
}

/** Between two pictures of something that may move, ms. */
const aMoment = 80;

/** A progress without a value is the only control that engines draw in motion without an animation that a style can stop. */
function canMove(field: Field, state: LookState): boolean {
  if (field.kind !== 'progress') return false;
  return state === 'indeterminate' || (state === 'closed' && !hasAttribute(field.controls[0], 'value'));
}

/**
 * Gives a field the focus. What opened at the field before may take it back on a page with scripts: that the field takes none is told of a
 * page that was loaded anew, and where the Tab key does not lead there either.
 */
async function takesFocus({ page, asking }: QuestionContext, field: Field): Promise<boolean> {
  const probed = probeField(field);
  if (await page.probe('focus', probed)) return true;
  if (!asking.page) return false;
  await page.reload();
  if (await page.probe('focus', probed)) return true;
  for (let tab = 0; tab < mostTabs; tab++) {
    await page.press('Tab');
    if (await page.probe('hasFocus', probed)) return true;
  }
  return false;
}

/** More than a page has places before a field, most of the time. */
const mostTabs = 40;

async function lookAtFocus(
  context: QuestionContext,
  field: Field,
  atRest: Picture | undefined,
): Promise<Outcome<LookFacts>> {
  const { page } = context;
  const took = await takesFocus(context, field);
  const [facts] = await page.probe('describe', [probeField(field)]);
  if (facts?.box && !took) return inapplicable('no focus');
  if (!facts?.box || !page.drawsFocus) return look(context, facts, null);
  const document = await page.probe('documentBox');
  const [picture] = await page.pictures([pictureBox(facts.box, document)], document);
  if (!(await page.probe('hasFocus', probeField(field)))) return inapplicable('focus taken away');
  const isAlike = picture && picture.id === atRest?.id && (await isAlikeAround(context, field));
  return look(context, facts, picture ?? null, { focusUnseen: isAlike === true });
}

/** How far around a control its focus may be shown: at what holds it, or with an outline that stands off, CSS px. */
const around = 48;

/** True when the page looks the same with the focus in the field and without, there and around it. */
async function isAlikeAround({ page }: QuestionContext, field: Field): Promise<boolean> {
  const probed = probeField(field);
  const picture = async () => {
    const [box] = await page.probe('controlBoxes', [probed]);
    const document = await page.probe('documentBox');
    const [taken] = await page.pictures([box ? pictureBox(box, document, around) : null], document);
    return taken?.id ?? null;
  };
  // A page may take the focus away, or give it back: then nothing is known of how it looks.
  const focused = await picture();
  const had = await page.probe('hasFocus', probed);
  await page.probe('reset');
  const without = await picture();
  const hasNot = !(await page.probe('hasFocus', probed));
  return had && hasNot && focused !== null && focused === without;
}

function look(
  context: QuestionContext,
  facts: FieldFacts | undefined,
  picture: Picture | null,
  {
    later = null,
    text = null,
    focusUnseen = false,
  }: { later?: Picture | null; text?: string | null; focusUnseen?: boolean } = {},
): Outcome<LookFacts> {
  if (!facts?.isThere) return inapplicable('not in page');
  if (!facts.box) return inapplicable('no room');
  if (picture) context.picture(picture);
  const { typeReflected, size, value, sent, font, contrast, pseudoClasses, marks, isDrawnByLabel } = facts;
  return {
    status: 'answered',
    facts: {
      typeReflected,
      size,
      value,
      textShown: text,
      sent,
      font,
      contrast,
      pseudoClasses,
      marks,
      ...(isDrawnByLabel ? { drawnBy: 'label' } : {}),
      ...(focusUnseen ? { focusUnseen } : {}),
      moves: later !== null && later.id !== picture?.id,
      picture: picture?.id ?? null,
    },
  };
}

function answerLook(
  context: QuestionContext,
  field: Field,
  state: LookState,
  outcome: Outcome<LookFacts>,
): void {
  context.answer(field.id, { question: 'look', state, outcome });
}
