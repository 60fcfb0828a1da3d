'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useRef } from 'react';
import type { SampleVerdicts } from '@/core/replay/replay-samples';
import type { Sample } from '@/core/replay/sample';
import type { TwoStageCheck } from '@/core/replay/two-stage';
import { type Verdict, verdicts } from '@/core/replay/verdict';
import type { Target } from '@/core/target/target';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useSteady } from '../frame/use-steady';
import { visible } from '../frame/visible-text';
import styles from './typing.module.css';

const signs: Readonly<Record<Verdict, string>> = { accepted: '✓', unfinished: '…', refused: '✕' };

/** What came out for some samples, in their order. */
export interface Replayed {
  readonly verdicts: SampleVerdicts;
  readonly stages: TwoStageCheck | null;
  readonly samples: readonly Sample[];
}

/** Samples as rows, of which only those in sight are drawn, with a column for each target. */
export function SampleList({
  rows,
  targets,
  shown,
  baseline,
  samples,
  onExpect,
  onRemove,
}: {
  rows: readonly number[];
  targets: readonly Target[];
  shown: Replayed | null;
  baseline: Replayed | null;
  samples: readonly Sample[];
  onExpect: (index: number, expected: Verdict) => void;
  onRemove: (index: number) => void;
}) {
  const scroll = useRef<HTMLDivElement>(null);
  const steadyExpect = useSteady(onExpect);
  const steadyRemove = useSteady(onRemove);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => 28,
    overscan: 4,
  });
  const items = list.getVirtualItems();
  const before = items[0]?.start ?? 0;
  const after = list.getTotalSize() - (items.at(-1)?.end ?? 0);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolled box is reached by keyboard
    <section ref={scroll} className={styles.sampleScroll} tabIndex={0} aria-label="Samples, scrolled">
      <table className={styles.sampleTable} aria-label="Samples" aria-rowcount={rows.length + 1}>
        <thead>
          <tr>
            <th scope="col" className={styles.sampleHead}>
              Text
            </th>
            <th scope="col" className={styles.sampleHead}>
              Expected
            </th>
            {targets.map((target) => (
              <th key={target.id} scope="col" className={styles.sampleHead}>
                <ProvenanceMark mark="modelled" /> {target.name}
              </th>
            ))}
            <td className={`${styles.sampleHead} ${styles.removeHead}`} />
          </tr>
        </thead>
        <tbody>
          {before > 0 && (
            <tr>
              <td style={{ height: before }} />
            </tr>
          )}
          {items.map(({ index }) => {
            const at = rows[index] ?? 0;
            const sample = samples[at];
            return sample ? (
              <SampleRow
                key={at}
                at={at}
                row={index + 2}
                sample={sample}
                targets={targets}
                shown={shown}
                baseline={baseline}
                onExpect={steadyExpect}
                onRemove={steadyRemove}
              />
            ) : null;
          })}
          {after > 0 && (
            <tr>
              <td style={{ height: after }} />
            </tr>
          )}
        </tbody>
      </table>
    </section>
  );
}

/** Rows that stay in sight while the list is scrolled are not drawn again. */
const SampleRow = memo(function SampleRow({
  at,
  row,
  sample,
  targets,
  shown,
  baseline,
  onExpect,
  onRemove,
}: Pick<Parameters<typeof SampleList>[0], 'targets' | 'shown' | 'baseline' | 'onExpect' | 'onRemove'> & {
  at: number;
  /** As assistive technology counts it. */
  row: number;
  sample: Sample;
}) {
  const name = sample.text.slice(0, 80);
  return (
    <tr aria-rowindex={row}>
      <td className="mono">{visible(name)}</td>
      <td>
        <select
          className={styles.expected}
          aria-label={`Expected of ${name}`}
          value={sample.expected}
          onChange={(event) => {
            const expected = verdicts.find((verdict) => verdict === event.target.value);
            if (expected) onExpect(at, expected);
          }}
        >
          {verdicts.map((verdict) => (
            <option key={verdict}>{verdict}</option>
          ))}
        </select>
      </td>
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

function SampleVerdict({
  expected,
  verdict,
  before,
}: {
  expected: Verdict;
  verdict: Verdict | null;
  before: Verdict | null;
}) {
  if (!verdict) return <td />;
  const moved = before && before !== verdict;
  return (
    <td className={verdict === expected ? undefined : styles.surprise}>
      <span aria-hidden="true">{signs[verdict]}</span> {verdict}
      {verdict !== expected && ' !'}
      {moved && <span className={styles.deed}> was {before}</span>}
    </td>
  );
}

function verdictAt(replayed: Replayed, target: number, sample: number): Verdict | null {
  const code = replayed.verdicts.verdicts[target]?.[sample];
  return code === undefined ? null : (verdicts[code] ?? null);
}
