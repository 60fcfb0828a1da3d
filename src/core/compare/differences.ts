import type {
  BubbleFacts,
  ControlPart,
  KeyboardFacts,
  LookFacts,
  MessageFacts,
  Observation,
  OpeningFacts,
  Outcome,
  PartsFacts,
  Size,
} from '../observation/observation';
import { untold } from '../observation/observation';
import type { PictureId } from '../observation/picture';

/** One way in which an answer differs from another one to the same question, in words that stand alone. */
export interface Difference {
  readonly what:
    | 'applicable'
    | 'type'
    | 'size'
    | 'value'
    | 'text'
    | 'parts'
    | 'readable'
    | 'order'
    | 'opening'
    | 'window'
    | 'validation'
    | 'flags'
    | 'message'
    | 'bubble'
    | 'title'
    | 'marks'
    | 'keyboard'
    | 'in sight'
    | 'sent'
    | 'sending'
    | 'picture';
  readonly text: string;
}

/** What an answer is compared with. */
export interface Comparison {
  /** What the other answer is of, as it stands in a sentence: “Chromium”, “the sweep of 3 May”. */
  readonly than: string;
  /** Px in which two pictures differ; null where they cannot be compared. Only asked about pictures of one engine. */
  readonly pixels: ((a: PictureId, b: PictureId) => number | null) | null;
}

/** Sizes of the same control in two engines differ by a few CSS px for fonts alone; more than this counts. */
export const sizeTolerance = 4;

/**
 * How an answer differs from another answer to the same question. What either side does not know is no difference; an
 * answer that failed is none either, for it says nothing about the target.
 */
export function differences(
  reference: Observation | undefined,
  other: Observation | undefined,
  comparison: Comparison,
): Difference[] {
  if (!reference || !other) return [];
  if (reference.question === 'look' && other.question === 'look')
    return outcomeDifferences(reference.outcome, other.outcome, comparison, lookDifferences);
  if (reference.question === 'message' && other.question === 'message')
    return outcomeDifferences(reference.outcome, other.outcome, comparison, messageDifferences);
  if (reference.question === 'parts' && other.question === 'parts')
    return outcomeDifferences(reference.outcome, other.outcome, comparison, partsDifferences);
  if (reference.question === 'opening' && other.question === 'opening')
    return outcomeDifferences(reference.outcome, other.outcome, comparison, openingDifferences);
  if (reference.question === 'bubble' && other.question === 'bubble')
    return outcomeDifferences(reference.outcome, other.outcome, comparison, bubbleDifferences);
  if (reference.question === 'keyboard' && other.question === 'keyboard')
    return outcomeDifferences(reference.outcome, other.outcome, comparison, keyboardDifferences);
  return [];
}

function keyboardDifferences(reference: KeyboardFacts, other: KeyboardFacts, than: string): Difference[] {
  const found: Difference[] = [];
  const name = (layout: string | null) => (layout === null ? 'no keyboard' : quoted(layout));
  const isTold = reference.layout !== untold && other.layout !== untold;
  if (isTold && reference.layout !== other.layout)
    found.push({
      what: 'keyboard',
      text: `${name(other.layout)} comes up, in ${than} ${name(reference.layout)}.`,
    });
  if (reference.fieldInSight !== other.fieldInSight)
    found.push({
      what: 'in sight',
      text: other.fieldInSight
        ? `The field stays in sight of the keyboard, in ${than} it does not.`
        : `The keyboard leaves the field out of sight, in ${than} it does not.`,
    });
  return found;
}

function outcomeDifferences<Facts extends object>(
  reference: Outcome<Facts>,
  other: Outcome<Facts>,
  comparison: Comparison,
  compare: (reference: Facts, other: Facts, than: string) => Difference[],
): Difference[] {
  if (reference.status === 'failed' || other.status === 'failed') return [];
  if (reference.status === 'answered' && other.status === 'answered')
    return [
      ...compare(reference.facts, other.facts, comparison.than),
      ...pictureDifferences(reference.facts, other.facts, comparison),
    ];
  if (reference.status === other.status || !saysSomething(reference) || !saysSomething(other)) return [];
  const text =
    other.status === 'inapplicable'
      ? other.reason
      : `Here there is an answer, in ${comparison.than} there is none.`;
  return [{ what: 'applicable', text }];
}

