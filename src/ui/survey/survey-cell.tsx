'use client';

import type { PictureId } from '@/core/observation/picture';
import type { BubbleObservation } from '@/core/questions/bubble/facts';
import type { Difference } from '@/core/questions/differences';
import type { LookObservation } from '@/core/questions/look/facts';
import type { MessageObservation } from '@/core/questions/message/facts';
import type { OpeningObservation } from '@/core/questions/opening/facts';
import type { PartsObservation } from '@/core/questions/parts/facts';
import type { TargetId } from '@/core/target/target';
import { differenceWords, openingText, pastWindow, sizeText } from '@/core/words/difference-words';
import { unansweredText } from '@/core/words/reason-words';
import { useTargetComparison } from '../frame/use-comparison';
import { pictureAddress, usePicture } from '../frame/use-picture';
import { VisibleText } from '../frame/visible-text';
import { ControlSketch } from './control-sketch';
import styles from './survey.module.css';

/** A picture at its true size; its name alone while it is not read yet. */
export function CellPicture({ picture: id, alt }: { picture: PictureId | null; alt: string }) {
  const picture = usePicture(id);
  if (!picture) return id ? <span className={styles.covered}>{alt}</span> : null;
  const { width, height } = picture;
  return (
    // biome-ignore lint/performance/noImgElement: it is data of this browser, there is nothing to optimise
    <img className={styles.picture} src={pictureAddress(picture)} width={width} height={height} alt={alt} />
  );
}

/** What a cell shows under the *look* lens: the control as the target draws it, or what is known of it. */
export function LookContent({
  look,
  parts,
  label,
  isAsked = true,
}: {
  look: LookObservation | undefined;
  parts: PartsObservation | undefined;
  label: string;
  /** Not every kind can be in every state. */
  isAsked?: boolean;
}) {
  if (!look) return <span className={styles.note}>{isAsked ? 'not asked' : 'no such state'}</span>;
  if (look.outcome.status !== 'answered')
    return <span className={styles.note}>{unansweredText(look.outcome)}</span>;
  const { picture, typeReflected, size, value } = look.outcome.facts;
  if (picture)
    return <CellPicture picture={picture} alt={`${label}, ${look.state}, ${look.provenance.mark}`} />;
  const known = parts?.outcome.status === 'answered' ? parts.outcome.facts.parts : [];
  if (known.length > 0)
    return (
      <ControlSketch
        parts={known.map(({ part }) => part)}
        text={typeReflected === 'password' ? '•'.repeat(value.length) : value}
        label={`${label}: ${known.map(({ part }) => part).join(', ')}`}
      />
    );
  return (
    <span className={styles.note}>
      {typeReflected}
      {size && `, ${sizeText(size)}`}, no picture
    </span>
  );
}

/** What a cell shows for the state *open*: the control with what a person made it open. */
export function OpeningContent({
  opening,
  label,
}: {
  opening: OpeningObservation | undefined;
  label: string;
}) {
  if (!opening) return <span className={styles.note}>not asked</span>;
  if (opening.outcome.status !== 'answered')
    return <span className={styles.note}>{unansweredText(opening.outcome)}</span>;
  const { picture, opened, leaves } = opening.outcome.facts;
  return (
    <>
      <CellPicture picture={picture} alt={`${label}, open, ${opening.provenance.mark}`} />
      <span className={styles.note}>
        {opened ? `on ${opened}` : openingText(opening.outcome.facts)}
        <Leaving sides={leaves} />
      </span>
    </>
  );
}

/** Says that something reaches past the window. */
export function Leaving({ sides }: { sides: readonly string[] }) {
  return sides.length > 0 ? <span className={styles.leaving}>, {pastWindow(sides)}</span> : null;
}

/** What a cell shows under the *message* lens: the bubble as it is seen, and the target's own words for what is wrong. */
export function MessageContent({
  message,
  bubble,
  label,
}: {
  message: MessageObservation | undefined;
  bubble: BubbleObservation | undefined;
  label: string;
}) {
  if (!message) return <span className={styles.note}>not asked</span>;
  if (message.outcome.status !== 'answered')
    return <span className={styles.note}>{unansweredText(message.outcome)}</span>;
  const { tried, flags, message: words, willValidate } = message.outcome.facts;
  if (!willValidate) return <span className={styles.note}>not checked</span>;
  const shown = bubble?.outcome.status === 'answered' ? bubble.outcome.facts : null;
  return (
    <>
      {shown?.picture && <CellPicture picture={shown.picture} alt={`${label}, bubble, measured`} />}
      <span className={shown?.picture ? styles.covered : undefined}>
        {words === null ? <span className={styles.note}>wording not known</span> : words || 'nothing to say'}
      </span>
      <span className={styles.note}>
        {flags.join(', ') || 'valid'} for <VisibleText text={tried} empty="an empty field" />
        {shown && !shown.shown && ', no bubble'}
        {shown && <Leaving sides={shown.leaves} />}
      </span>
    </>
  );
}

export function DifferenceNote({
  differences,
  target,
}: {
  differences: readonly Difference[];
  target: TargetId;
}) {
  const compared = useTargetComparison().against(target);
  const sentences = compared ? differences.map((one) => differenceWords(one, compared)) : [];
  return (
    <span className={styles.difference} title={sentences.join(' ')}>
      differs: {[...new Set(differences.map((one) => one.what))].join(', ')}
    </span>
  );
}
