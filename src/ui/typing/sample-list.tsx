'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { Pagination } from 'antd';
import { type CSSProperties, memo, useLayoutEffect, useRef, useState } from 'react';
import { type IndexedSamples, sampleAt, sampleCount } from '@/core/guard/indexed-samples';
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
  /** Those of `IndexedSamples` that they are. */
  readonly texts: string;
}

/** How high a row is, CSS px. */
const rowHeight = 28;
/** Where each row of a page stands is worked out in one go, and engines end what is higher than some 17 million CSS px. */
const rowsOfPage = 100_000;
/** How many rows are drawn on either side of those in sight. */
const beyond = 4;

interface Shown {
  /** Indices of samples; null for all. */
  readonly rows: Uint32Array | null;
  readonly targets: readonly Target[];
  readonly shown: Replayed | null;
  readonly baseline: Replayed | null;
  readonly samples: IndexedSamples;
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
  const all = rows?.length ?? sampleCount(samples);
  const [turnedTo, setPage] = useState(0);
  const page = Math.min(turnedTo, Math.max(0, Math.ceil(all / rowsOfPage) - 1));
  const first = page * rowsOfPage;
  const list = useVirtualizer({
    count: Math.min(rowsOfPage, all - first),
    getScrollElement: () => scroll.current,
    estimateSize: () => rowHeight,
    // Always as many, so that a row that leaves at one end comes in again at the other: only its words change.
    rangeExtractor: ({ startIndex, count }) => {
      const inSight = Math.ceil((scroll.current?.clientHeight ?? 0) / rowHeight) + 1;
      const drawn = Math.min(count, inSight + 2 * beyond);
      const top = Math.max(0, Math.min(startIndex - beyond, count - drawn));
      return Array.from({ length: drawn }, (_, at) => top + at);
    },
  });
  const items = list.getVirtualItems();
  const rowOf = (index: number) => index % items.length;
  // In their order again when the list rests, for those who go through it by keyboard: to move a row is to make it anew.
  const inOrder = list.isScrolling ? items.toSorted((a, b) => rowOf(a.index) - rowOf(b.index)) : items;
  const turn = (to: number) => {
    setPage(to - 1);
    list.scrollToOffset(0);
  };
  return (
    <>
      <section
        ref={scroll}
        className={styles.sampleScroll}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolled box is reached by keyboard
        tabIndex={0}
        aria-label="Samples, scrolled"
        style={{ '--targets': targets.length } as CSSProperties}
      >
        <table className={styles.sampleTable} aria-label="Samples" aria-rowcount={all + 1}>
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
              const at = rows ? (rows[first + index] ?? 0) : first + index;
              const sample = sampleAt(samples, at);
              return sample ? (
                <SampleRow
                  key={rowOf(index)}
                  at={at}
                  row={first + index + 2}
                  start={start}
                  text={sample.text}
                  expected={sample.expected}
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
      {all > rowsOfPage && (
        <Pagination
          size="small"
          className={styles.samplePages}
          aria-label="Pages of samples"
          current={page + 1}
          pageSize={rowsOfPage}
          total={all}
          showSizeChanger={false}
          showTotal={(total, [from, to]) =>
            `${from.toLocaleString('en-GB')} to ${to.toLocaleString('en-GB')} of ${total.toLocaleString('en-GB')}`
          }
          onChange={turn}
        />
      )}
    </>
  );
});

/** Rows that stay in sight while the list is scrolled are not drawn again. */
const SampleRow = memo(function SampleRow({
  at,
  row,
  start,
  text,
  expected,
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
  text: string;
  expected: Verdict;
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
  const name = text.slice(0, 80);
  return (
    <tr ref={line} aria-rowindex={row} style={{ transform: `translateY(${start}px)` }}>
      <td className="mono">{visible(name)}</td>
      <ExpectedChoice sample={at} name={name} expected={expected} onExpect={onExpect} />
      {targets.map((target, column) => (
        <SampleVerdict
          key={target.id}
          expected={expected}
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
