'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { type CSSProperties, memo, useLayoutEffect, useRef } from 'react';
import type { Sample } from '@/core/guard/sample';
import { type Judged, judged, type Verdict } from '@/core/guard/verdict';
import type { SampleVerdicts } from '@/core/replay/replay-samples';
import type { TwoStageCheck } from '@/core/replay/two-stage';
import type { Target } from '@/core/target/target';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useSteady } from '../frame/use-steady';
import { visible } from '../frame/visible-text';
import { ExpectedChoice } from './expected-choice';
import styles from './typing.module.css';
import { verdictSigns } from './verdict-signs';

/** What came out for some samples, in their order. */
export interface Replayed {
  readonly verdicts: SampleVerdicts;
  readonly stages: TwoStageCheck | null;
  readonly samples: readonly Sample[];
}

/** How high a row is, CSS px. */
const rowHeight = 28;
/** How many rows are drawn on either side of those in sight. */
const beyond = 4;

interface Shown {
  /** Indices of samples. */
  readonly rows: readonly number[];
  readonly targets: readonly Target[];
  readonly shown: Replayed | null;
  readonly baseline: Replayed | null;
  readonly samples: readonly Sample[];
  /** Both steady. */
  readonly onExpect: (index: number, expected: Verdict) => void;
  readonly onRemove: (index: number) => void;
}

/** Samples as rows, of which only those in sight are drawn, with a column for each target. */
export const SampleList = memo(function SampleList({
  rows,
  targets,
  shown,
  baseline,
  samples,
  onExpect,
  onRemove,
}: Shown) {
  const scroll = useRef<HTMLElement>(null);
  const leaveRow = useSteady(() => scroll.current?.focus({ preventScroll: true }));
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => rowHeight,
    // Always as many, so that a row that leaves at one end comes in again at the other: only its words change.
    rangeExtractor: ({ startIndex, count }) => {
      const inSight = Math.ceil((scroll.current?.clientHeight ?? 0) / rowHeight) + 1;
      const drawn = Math.min(count, inSight + 2 * beyond);
      const first = Math.max(0, Math.min(startIndex - beyond, count - drawn));
      return Array.from({ length: drawn }, (_, at) => first + at);
    },
  });
  const items = list.getVirtualItems();
  const rowOf = (index: number) => index % items.length;
  // In their order again when the list rests, for those who go through it by keyboard: to move a row is to make it anew.
  const inOrder = list.isScrolling ? items.toSorted((a, b) => rowOf(a.index) - rowOf(b.index)) : items;
  return (
    <section
      ref={scroll}
      className={styles.sampleScroll}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolled box is reached by keyboard
      tabIndex={0}
      aria-label="Samples, scrolled"
      style={{ '--targets': targets.length } as CSSProperties}
    >
      <table className={styles.sampleTable} aria-label="Samples" aria-rowcount={rows.length + 1}>
        <thead>
          <tr aria-rowindex={1}>
            <th scope="col">Text</th>
            <th scope="col">Expected</th>
            {targets.map((target) => (
              <th key={target.id} scope="col">
                <ProvenanceMark mark="modelled" /> {target.name}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody style={{ height: list.getTotalSize() }}>
          {inOrder.map(({ index, start }) => {
            const at = rows[index] ?? 0;
            const sample = samples[at];
            return sample ? (
              <SampleRow
                key={rowOf(index)}
                at={at}
                row={index + 2}
                start={start}
                sample={sample}
                targets={targets}
                shown={shown}
                baseline={baseline}
                onExpect={onExpect}
                onRemove={onRemove}
                onLeave={leaveRow}
              />
            ) : null;
          })}
        </tbody>
      </table>
    </section>
  );
});

/** Rows that stay in sight while the list is scrolled are not drawn again. */
const SampleRow = memo(function SampleRow({
  at,
  row,
  start,
  sample,
  targets,
  shown,
  baseline,
  onExpect,
  onRemove,
  onLeave,
}: Pick<Shown, 'targets' | 'shown' | 'baseline' | 'onExpect' | 'onRemove'> & {
  at: number;
  /** As assistive technology counts it. */
  row: number;
  /** Where it stands in the list, CSS px. */
  start: number;
  sample: Sample;
  /** The sample that had the focus has left. */
  onLeave: () => void;
}) {
  const line = useRef<HTMLTableRowElement>(null);
  const stood = useRef(at);
  // What had the focus was the control of another sample.
  useLayoutEffect(() => {
    if (stood.current !== at && line.current?.contains(document.activeElement)) onLeave();
    stood.current = at;
  }, [at, onLeave]);
  const name = sample.text.slice(0, 80);
  return (
    <tr ref={line} aria-rowindex={row} style={{ transform: `translateY(${start}px)` }}>
      <td className="mono">{visible(name)}</td>
      <ExpectedChoice sample={at} name={name} expected={sample.expected} onExpect={onExpect} />
      {targets.map((target, column) => (
        <SampleVerdict
          key={target.id}
          expected={sample.expected}
          verdict={shown && verdictAt(shown, column, at)}
          before={baseline && verdictAt(baseline, column, at)}
        />
      ))}
      <td>
        <button
          type="button"
          className={styles.remove}
          aria-label={`Remove ${name}`}
          title="Remove"
          onClick={() => onRemove(at)}
        >
          ×
        </button>
      </td>
    </tr>
  );
});

const SampleVerdict = memo(function SampleVerdict({
  expected,
  verdict,
  before,
}: {
  expected: Verdict;
  verdict: Judged | null;
  before: Judged | null;
}) {
  if (!verdict) return <td />;
  const isSurprise = verdict !== expected && verdict !== 'not worked out';
  const moved = before && before !== verdict;
  return (
    <td className={isSurprise ? styles.surprise : undefined}>
      {`${verdictSigns[verdict]} ${verdict}${isSurprise ? ' !' : ''}`}
      {moved && <span className={styles.deed}> was {before}</span>}
    </td>
  );
});

function verdictAt(replayed: Replayed, target: number, sample: number): Judged | null {
  const code = replayed.verdicts.verdicts[target]?.[sample];
  return code === undefined ? null : (judged[code] ?? null);
}
