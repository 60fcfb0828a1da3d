import type { Sending } from '@/core/questions/submission/facts';
import { type ReceivedEntry, receivedEntries, utf8 } from '@/core/standard/form-decodings';
import { VisibleText, visible } from '../frame/visible-text';
import styles from './submission.module.css';

type Sent = Extract<Sending, { status: 'sent' }>;

/** What was sent: what a server reads of it beside the bytes that it came in, entry by entry. */
export function SentEntries({ sending, reference }: { sending: Sent; reference: Sending | null }) {
  const { method, url, contentType, body } = sending;
  const entries = receivedEntries(url, contentType, body);
  const others =
    reference?.status === 'sent'
      ? receivedEntries(reference.url, reference.contentType, reference.body)
      : null;
  const bytes = contentType === null ? url.length : body.length;
  return (
    <>
      <p className={styles.request}>
        <span className="mono">
          {method} {url.split('?')[0]}
        </span>
        {contentType && <span className="mono">content-type: {contentType}</span>}
        <span className="soft">
          {bytes.toLocaleString('en-GB')} bytes {contentType === null ? 'of address' : 'of body'},{' '}
          {entries.length} entries
        </span>
      </p>
      <table className={styles.entries} aria-label="Entries as received">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Value</th>
            <th scope="col">As it was sent</th>
          </tr>
        </thead>
        <tbody>
          {numbered(entries).map(({ key, entry }) => {
            const differs = others !== null && !others.some((other) => sameEntry(other, entry));
            return (
              <tr key={key} className={differs ? styles.other : undefined}>
                <td className="mono">
                  {visible(entry.name)}
                  {differs && <span className={styles.differs}>differs</span>}
                </td>
                <td>
                  <VisibleText text={entry.filename === null ? entry.value : `file “${entry.filename}”`} />
                </td>
                <td className={styles.bytes}>{visible(shownBytes(entry.encoded))}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

/** Bytes as text, with the line breaks that stand between the lines of a part as signs. */
function shownBytes(encoded: string): string {
  return utf8(encoded).replace(/\r\n/g, '\n').trimEnd();
}

function sameEntry(a: ReceivedEntry, b: ReceivedEntry): boolean {
  return a.name === b.name && a.encoded === b.encoded;
}

/** Entries may have one name; their place among those of the same name tells them apart. */
function numbered(entries: readonly ReceivedEntry[]): { key: string; entry: ReceivedEntry }[] {
  const counts = new Map<string, number>();
  return entries.map((entry) => {
    const count = counts.get(entry.name) ?? 0;
    counts.set(entry.name, count + 1);
    return { key: `${entry.name} ${count}`, entry };
  });
}
