'use client';

import { Button, Input, Progress, Select, Upload } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Guard } from '@/core/guard/guard';
import type { Sample } from '@/core/guard/sample';
import { readSamples, writeSamples } from '@/core/guard/sample-table';
import { judged, type Verdict } from '@/core/guard/verdict';
import type { Field } from '@/core/html/field';
import { habitsOf } from '@/core/model/deviations/habits';
import type { TwoStageCheck } from '@/core/replay/two-stage';
import type { Target } from '@/core/target/target';
import { samplesFaultText } from '@/core/words/samples-fault-words';
import { useLongReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { useSteady } from '../frame/use-steady';
import { visible } from '../frame/visible-text';
import { type Replayed, SampleList } from './sample-list';
import styles from './typing.module.css';

const none: readonly Sample[] = [];
type Filter = 'all' | 'surprises' | 'changed sides';

/** How many samples the rules while typing and those at submission are held against each other with. */
const mostInStages = 20_000;

/** Texts with the verdicts that are expected of them, held against what each target makes of them. */
export function SamplesPanel({
  field,
  guards,
  targets,
  text,
  onChange,
}: {
  field: Field;
  guards: readonly Guard[];
  targets: readonly Target[];
  text: string;
  onChange: (text: string) => void;
}) {
  const of = useReplayedField(field);
  const reading = useMemo(() => readSamples(text), [text]);
  const samples = reading.status === 'read' ? reading.samples : none;
  const typed = useSameTexts(samples);
  const asked = useMemo(() => targets.filter((target) => habitsOf(target.id)), [targets]);
  const [filter, setFilter] = useState<Filter>('all');
  const [fault, setFault] = useState<string | null>(null);
  const { state, start, cancel } = useLongReplay<Replayed>();
  const [baseline, setBaseline] = useState<Replayed | null>(null);
  const [last, setLast] = useState<Replayed | null>(null);

  useEffect(() => {
    if (typed.length === 0) return;
    const timer = setTimeout(
      () =>
        start(async (work, progress) => {
          const { proxy } = await import('comlink');
          const ids = asked.map(({ id }) => id);
          const found = await work.samples(of, guards, typed, ids, proxy(progress));
          const replayed = typed.length * ids.length;
          const stages = await work.twoStages(
            of,
            guards,
            typed.slice(0, mostInStages),
            proxy((done) => progress(replayed + done)),
          );
          return { verdicts: found, stages, samples: typed };
        }),
      250,
    );
    return () => clearTimeout(timer);
  }, [of, guards, typed, asked, start]);
  useEffect(() => {
    if (state.status !== 'there') return;
    setLast(state.answer);
    setBaseline((was) => (was && was.samples === state.answer.samples ? was : state.answer));
  }, [state]);

  const shown = last && last.samples === typed ? last : null;
  const rows = useMemo(() => rowsOf(samples, shown, baseline, filter), [samples, shown, baseline, filter]);
  const counts = useMemo(() => countsOf(samples, shown, baseline), [samples, shown, baseline]);
  const add = (more: string) => {
    const read = readSamples(more);
    if (read.status === 'fault') {
      setFault(`Line ${read.line}: ${samplesFaultText(read.fault)}`);
      return false;
    }
    setFault(null);
    onChange(writeSamples([...samples, ...read.samples]));
    return true;
  };

  const expect = useSteady((index: number, expected: Verdict) => {
    const sample = samples[index];
    if (sample) onChange(writeSamples(samples.toSpliced(index, 1, { ...sample, expected })));
  });
  const remove = useSteady((index: number) => onChange(writeSamples(samples.toSpliced(index, 1))));

  return (
    <div className={styles.samples}>
      <AddSamples
        onAdd={add}
        fault={fault ?? (reading.status === 'fault' ? samplesFaultText(reading.fault) : null)}
      />
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
              Accept the current results
            </Button>
            {state.status === 'running' && (
              <>
                <Progress
                  percent={Math.floor(
                    (100 * state.done) /
                      (samples.length * asked.length + Math.min(samples.length, mostInStages)),
                  )}
                  size="small"
                  style={{ width: 160 }}
                  aria-label="Samples replayed"
                />
                <Button size="small" onClick={cancel}>
                  Cancel
                </Button>
              </>
            )}
            {state.status === 'failed' && (
              <span className={styles.fault} role="alert">
                {state.reason}
              </span>
            )}
            <Button size="small" style={{ marginLeft: 'auto' }} onClick={() => onChange('')}>
              Remove all
            </Button>
          </div>
          {shown?.stages && <Stages stages={shown.stages} />}
          <SampleList
            rows={rows}
            targets={asked}
            shown={shown}
            baseline={baseline}
            samples={samples}
            onExpect={expect}
            onRemove={remove}
          />
        </>
      )}
    </div>
  );
}

/** The samples as they were when a text last changed: what becomes of a text does not depend on what is expected of it. */
function useSameTexts(samples: readonly Sample[]): readonly Sample[] {
  const kept = useRef(samples);
  const isSame =
    kept.current === samples ||
    (kept.current.length === samples.length &&
      samples.every(({ text }, index) => text === kept.current[index]?.text));
  if (!isSame) kept.current = samples;
  return kept.current;
}

function isSurprising(samples: readonly Sample[], shown: Replayed, index: number): boolean {
  return shown.verdicts.verdicts.some((codes) => {
    const verdict = judged[codes[index] ?? -1];
    return verdict !== 'not worked out' && verdict !== samples[index]?.expected;
  });
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
          <span className="mono">{visible(first.text)}</span> is blocked at stroke {first.at + 1}.{' '}
        </>
      ) : (
        <>All {accepted} texts that submission accepts can be typed. </>
      )}
      {standing !== undefined && (
        <>
          <strong>{letStand.length}</strong> are accepted while typing and then refused, as{' '}
          <span className="mono">{visible(standing.slice(0, 40))}</span>.
        </>
      )}
    </p>
  );
}
