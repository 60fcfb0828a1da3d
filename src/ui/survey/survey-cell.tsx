'use client';

import type { Difference } from '@/core/compare/differences';
import { sizeText } from '@/core/compare/differences';
import type { LookObservation, MessageObservation } from '@/core/observation/observation';
import type { PictureId } from '@/core/observation/picture';
import type { PictureFile } from '../frame/use-run';
import { VisibleText } from '../frame/visible-text';
import { ControlSketch } from './control-sketch';
import styles from './survey.module.css';

/** What a cell shows under the *look* lens: the control as the target draws it, or what is known of it. */
export function LookContent({
  look,
  label,
  pictures,
}: {
  look: LookObservation | undefined;
  label: string;
  pictures: ReadonlyMap<PictureId, PictureFile>;
}) {
  if (!look) return <span className={styles.note}>not asked</span>;
  if (look.outcome.status !== 'answered') return <span className={styles.note}>{look.outcome.reason}</span>;
  const { picture, parts, typeReflected, size, value } = look.outcome.facts;
  const file = picture ? pictures.get(picture) : undefined;
  if (file)
    return (
      // biome-ignore lint/performance/noImgElement: it is a blob of this browser, there is nothing to optimise
      <img
        className={styles.picture}
        src={file.url}
        width={file.width}
        height={file.height}
        alt={`${label}, ${look.state}, ${look.provenance.mark}`}
      />
    );
  if (parts)
    return (
      <ControlSketch
        parts={parts}
        text={typeReflected === 'password' ? '•'.repeat(value.length) : value}
        label={`${label}: ${parts.join(', ')}`}
      />
    );
  return (
    <span className={styles.note}>
      {typeReflected}
      {size && `, ${sizeText(size)}`}, no picture
    </span>
  );
}

/** What a cell shows under the *message* lens: the target's own words for what is wrong. */
export function MessageContent({ message }: { message: MessageObservation | undefined }) {
  if (!message) return <span className={styles.note}>not asked</span>;
  if (message.outcome.status !== 'answered')
    return <span className={styles.note}>{message.outcome.reason}</span>;
  const { tried, flags, message: words, willValidate } = message.outcome.facts;
  if (!willValidate) return <span className={styles.note}>not checked</span>;
  return (
    <>
      <span>
        {words === null ? <span className={styles.note}>wording not known</span> : words || 'nothing to say'}
      </span>
      <span className={styles.note}>
        {flags.join(', ') || 'valid'} for <VisibleText text={tried} empty="an empty field" />
      </span>
    </>
  );
}

export function DifferenceNote({ differences }: { differences: readonly Difference[] }) {
  if (differences.length === 0) return null;
  return (
    <span className={styles.difference} title={differences.map((one) => one.text).join(' ')}>
      differs: {[...new Set(differences.map((one) => one.what))].join(', ')}
    </span>
  );
}
