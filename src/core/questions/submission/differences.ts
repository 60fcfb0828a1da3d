import type { Field } from '../../html/field';
import type { Sides } from '../../observation/sides';
import { type ReceivedEntry, receivedEntries } from '../../standard/form-decodings';
import type { Sending } from './facts';

/** One way in which what a target sends (`here`) differs from what another one does (`there`). Its sentence is made in `words/`. */
export type SendingDifference =
  /** Whether it is sent at all. */
  | Sides<'outcome', Sending['status']>
  /** The label of the field that is in the way; null: nobody knows. */
  | Sides<'blocked', string | null>
  /** The labels of fields that are not valid. */
  | Sides<'invalid', readonly string[]>
  /** What is said at the field that is in the way. */
  | Sides<'message', string>
  /** Method and encoding. */
  | Sides<'encoding', string>
  /** The values that go out under a name. */
  | (Sides<'entry', readonly string[]> & { readonly name: string });

/** @param fields whose labels are told where one is in the way */
export function sendingDifferences(
  there: Sending,
  here: Sending,
  fields: readonly Field[],
): SendingDifference[] {
  if (there.status !== here.status) return [{ what: 'outcome', here: here.status, there: there.status }];
  if (there.status === 'blocked' && here.status === 'blocked') return blockedDifferences(there, here, fields);
  if (there.status === 'sent' && here.status === 'sent') return sentDifferences(there, here);
  return [];
}

type Blocked = Extract<Sending, { status: 'blocked' }>;
type Sent = Extract<Sending, { status: 'sent' }>;

function blockedDifferences(there: Blocked, here: Blocked, fields: readonly Field[]): SendingDifference[] {
  const found: SendingDifference[] = [];
  const labelOf = (id: string) => fields.find((field) => field.id === id)?.label ?? id;
  const inTheWay = ({ by }: Blocked) => (by === null ? null : labelOf(by));
  if (there.by !== here.by) found.push({ what: 'blocked', here: inTheWay(here), there: inTheWay(there) });
  if (there.invalid.join() !== here.invalid.join())
    found.push({ what: 'invalid', here: here.invalid.map(labelOf), there: there.invalid.map(labelOf) });
  if (there.message !== null && here.message !== null && there.message !== here.message)
    found.push({ what: 'message', here: here.message, there: there.message });
  return found;
}

function sentDifferences(there: Sent, here: Sent): SendingDifference[] {
  const [encoding, other] = [here, there].map(({ method, contentType }) => `${method} ${contentType ?? ''}`);
  const found = entryDifferences(entriesOf(there), entriesOf(here));
  return encoding === other || encoding === undefined || other === undefined
    ? found
    : [{ what: 'encoding', here: encoding.trim(), there: other.trim() }, ...found];
}

function entriesOf({ url, contentType, body }: Sent): ReceivedEntry[] {
  return receivedEntries(url, contentType, body);
}

function entryDifferences(there: ReceivedEntry[], here: ReceivedEntry[]): SendingDifference[] {
  const names = [...new Set([...here, ...there].map(({ name }) => name))];
  const valuesIn = (entries: ReceivedEntry[], name: string) =>
    entries.filter((entry) => entry.name === name).map(({ value }) => value);
  return names.flatMap((name): SendingDifference[] => {
    const [own, others] = [valuesIn(here, name), valuesIn(there, name)];
    const isSame = own.length === others.length && own.every((value, index) => value === others[index]);
    return isSame ? [] : [{ what: 'entry', name, here: own, there: others }];
  });
}
