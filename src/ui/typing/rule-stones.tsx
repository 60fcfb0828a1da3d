'use client';

import { Fragment } from 'react';
import { isLiteral, literalOf, type Part, type SourceSpan, timesWords } from '@/core/pattern/parts';
import type { PathThrough } from '@/core/pattern/path-through';
import { visible } from '../frame/visible-text';
import styles from './rule.module.css';

type Rows = readonly (readonly Part[])[];

interface Shown {
  readonly path: PathThrough | null;
  readonly untouched: ReadonlySet<number>;
  /** The part at the caret of the source. */
  readonly at: SourceSpan | null;
  readonly onPick: (span: SourceSpan) => void;
}

/** The rule as stones to step on, from left to right; what a text has stepped on is filled, what can come next is open. */
export function RuleStones({ rows, ...shown }: Shown & { rows: Rows }) {
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset would draw a frame of its own
    <div className={styles.stones} role="group" aria-label="The rule, part by part">
      <Choice rows={rows} {...shown} />
    </div>
  );
}

function Choice({ rows, ...shown }: Shown & { rows: Rows }) {
  if (rows.length === 1) return <Row row={rows[0] ?? []} {...shown} />;
  return (
    <div className={styles.choice}>
      {rows.map((row, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a row has no other name than its place
        <Fragment key={index}>
          {index > 0 && <span className={styles.or}>or</span>}
          <Row row={row} {...shown} />
        </Fragment>
      ))}
    </div>
  );
}

function Row({ row, ...shown }: Shown & { row: readonly Part[] }) {
  if (row.length === 0) return <span className={styles.place}>nothing</span>;
  return (
    <div className={styles.stoneRow}>
      {row.map((part) => (
        <Stone key={part.id} part={part} {...shown} />
      ))}
    </div>
  );
}

function Stone({ part, ...shown }: Shown & { part: Part }) {
  switch (part.is) {
    case 'set':
      return <SetStone part={part} times="" {...shown} />;
    case 'times': {
      const times = timesWords(part.min, part.max);
      if (part.part.is === 'set') return <SetStone part={part.part} times={times} {...shown} />;
      return (
        <div className={styles.times}>
          <Stone part={part.part} {...shown} />
          <span className={styles.timesWords}>{times}</span>
        </div>
      );
    }
    case 'choice':
      return <Choice rows={part.rows} {...shown} />;
    case 'look':
      return (
        <div className={styles.look}>
          <span className={styles.place}>{part.words}</span>
          <Choice rows={part.rows} {...shown} />
        </div>
      );
    case 'place':
    case 'again':
      return <span className={styles.place}>{part.words}</span>;
  }
}

function SetStone({
  part,
  times,
  path,
  untouched,
  at,
  onPick,
}: Shown & { part: Extract<Part, { is: 'set' }>; times: string }) {
  const taken = path?.parts.filter((id) => id === part.id).length ?? 0;
  const state = taken > 0 ? 'taken' : path?.next.has(part.id) ? 'next' : 'ahead';
  const isAt = at !== null && at.start >= part.span.start && at.start < part.span.end;
  const isLonely = untouched.has(part.id);
  const words = isLiteral(part) ? literalOf(part.raw) : part.words;
  const said = [
    words,
    times,
    taken > 0 ? `took ${taken === 1 ? 'one character' : `${taken} characters`} of the text` : '',
    path?.next.has(part.id) ? 'can come next' : '',
    isLonely ? 'no sample uses it' : '',
  ];
  return (
    <button
      type="button"
      className={styles.stone}
      data-state={state}
      data-lonely={isLonely || undefined}
      data-literal={isLiteral(part) || undefined}
      aria-pressed={isAt}
      aria-label={said.filter(Boolean).join(', ')}
      title={isLonely ? 'No sample uses it.' : undefined}
      onClick={() => onPick(part.span)}
    >
      {isLiteral(part) ? <span className="mono">{visible(words)}</span> : <span>{words}</span>}
      {times && <span className={styles.timesWords}>{times}</span>}
    </button>
  );
}
