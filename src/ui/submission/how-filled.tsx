import { type FieldEntry, isRewritten } from '@/core/observation/field-entry';
import type { Sending } from '@/core/questions/submission/facts';
import { leftText, routesText, routeText, sendingText } from '@/core/words/entry-words';
import { VisibleText } from '../frame/visible-text';
import styles from './submission.module.css';

/** By which route a page of the developer's own was filled in, and what became of the fields where that is not what was entered. */
export function HowFilled({
  entries,
  setByScript,
  labelOf,
}: {
  entries: readonly FieldEntry[];
  /** What came of the same values where a script set them. */
  setByScript: Sending | null;
  labelOf: (id: string) => string;
}) {
  const told = entries.filter(
    (entry) => entry.status === 'left' || entry.by === 'script' || isRewritten(entry),
  );
  return (
    <>
      <h2>How it was filled in</h2>
      <p className="soft">{routesText(entries)}</p>
      {told.length > 0 && (
        <ul className={styles.filled} aria-label="Fields filled otherwise">
          {told.map((entry) => (
            <li key={entry.field}>
              <b>{labelOf(entry.field)}</b> <Entry entry={entry} />
            </li>
          ))}
        </ul>
      )}
      {setByScript && <p>The same values set by a script: {sendingText(setByScript)}</p>}
    </>
  );
}

function Entry({ entry }: { entry: FieldEntry }) {
  if (entry.status === 'left') return <>was left as it is. {leftText(entry.why)}</>;
  if (!isRewritten(entry)) return <>was filled {routeText(entry.by)}: no keys led to the value.</>;
  return (
    <>
      was given <Quoted text={entry.tried} /> and holds{' '}
      {entry.became === '' ? 'nothing' : <Quoted text={entry.became} />}.
    </>
  );
}

function Quoted({ text }: { text: string }) {
  return (
    <>
      “<VisibleText text={text} />”
    </>
  );
}