/** A question that a kind of observer cannot answer at all tells nothing about the target. */
function saysSomething(outcome: Outcome<object>): boolean {
  return (
    outcome.status !== 'inapplicable' || !/^(A page cannot|The model|The display of)/.test(outcome.reason)
  );
}

function pictureDifferences(reference: object, other: object, { than, pixels }: Comparison): Difference[] {
  const [a, b] = [pictureOf(reference), pictureOf(other)];
  if (!pixels || a === null || b === null || a === b) return [];
  const count = pixels(a, b);
  return count === null || count === 0
    ? []
    : [{ what: 'picture', text: `Its picture differs from that of ${than} in ${count} px.` }];
}

function pictureOf(facts: object): PictureId | null {
  if ('moves' in facts && facts.moves) return null;
  return 'picture' in facts ? (facts.picture as PictureId | null) : null;
}

function lookDifferences(reference: LookFacts, other: LookFacts, than: string): Difference[] {
  const found: Difference[] = [];
  if (reference.typeReflected !== other.typeReflected)
    found.push({
      what: 'type',
      text: `It is ${quoted(other.typeReflected)}, in ${than} ${quoted(reference.typeReflected)}.`,
    });
  if (reference.size && other.size && isOtherSize(reference.size, other.size))
    found.push({
      what: 'size',
      text: `It is ${sizeText(other.size)}, in ${than} ${sizeText(reference.size)}.`,
    });
  if (reference.value !== other.value)
    found.push({
      what: 'value',
      text: `The value is ${quoted(other.value)}, in ${than} ${quoted(reference.value)}.`,
    });
  if (
    reference.textShown !== null &&
    other.textShown !== null &&
    reference.textShown !== other.textShown &&
    reference.value === other.value
  )
    found.push({
      what: 'text',
      text: `It shows ${quoted(other.textShown)}, in ${than} ${quoted(reference.textShown)}.`,
    });
  const [marks, otherMarks] = [reference.marks, other.marks].map((list) =>
    list ? list.map(({ by, text }) => `${by} ${text}`).join(', ') : null,
  );
  if (marks !== null && otherMarks !== null && marks !== otherMarks)
    found.push({
      what: 'marks',
      text: `The styles put beside it: ${otherMarks || 'nothing'}; in ${than}: ${marks || 'nothing'}.`,
    });
  return found;
}

function isOtherSize(a: Size, b: Size): boolean {
  return Math.abs(a.width - b.width) > sizeTolerance || Math.abs(a.height - b.height) > sizeTolerance;
}

const showingText = {
  text: 'as text',
  picture: 'as a picture, not as text',
  nothing: 'not at all',
} as const;

function partsDifferences(reference: PartsFacts, other: PartsFacts, than: string): Difference[] {
  const found: Difference[] = [];
  const both = reference.lookedFor.filter((part) => other.lookedFor.includes(part));
  const [parts, otherParts] = [partNames(reference, both), partNames(other, both)];
  const less = parts.filter((part) => !otherParts.includes(part));
  const more = otherParts.filter((part) => !parts.includes(part));
  if (less.length > 0) found.push({ what: 'parts', text: `It has no ${less.join(', no ')}; ${than} has.` });
  if (more.length > 0)
    found.push({ what: 'parts', text: `It has a ${more.join(', a ')}; ${than} has none.` });
  if (reference.shows && other.shows && reference.shows !== other.shows)
    found.push({
      what: 'readable',
      text: `The value is shown ${showingText[other.shows]}, in ${than} ${showingText[reference.shows]}.`,
    });
  const [order, otherOrder] = [reference.order?.join(' '), other.order?.join(' ')];
  if (order && otherOrder && order !== otherOrder)
    found.push({ what: 'order', text: `It is drawn as ${otherOrder}, in ${than} as ${order}.` });
  if (reference.clock && other.clock && reference.clock !== other.clock)
    found.push({ what: 'order', text: `Its clock has ${other.clock}, in ${than} ${reference.clock}.` });
  return found;
}

