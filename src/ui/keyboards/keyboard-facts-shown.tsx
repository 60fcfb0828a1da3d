'use client';

import { askedText } from '@/core/observation/content-purpose';
import type { Provenance } from '@/core/observation/provenance';
import { type KeyboardFacts, type TappedEvent, untold } from '@/core/questions/keyboard/facts';
import { provenanceText } from '@/core/words/provenance-words';
import { pictureAddress, usePicture } from '../frame/use-picture';
import styles from './keyboards.module.css';

/** Which keyboard came up on a real screen, what it took of the page, and what the page heard of its first key. */
export function KeyboardFactsShown({
  facts: { program, asked, layout, height, fieldInSight, tapped, picture: id },
  provenance,
  label,
}: {
  facts: KeyboardFacts;
  provenance: Provenance;
  label: string;
}) {
  const picture = usePicture(id);
  const shrinks =
    height.before === height.with
      ? `stays ${height.before} px high`
      : `${height.before} to ${height.with} px`;
  const rows: readonly (readonly [string, string, boolean?])[] = [
    ...(asked === untold ? [] : [['engine asked for', askedText(asked)] as const]),
    ...(program === null ? [] : [['keyboard', program] as const]),
    ...(layout === untold ? [] : [['layout', layout ?? 'none'] as const]),
    ['page', shrinks],
    ['field', fieldInSight ? 'still in sight' : 'out of sight', !fieldInSight],
    ...tapRows(tapped),
    ['from', provenanceText(provenance)],
  ];
  return (
    <>
      {picture && (
        // biome-ignore lint/performance/noImgElement: the picture is data, not a file to be optimized
        <img
          className={styles.phonePicture}
          src={pictureAddress(picture)}
          width={picture.width / 2}
          height={picture.height / 2}
          alt={`${label} with the keyboard that came up`}
        />
      )}
      <dl className={styles.facts}>
        {rows.map(([name, value, isBad]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd className={isBad ? styles.bad : undefined}>{value}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

/** By key, in the order in which they were tapped, what the page heard of it. */
function tapRows(tapped: KeyboardFacts['tapped']): (readonly [string, string])[] {
  if (tapped === null) return [['first key tapped', 'there was none']];
  if (tapped.length === 0) return [['first key tapped', 'no event']];
  const keys = new Map<string | undefined, TappedEvent[]>();
  for (const event of tapped) keys.set(event.by, [...(keys.get(event.by) ?? []), event]);
  return [...keys].map(([by, events]) => [
    by === undefined ? 'first key tapped' : `key ${by}`,
    `${events.map(tapText).join(', ')}: ${JSON.stringify(events.at(-1)?.value ?? '')}`,
  ]);
}

function tapText({ type, key, data }: TappedEvent): string {
  const what = key ?? data;
  return what ? `${type} ${what}` : type;
}
