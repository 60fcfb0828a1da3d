'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { Button, Input, Progress, Select, Upload } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Field } from '@/core/form/field';
import type { Guard } from '@/core/guard/guard';
import type { SampleVerdicts } from '@/core/replay/replay-samples';
import type { Sample } from '@/core/replay/sample';
import { readSamples, writeSamples } from '@/core/replay/sample-table';
import type { TwoStageCheck } from '@/core/replay/two-stage';
import { type Verdict, verdicts } from '@/core/replay/verdict';
import { habitsOf } from '@/core/target/habits';
import type { Target } from '@/core/target/target';
import { ProvenanceMark } from '../frame/provenance-mark';
import { visible } from '../frame/visible-text';
import styles from './typing.module.css';
import { type LongReplay, useLongReplay } from './use-replay';

const signs: Readonly<Record<Verdict, string>> = { accepted: '✓', unfinished: '…', refused: '✕' };
type Filter = 'all' | 'surprises' | 'changed sides';

interface Replayed {
  readonly verdicts: SampleVerdicts;
  readonly stages: TwoStageCheck | null;
  readonly samples: readonly Sample[];
}

/** Texts with the verdicts that are expected of them, held against what each target makes of them. */
export function SamplesPanel({
  markup,
  field,
  guards,
  targets,
  text,
  onChange,
}: {
  markup: string;
  field: Field;
  guards: readonly Guard[];
  targets: readonly Target[];
  text: string;
  onChange: (text: string) => void;
}) {
  const reading = useMemo(() => readSamples(text), [text]);
  const samples = reading.status === 'read' ? reading.samples : [];
  const asked = useMemo(() => targets.filter((target) => habitsOf(target.id)), [targets]);
  const [filter, setFilter] = useState<Filter>('all');
  const [fault, setFault] = useState<string | null>(null);
  const { state, start, cancel } = useLongReplay<Replayed>();
  const [baseline, setBaseline] = useState<Replayed | null>(null);
  const [last, setLast] = useState<Replayed | null>(null);

  useEffect(() => {
    if (samples.length === 0) return;
    const timer = setTimeout(
      () =>
        start(async (work, progress) => {
          const { proxy } = await import('comlink');
          const of = { markup, field: field.id };
          const ids = asked.map(({ id }) => id);
          const found = await work.samples(of, guards, samples, ids, proxy(progress));
          const stages = await work.twoStages(of, guards, samples.slice(0, 20_000));
          return { verdicts: found, stages, samples };
        }),
      250,
    );
    return () => clearTimeout(timer);
  }, [markup, field.id, guards, samples, asked, start]);
  useEffect(() => {
    if (state.status !== 'there') return;
    setLast(state.answer);
    setBaseline((was) => (was && was.samples === state.answer.samples ? was : state.answer));
  }, [state]);

  const stuckAt = useStuckSample({ markup, field, guards, samples, asked, state });

  const shown = last && last.samples === samples ? last : null;
  const rows = useMemo(() => rowsOf(samples, shown, baseline, filter), [samples, shown, baseline, filter]);
  const counts = useMemo(() => countsOf(samples, shown, baseline), [samples, shown, baseline]);
  const add = (more: string) => {
    const read = readSamples(more);
    if (read.status === 'fault') {
      setFault(`Line ${read.line}: ${read.text}`);
      return false;
    }
    setFault(null);
    onChange(writeSamples([...samples, ...read.samples]));
    return true;
  };

  return (
    <div className={styles.samples}>
      <AddSamples onAdd={add} fault={fault ?? (reading.status === 'fault' ? reading.text : null)} />
      {samples.length === 0 ? (
        <p className={styles.lead}>
          A sample is a text with the verdict that you expect: accepted, unfinished or refused. Write some
          above, paste cells from a spreadsheet, or open a CSV file with the columns text and expected.
        </p>
      ) : (
        <>
          <div className={styles.sampleBar}>
            <Select<Filter>
              size="small"
              aria-label="Samples shown"
              value={filter}
              style={{ width: 190 }}
              options={[
                { value: 'all', label: `all, ${samples.length.toLocaleString('en-GB')}` },
                { value: 'surprises', label: `surprises, ${counts.surprises.toLocaleString('en-GB')}` },
                { value: 'changed sides', label: `changed sides, ${counts.changed.toLocaleString('en-GB')}` },
              ]}
              onChange={setFilter}
            />
            <Button size="small" disabled={!shown || counts.changed === 0} onClick={() => setBaseline(shown)}>
              Take as they are now
            </Button>
            {state.status === 'running' && (
              <>
                <Progress
                  percent={Math.floor((100 * state.done) / Math.max(1, samples.length * asked.length))}
                  size="small"
                  style={{ width: 160 }}
                  aria-label="Samples replayed"
                />
                <Button size="small" onClick={cancel}>
                  Cancel
                </Button>
              </>
            )}
            {state.status === 'stuck' && (
              <span className={styles.fault} role="alert">
                A guard took longer than 3 seconds over{' '}
                {stuckAt === null
                  ? 'one sample'
                  : `sample ${stuckAt + 1}, “${samples[stuckAt]?.text.slice(0, 40)}”,`}{' '}
                and was stopped. Mend its pattern; the samples are kept.
              </span>
            )}
            <Button size="small" style={{ marginLeft: 'auto' }} onClick={() => onChange('')}>
              Remove all
            </Button>
          </div>
          {shown?.stages && <Stages stages={shown.stages} />}
          <SampleList rows={rows} targets={asked} shown={shown} baseline={baseline} samples={samples} />
        </>
      )}
    </div>
  );
}

