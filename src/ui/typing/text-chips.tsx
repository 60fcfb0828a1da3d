'use client';

import { visible } from '../frame/visible-text';
import styles from './rule.module.css';

/** Texts side by side; one that is picked becomes a sample. */
export function TextChips({
  texts,
  notes = [],
  empty,
  onPick,
}: {
  texts: readonly string[];
  /** What is special about each, in the same order. */
  notes?: readonly string[];
  empty: string;
  onPick: (text: string) => void;
}) {
  if (texts.length === 0) return <span className="soft">{empty}</span>;
  return (
    <span className={styles.chips}>
      {texts.map((text, index) => (
        <button
          key={text}
          type="button"
          className={styles.chip}
          title={notes[index] ? `${notes[index]}. Add it to the samples.` : 'Add it to the samples'}
          onClick={() => onPick(text)}
        >
          {text === '' ? <span className="soft">nothing at all</span> : visible(text.slice(0, 60))}
        </button>
      ))}
    </span>
  );
}