/** The words on and in a control are compared as values and messages; what is left is what one can see and use. */
function partNames({ parts }: PartsFacts, both: readonly ControlPart[]): string[] {
  const names = parts.map(({ part }) => (part === 'text area' ? 'text box' : part));
  return [...new Set(names)].filter((part) => part !== 'text' && both.includes(part));
}

function openingDifferences(reference: OpeningFacts, other: OpeningFacts, than: string): Difference[] {
  const found: Difference[] = [];
  if (reference.opened !== other.opened)
    found.push({
      what: 'opening',
      text: `${openingText(other)} here; in ${than}: ${openingText(reference).toLowerCase()}.`,
    });
  if (reference.opened && other.opened) found.push(...leavingDifferences(reference, other, than));
  return found;
}

/** What came of trying to open a field, without an end of the sentence. */
export function openingText({ opened, tried }: OpeningFacts): string {
  return opened ? `Opens by ${opened}` : `Nothing opens by ${tried.join(', ')}`;
}

function bubbleDifferences(reference: BubbleFacts, other: BubbleFacts, than: string): Difference[] {
  const found: Difference[] = [];
  if (reference.shown !== other.shown)
    found.push({
      what: 'bubble',
      text: other.shown
        ? `A bubble is shown, in ${than} there is none.`
        : `No bubble is shown, in ${than} there is one.`,
    });
  if (reference.showsTitle !== null && other.showsTitle !== null && reference.showsTitle !== other.showsTitle)
    found.push({
      what: 'title',
      text: other.showsTitle
        ? `The bubble shows the title, in ${than} it does not.`
        : `The bubble leaves out the title, in ${than} it shows it.`,
    });
  if (reference.shown && other.shown) found.push(...leavingDifferences(reference, other, than));
  return found;
}

function leavingDifferences(
  reference: Pick<OpeningFacts, 'leaves'>,
  other: Pick<OpeningFacts, 'leaves'>,
  than: string,
): Difference[] {
  if (reference.leaves.join() === other.leaves.join()) return [];
  const where = (leaves: readonly string[]) =>
    leaves.length > 0 ? `leaves the window at the ${leaves.join(' and the ')}` : 'stays in the window';
  return [{ what: 'window', text: `It ${where(other.leaves)}, in ${than} it ${where(reference.leaves)}.` }];
}

function messageDifferences(reference: MessageFacts, other: MessageFacts, than: string): Difference[] {
  const found: Difference[] = [];
  if (reference.willValidate !== other.willValidate)
    found.push({
      what: 'validation',
      text: other.willValidate
        ? `It is checked here, in ${than} it is not.`
        : `It is not checked here, in ${than} it is.`,
    });
  if (reference.flags.join() !== other.flags.join())
    found.push({
      what: 'flags',
      text: `What is wrong: ${list(other.flags)}; in ${than}: ${list(reference.flags)}.`,
    });
  if (reference.message !== null && other.message !== null && reference.message !== other.message)
    found.push({
      what: 'message',
      text: `It says ${quoted(other.message)}, ${than} says ${quoted(reference.message)}.`,
    });
  if (reference.saysTitle !== null && other.saysTitle !== null && reference.saysTitle !== other.saysTitle)
    found.push({
      what: 'title',
      text: other.saysTitle
        ? `The message says the title, in ${than} it does not.`
        : `The message leaves out the title, in ${than} it says it.`,
    });
  return found;
}

function quoted(text: string): string {
  return text === '' ? 'empty' : `“${text}”`;
}

function list(flags: readonly string[]): string {
  return flags.length === 0 ? 'nothing' : flags.join(', ');
}

/** Width × height in CSS px, to a tenth where it is not whole. */
export function sizeText({ width, height }: Size): string {
  const text = (n: number) => (Number.isInteger(n) ? String(n) : n.toFixed(1));
  return `${text(width)} × ${text(height)} px`;
}
