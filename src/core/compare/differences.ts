import type { LookFacts, MessageFacts, Observation, Outcome, Size } from '../observation/observation';

/** One way in which an answer differs from the reference's, in words that stand alone. */
export interface Difference {
  readonly what: 'applicable' | 'type' | 'size' | 'value' | 'validation' | 'flags' | 'message';
  readonly text: string;
}

/** Sizes of the same control in two engines differ by a few CSS px for fonts alone; more than this counts. */
export const sizeTolerance = 4;

/**
 * How an answer differs from the answer of the reference to the same question. What either side does not know is no
 * difference; an answer that failed is none either, for it says nothing about the target.
 */
export function differences(
  reference: Observation | undefined,
  other: Observation | undefined,
): Difference[] {
  if (!reference || !other) return [];
  if (reference.question === 'look' && other.question === 'look')
    return outcomeDifferences(reference.outcome, other.outcome, lookDifferences);
  if (reference.question === 'message' && other.question === 'message')
    return outcomeDifferences(reference.outcome, other.outcome, messageDifferences);
  return [];
}

function outcomeDifferences<Facts>(
  reference: Outcome<Facts>,
  other: Outcome<Facts>,
  compare: (reference: Facts, other: Facts) => Difference[],
): Difference[] {
  if (reference.status === 'failed' || other.status === 'failed') return [];
  if (reference.status === 'answered' && other.status === 'answered')
    return compare(reference.facts, other.facts);
  if (reference.status === other.status) return [];
  const text =
    other.status === 'inapplicable'
      ? other.reason
      : 'Here there is an answer, in the reference there is none.';
  return [{ what: 'applicable', text }];
}

function lookDifferences(reference: LookFacts, other: LookFacts): Difference[] {
  const found: Difference[] = [];
  if (reference.typeReflected !== other.typeReflected)
    found.push({
      what: 'type',
      text: `It is ${quoted(other.typeReflected)}, in the reference ${quoted(reference.typeReflected)}.`,
    });
  if (reference.size && other.size && isOtherSize(reference.size, other.size))
    found.push({
      what: 'size',
      text: `It is ${sizeText(other.size)}, in the reference ${sizeText(reference.size)}.`,
    });
  if (reference.value !== other.value)
    found.push({
      what: 'value',
      text: `The value is ${quoted(other.value)}, in the reference ${quoted(reference.value)}.`,
    });
  return found;
}

function isOtherSize(a: Size, b: Size): boolean {
  return Math.abs(a.width - b.width) > sizeTolerance || Math.abs(a.height - b.height) > sizeTolerance;
}

function messageDifferences(reference: MessageFacts, other: MessageFacts): Difference[] {
  const found: Difference[] = [];
  if (reference.willValidate !== other.willValidate)
    found.push({
      what: 'validation',
      text: other.willValidate
        ? 'It is checked here, in the reference it is not.'
        : 'It is not checked here, in the reference it is.',
    });
  if (reference.flags.join() !== other.flags.join())
    found.push({
      what: 'flags',
      text: `What is wrong: ${list(other.flags)}; in the reference: ${list(reference.flags)}.`,
    });
  if (reference.message !== null && other.message !== null && reference.message !== other.message)
    found.push({
      what: 'message',
      text: `It says ${quoted(other.message)}, the reference ${quoted(reference.message)}.`,
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
