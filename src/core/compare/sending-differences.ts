import type { Field } from '../form/field';
import type { Sending } from '../observation/observation';
import { type ReceivedEntry, receivedEntries } from '../standard/form-decodings';

/** How what one target sends differs from what another one does, in words that stand alone. */
export function sendingDifferences(
  reference: Sending,
  other: Sending,
  than: string,
  fields: readonly Field[],
): string[] {
  const labelOf = (id: string | null) => fields.find((field) => field.id === id)?.label ?? id ?? 'no field';
  if (reference.status !== other.status)
    return [`Here ${outcomeText(other)}, in ${than} ${outcomeText(reference)}.`];
  if (reference.status === 'blocked' && other.status === 'blocked')
    return [
      ...(reference.by === other.by
        ? []
        : [`Here ${labelOf(other.by)} is in the way, in ${than} ${labelOf(reference.by)}.`]),
      ...(reference.invalid.join() === other.invalid.join()
        ? []
        : [
            `Not valid here: ${other.invalid.map(labelOf).join(', ')}; in ${than}: ${reference.invalid.map(labelOf).join(', ')}.`,
          ]),
      ...(reference.message === null || other.message === null || reference.message === other.message
        ? []
        : [`It says “${other.message}”, ${than} says “${reference.message}”.`]),
    ];
  if (reference.status !== 'sent' || other.status !== 'sent') return [];
  const line = (sent: { method: string; contentType: string | null }) =>
    `${sent.method} ${sent.contentType ?? ''}`;
  return [
    ...(line(reference) === line(other) ? [] : [`Sent as ${line(other)}, in ${than} as ${line(reference)}.`]),
    ...entryDifferences(entriesOf(reference), entriesOf(other), than),
  ];
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

function entryDifferences(reference: ReceivedEntry[], other: ReceivedEntry[], than: string): string[] {
  const names = [...new Set([...other, ...reference].map(({ name }) => name))];
  const valuesIn = (entries: ReceivedEntry[], name: string) =>
    entries.filter((entry) => entry.name === name).map(({ value }) => value);
  return names.flatMap((name) => {
    const [here, there] = [valuesIn(other, name), valuesIn(reference, name)];
    if (here.join('\n') === there.join('\n') && here.length === there.length) return [];
    if (here.length === 0) return [`${name} is not sent here, in ${than} it is.`];
    if (there.length === 0) return [`${name} is sent here, in ${than} it is not.`];
    return [`${name} is “${here.join('”, “')}”, in ${than} “${there.join('”, “')}”.`];
  });
}
