'use client';

import { Button, Input, Progress, Select, Upload } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Guard } from '@/core/guard/guard';
import { type IndexedSamples, sampleCount, withExpected, withoutSample } from '@/core/guard/indexed-samples';
import type { TableFault } from '@/core/guard/sample-table';
import type { Verdict } from '@/core/guard/verdict';
import type { Field } from '@/core/html/field';
import { habitsOf } from '@/core/model/deviations/habits';
import { changedSides, surprises } from '@/core/replay/sample-surprises';
import type { TwoStageCheck } from '@/core/replay/two-stage';
import type { Target } from '@/core/target/target';
import { samplesFaultText } from '@/core/words/samples-fault-words';
import { useLongReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { useSteady } from '../frame/use-steady';
import { visible } from '../frame/visible-text';
import { type Replayed, SampleList } from './sample-list';
import styles from './typing.module.css';
import { type SampleTable, useSampleTable } from './use-sample-table';

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
  const table = useSampleTable(text, onChange);
  const asked = useMemo(() => targets.filter((target) => habitsOf(target.id)), [targets]);
  const samples = table.state.status === 'read' ? table.state.samples : null;
  return (
    <div className={styles.samples}>
      <AddSamples table={table} />
      {samples === null ? (
        <UnreadSamples table={table} onRemoveAll={() => onChange('')} />
      ) : sampleCount(samples) === 0 ? (
        <p className={styles.lead}>
          A sample is a text with the verdict that you expect: accepted, unfinished or refused. Write some
          above, paste cells from a spreadsheet, or open a CSV file with the columns text and expected.
        </p>
      ) : (
        <ReplayedSamples
          field={field}
          guards={guards}
          targets={asked}
          samples={samples}
          onChange={table.change}
          onRemoveAll={() => onChange('')}
        />
      )}
    </div>
  );
}

/** Why the samples are not shown. */
function UnreadSamples({ table, onRemoveAll }: { table: SampleTable; onRemoveAll: () => void }) {
  const { state, cancel } = table;
  switch (state.status) {
    case 'read':
      return null;
    case 'reading':
      return (
        <div className={styles.sampleBar}>
          <span className="soft">Reading the samples</span>
          <Percent done={state.done} name="Samples read" />
          <Button size="small" onClick={cancel}>
            Cancel
          </Button>
        </div>
      );
    case 'cancelled':
      return <p className={styles.lead}>The samples were not read. Open this part again to read them.</p>;
    case 'failed':
    case 'fault':
      return (
        <p className={styles.fault} role="alert">
          The samples of this field cannot be read.{' '}
          {state.status === 'failed' ? state.reason : `Line ${state.line}: ${samplesFaultText(state.fault)}`}{' '}
          <Button size="small" onClick={onRemoveAll}>
            Remove all
          </Button>
        </p>
      );
  }
}

function Percent({ done, name }: { done: number; name: string }) {
  return <Progress percent={Math.floor(100 * done)} size="small" style={{ width: 160 }} aria-label={name} />;
}

