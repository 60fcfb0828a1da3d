import type { Field } from '../form/field';
import type { Sending } from '../observation/observation';
import { type ReceivedEntry, receivedEntries } from '../standard/form-decodings';

/** One way in which what a target sends differs from what another one does, in words that stand alone. */
export interface SendingDifference {
  /** Whether it is sent at all; who is in the way; the words at it; how it is written; what is in it. */
  readonly what: 'outcome' | 'blocked' | 'message' | 'encoding' | 'entry';
  /** Name of the entry. */
  readonly name: string | null;
  readonly text: string;
}

export function sendingDifferences(
  reference: Sending,
  other: Sending,
  than: string,
  fields: readonly Field[],
): SendingDifference[] {
  const labelOf = (id: string | null) => fields.find((field) => field.id === id)?.label ?? id ?? 'no field';
  const found: SendingDifference[] = [];
  const say = (what: SendingDifference['what'], text: string) => found.push({ what, name: null, text });
  if (reference.status !== other.status)
    say('outcome', `Here ${outcomeText(other)}, in ${than} ${outcomeText(reference)}.`);
  if (reference.status === 'blocked' && other.status === 'blocked') {
    if (reference.by !== other.by)
      say('blocked', `Here ${labelOf(other.by)} is in the way, in ${than} ${labelOf(reference.by)}.`);
    if (reference.invalid.join() !== other.invalid.join())
      say(
        'blocked',
        `Not valid here: ${other.invalid.map(labelOf).join(', ')}; in ${than}: ${reference.invalid.map(labelOf).join(', ')}.`,
      );
    if (reference.message !== null && other.message !== null && reference.message !== other.message)
      say('message', `It says “${other.message}”, ${than} says “${reference.message}”.`);
  }
  if (reference.status === 'sent' && other.status === 'sent') {
    const line = (sent: { method: string; contentType: string | null }) =>
      `${sent.method} ${sent.contentType ?? ''}`;
    if (line(reference) !== line(other))
      say('encoding', `Sent as ${line(other)}, in ${than} as ${line(reference)}.`);
    found.push(...entryDifferences(entriesOf(reference), entriesOf(other), than));
  }
  return found;
}

function outcomeText(sending: Sending): string {
  switch (sending.status) {
    case 'sent':
      return 'the form is sent';
    case 'blocked':
      return 'a field is in the way';
    case 'nothing':
      return 'nothing is sent';
  }
}

function entriesOf({ url, contentType, body }: Extract<Sending, { status: 'sent' }>): ReceivedEntry[] {
  return receivedEntries(url, contentType, body);
}

function entryDifferences(
  reference: ReceivedEntry[],
  other: ReceivedEntry[],
  than: string,
): SendingDifference[] {
  const names = [...new Set([...other, ...reference].map(({ name }) => name))];
  const valuesIn = (entries: ReceivedEntry[], name: string) =>
    entries.filter((entry) => entry.name === name).map(({ value }) => value);
  return names.flatMap((name): SendingDifference[] => {
    const [here, there] = [valuesIn(other, name), valuesIn(reference, name)];
    if (here.join('\n') === there.join('\n') && here.length === there.length) return [];
    const text =
      here.length === 0
        ? `${name} is not sent here, in ${than} it is.`
        : there.length === 0
          ? `${name} is sent here, in ${than} it is not.`
          : `${name} is “${here.join('”, “')}”, in ${than} “${there.join('”, “')}”.`;
    return [{ what: 'entry', name, text }];
  });
}