/** After a replay got stuck: looks for the sample over which it did, one after the other. */
function useStuckSample({
  markup,
  field,
  guards,
  samples,
  asked,
  state,
}: {
  markup: string;
  field: Field;
  guards: readonly Guard[];
  samples: readonly Sample[];
  asked: readonly Target[];
  state: LongReplay<Replayed>['state'];
}): number | null {
  const search = useLongReplay<SampleVerdicts>();
  const { start } = search;
  const done = state.status === 'stuck' ? state.done : null;
  const from = done === null || samples.length === 0 ? null : done % samples.length;
  useEffect(() => {
    const target = asked[Math.floor((done ?? 0) / Math.max(1, samples.length))];
    if (from === null || !target) return;
    start(async (work, progress) => {
      const { proxy } = await import('comlink');
      return work.samples(
        { markup, field: field.id },
        guards,
        samples.slice(from),
        [target.id],
        proxy(progress),
        true,
      );
    });
  }, [from, done, markup, field.id, guards, samples, asked, start]);
  return from !== null && search.state.status === 'stuck' ? from + search.state.done : null;
}

function verdictAt(replayed: Replayed, target: number, sample: number): Verdict | null {
  const code = replayed.verdicts.verdicts[target]?.[sample];
  return code === undefined ? null : (verdicts[code] ?? null);
}

function isSurprising(samples: readonly Sample[], shown: Replayed, index: number): boolean {
  return shown.verdicts.verdicts.some((codes) => verdicts[codes[index] ?? -1] !== samples[index]?.expected);
}

function hasChanged(shown: Replayed, baseline: Replayed, index: number): boolean {
  return shown.verdicts.verdicts.some(
    (codes, at) => codes[index] !== baseline.verdicts.verdicts[at]?.[index],
  );
}

function rowsOf(
  samples: readonly Sample[],
  shown: Replayed | null,
  baseline: Replayed | null,
  filter: Filter,
): readonly number[] {
  const all = samples.map((_, index) => index);
  if (filter === 'all' || !shown) return all;
  if (filter === 'surprises') return all.filter((index) => isSurprising(samples, shown, index));
  return baseline ? all.filter((index) => hasChanged(shown, baseline, index)) : [];
}

function countsOf(samples: readonly Sample[], shown: Replayed | null, baseline: Replayed | null) {
  return {
    surprises: shown ? rowsOf(samples, shown, baseline, 'surprises').length : 0,
    changed: shown && baseline ? rowsOf(samples, shown, baseline, 'changed sides').length : 0,
  };
}

function AddSamples({ onAdd, fault }: { onAdd: (text: string) => boolean; fault: string | null }) {
  const [text, setText] = useState('');
  return (
    <div className={styles.addSamples}>
      <Input.TextArea
        aria-label="New samples"
        className="mono"
        autoSize={{ minRows: 1, maxRows: 5 }}
        placeholder="TG4-7719-QX,accepted"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button disabled={text === ''} onClick={() => onAdd(text) && setText('')}>
        Add
      </Button>
      <Upload
        accept=".csv,.tsv,.txt"
        showUploadList={false}
        beforeUpload={async (file) => {
          onAdd(await file.text());
          return Upload.LIST_IGNORE;
        }}
      >
        <Button>Open CSV…</Button>
      </Upload>
      {fault && (
        <p className={styles.fault} role="alert">
          {fault}
        </p>
      )}
    </div>
  );
}

/** What the rules while typing and those at submission make of each other, in one or two sentences. */
function Stages({ stages }: { stages: TwoStageCheck }) {
  const { accepted, unreachable, letStand } = stages;
  const [first] = unreachable;
  const [standing] = letStand;
  return (
    <p className={styles.stages}>
      {first ? (
        <>
          <strong>{unreachable.length}</strong> of {accepted} texts that submission accepts cannot be typed:{' '}
          <span className="mono">{visible(first.text)}</span> dies at stroke {first.at + 1}.{' '}
        </>
      ) : (
        <>All {accepted} texts that submission accepts can be typed. </>
      )}
      {standing !== undefined && (
        <>
          <strong>{letStand.length}</strong> may stand to the end and are then refused, as{' '}
          <span className="mono">{visible(standing.slice(0, 40))}</span>.
        </>
      )}
    </p>
  );
}

function SampleList({
  rows,
  targets,
  shown,
  baseline,
  samples,
}: {
  rows: readonly number[];
  targets: readonly Target[];
  shown: Replayed | null;
  baseline: Replayed | null;
  samples: readonly Sample[];
}) {
  const scroll = useRef<HTMLDivElement>(null);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => 28,
    overscan: 12,
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
              <tr key={at} aria-rowindex={index + 2}>
                <td className="mono">{visible(sample.text.slice(0, 80))}</td>
                <td>{sample.expected}</td>
                {targets.map((target, column) => (
                  <SampleVerdict
                    key={target.id}
                    expected={sample.expected}
                    verdict={shown && verdictAt(shown, column, at)}
                    before={baseline && verdictAt(baseline, column, at)}
                  />
                ))}
              </tr>
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