function ReplayedSamples({
  field,
  guards,
  targets,
  samples,
  onChange,
  onRemoveAll,
}: {
  field: Field;
  guards: readonly Guard[];
  targets: readonly Target[];
  samples: IndexedSamples;
  onChange: (samples: IndexedSamples) => void;
  onRemoveAll: () => void;
}) {
  const { state, cancel, shown, baseline, accept } = useReplayedSamples(field, guards, targets, samples);
  const [filter, setFilter] = useState<Filter>('all');
  const count = sampleCount(samples);
  const surprising = useMemo(
    () => (shown ? surprises(shown.verdicts, samples.expected) : new Uint32Array()),
    [shown, samples.expected],
  );
  const changed = useMemo(
    () => (shown && baseline ? changedSides(shown.verdicts, baseline.verdicts) : new Uint32Array()),
    [shown, baseline],
  );
  const filtered = filter === 'surprises' ? surprising : changed;
  const rows = filter === 'all' || !shown ? null : filtered;
  const expect = useSteady((at: number, expected: Verdict) => onChange(withExpected(samples, at, expected)));
  const remove = useSteady((at: number) => onChange(withoutSample(samples, at)));
  const number = (of: number) => of.toLocaleString('en-GB');
  return (
    <>
      <div className={styles.sampleBar}>
        <Select<Filter>
          size="small"
          aria-label="Samples shown"
          value={filter}
          style={{ width: 190 }}
          options={[
            { value: 'all', label: `all, ${number(count)}` },
            { value: 'surprises', label: `surprises, ${number(surprising.length)}` },
            { value: 'changed sides', label: `changed sides, ${number(changed.length)}` },
          ]}
          onChange={setFilter}
        />
        <Button size="small" disabled={!shown || changed.length === 0} onClick={accept}>
          Accept the current results
        </Button>
        {state.status === 'running' && (
          <>
            <Percent
              done={state.done / (count * targets.length + Math.min(count, mostInStages))}
              name="Samples replayed"
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
        <Button size="small" style={{ marginLeft: 'auto' }} onClick={onRemoveAll}>
          Remove all
        </Button>
      </div>
      {shown?.stages && <Stages stages={shown.stages} />}
      <SampleList
        rows={rows}
        targets={targets}
        shown={shown}
        baseline={baseline}
        samples={samples}
        onExpect={expect}
        onRemove={remove}
      />
    </>
  );
}

/** What comes of the samples, replayed again whenever the rules or the texts are others. */
function useReplayedSamples(
  field: Field,
  guards: readonly Guard[],
  targets: readonly Target[],
  samples: IndexedSamples,
) {
  const of = useReplayedField(field);
  const typed = useSameTexts(samples);
  const { state, start, cancel } = useLongReplay<Replayed>();
  const [baseline, setBaseline] = useState<Replayed | null>(null);
  const [last, setLast] = useState<Replayed | null>(null);
  useEffect(() => {
    const timer = setTimeout(
      () =>
        start(async (work, progress) => {
          const { proxy } = await import('comlink');
          const ids = targets.map(({ id }) => id);
          const verdicts = await work.samples(of, guards, typed.table, ids, proxy(progress));
          const replayed = sampleCount(typed) * ids.length;
          const stages = await work.twoStages(
            of,
            guards,
            typed.table,
            mostInStages,
            proxy((done) => progress(replayed + done)),
          );
          return { verdicts, stages, texts: typed.texts };
        }),
      250,
    );
    return () => clearTimeout(timer);
  }, [of, guards, typed, targets, start]);
  useEffect(() => {
    if (state.status !== 'there') return;
    setLast(state.answer);
    setBaseline((was) => (was && was.texts === state.answer.texts ? was : state.answer));
  }, [state]);
  const shown = last && last.texts === typed.texts ? last : null;
  return { state, cancel, shown, baseline, accept: () => setBaseline(shown) };
}

/** The samples as they were when a text last changed: what becomes of a text does not depend on what is expected of it. */
function useSameTexts(samples: IndexedSamples): IndexedSamples {
  const kept = useRef(samples);
  if (kept.current.texts !== samples.texts) kept.current = samples;
  return kept.current;
}

function AddSamples({ table }: { table: SampleTable }) {
  const [text, setText] = useState('');
  const [fault, setFault] = useState<TableFault | null>(null);
  const { adding, unadded, add, cancel } = table;
  const isReady = table.state.status === 'read' && adding === null;
  const put = async (more: string | File) => {
    const wrong = await add(more);
    setFault(wrong);
    return wrong === null;
  };
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
      <Button
        disabled={text === '' || !isReady}
        onClick={async () => {
          if (await put(text)) setText('');
        }}
      >
        Add
      </Button>
      <Upload
        accept=".csv,.tsv,.txt"
        showUploadList={false}
        disabled={!isReady}
        beforeUpload={async (file) => {
          await put(file);
          return Upload.LIST_IGNORE;
        }}
      >
        <Button disabled={!isReady}>Open CSV…</Button>
      </Upload>
      {adding !== null && (
        <div className={styles.sampleBar}>
          <span className="soft">Adding samples</span>
          <Percent done={adding} name="Samples added" />
          <Button size="small" onClick={cancel}>
            Cancel
          </Button>
        </div>
      )}
      {(fault ?? unadded) && (
        <p className={styles.fault} role="alert">
          {fault ? `Line ${fault.line}: ${samplesFaultText(fault.fault)}` : unadded}
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
