'use client';

import { Input } from 'antd';
import { useId, useState } from 'react';
import { validTrial } from '@/core/document/trial-value';
import type { Field } from '@/core/html/field';
import { type Speaker, speakerFor, type Tried, takesText, tryValue } from '@/core/model/try-value';
import { GaveUp } from '@/core/regexp/budget';
import { trustText } from '@/core/words/trust-words';
import { unworkedText } from '@/core/words/unworked-words';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useLineUp } from '../frame/use-line-up';
import { VisibleText } from '../frame/visible-text';
import styles from './try-value.module.css';

/** What would become of a value in this field, in each target of the line-up, at once. */
export function TryValue({ field }: { field: Field }) {
  const id = useId();
  const { lineUp } = useLineUp();
  const [text, setText] = useState<string | null>(null);
  if (!takesText(field.kind)) return null;
  const speakers = lineUp.targets.flatMap((target) => {
    const speaker = speakerFor(target);
    return speaker ? [{ target, speaker }] : [];
  });
  const trial = validTrial(field);
  const tried = text ?? (trial.status === 'value' ? trial.value : '');
  return (
    <section className={styles.try} aria-label="Try a value">
      <label htmlFor={id}>Try a value</label>
      <Input
        id={id}
        className="mono"
        value={tried}
        spellCheck={false}
        onChange={(event) => setText(event.target.value)}
      />
      <ul aria-live="polite">
        {speakers.map(({ target, speaker }) => (
          <li key={target.id}>
            <span className={styles.target} title={trustText({ deviations: speaker.engine }, field.kind)}>
              <ProvenanceMark mark="modelled" size={11} /> {target.name}
            </span>
            <Verdict field={field} text={tried} speaker={speaker} />
          </li>
        ))}
      </ul>
      {speakers[0] && (
        <p className={styles.trust}>{trustText({ deviations: speakers[0].speaker.engine }, field.kind)}</p>
      )}
    </section>
  );
}

function Verdict({ field, text, speaker }: { field: Field; text: string; speaker: Speaker }) {
  const tried = triedOrReason(field, text, speaker);
  if (typeof tried === 'string') return <span className="soft">{tried}</span>;
  return (
    <>
      <span className={styles.holds}>
        <VisibleText text={tried.value} />
      </span>
      <span>
        <Words tried={tried} language={speaker.language} />{' '}
        {tried.arrows && (
          <span className={styles.arrows}>
            ↑ <span className="mono">{tried.arrows.up}</span> ↓{' '}
            <span className="mono">{tried.arrows.down}</span>
          </span>
        )}
      </span>
    </>
  );
}

/** What becomes of the text, or why that is not worked out. */
function triedOrReason(field: Field, text: string, speaker: Speaker): Tried | string {
  try {
    return tryValue(field, text, speaker);
  } catch (error) {
    if (error instanceof GaveUp) return unworkedText(error.code);
    throw error;
  }
}

function Words({ tried, language }: { tried: Tried; language: string }) {
  if (!tried.willValidate) return <span className="soft">not checked</span>;
  if (tried.flags.length === 0) return <span>accepted</span>;
  return (
    <>
      <span className={styles.refused}>refused: {tried.flags.join(', ')}</span>{' '}
      {tried.message && (
        <q lang={language} dir="auto">
          {tried.message}
        </q>
      )}
    </>
  );
}
