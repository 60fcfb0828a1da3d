'use client';

import { Button, Segmented, Select, Spin, Switch } from 'antd';
import Link from 'next/link';
import { useMemo } from 'react';
import { changedSetup } from '@/core/compare/changed-setup';
import { type Lens, type LensState, lenses, lensStates } from '@/core/compare/lens';
import type { Field } from '@/core/html/field';
import type { RunId } from '@/core/run/run';
import { targetName } from '@/core/target/line-up';
import { setupWords } from '@/core/words/drift-words';
import frame from '../frame/frame.module.css';
import { Help } from '../frame/help';
import { sweepTime } from '../frame/sweep-time';
import { useTargetComparison } from '../frame/use-comparison';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useRun } from '../frame/use-run';
import { selectionQuery, useSelection } from '../frame/use-selection';
import { useSweep } from '../frame/use-sweep';
import { countOf, differencesOf } from './field-differences';
import styles from './survey.module.css';
import { SurveyGrid } from './survey-grid';

/** How does each target draw it, and in which words does it object? Fields down, targets across. */
export function SurveyView() {
  const { form } = useForm();
  const { run, loaded, fields: all } = useRun();
  const { sweep, running } = useSweep();
  const { lineUp: chosen } = useLineUp();
  const [selection, select] = useSelection();
  const comparison = useTargetComparison();
  const { lineUp } = comparison;
  const fields = useMemo(() => all.filter((field) => field.kind !== 'hidden'), [all]);
  const { lens, state, onlyDifferences, byDifferences } = selection;
  const shown = useMemo(() => {
    if (!onlyDifferences && !byDifferences) return fields;
    const counts = new Map(
      fields.map((field) => [field, countOf(differencesOf(field, comparison, lens, state))]),
    );
    const count = (field: Field) => counts.get(field) ?? 0;
    const differing = onlyDifferences ? fields.filter((field) => count(field) > 0) : fields;
    return byDifferences ? [...differing].sort((a, b) => count(b) - count(a)) : differing;
  }, [fields, comparison, lens, state, onlyDifferences, byDifferences]);

  if (!loaded)
    return (
      <div className={frame.waiting}>
        <Spin />
      </div>
    );
  if (!run)
    return (
      <div className={frame.empty}>
        <h1>Nothing was asked yet</h1>
        <p className="soft">
          A sweep asks {chosen.targets.map(({ name }) => name).join(', ')} how each of the {fields.length}{' '}
          fields of “{form.name}” looks, what opens, and what it says when an entry is not right.
        </p>
        <Button type="primary" onClick={sweep} loading={running}>
          Sweep now
        </Button>
        <p className="soft">
          The keyboard of each field needs no sweep: see{' '}
          <Link href={`/keyboards${selectionQuery(selection)}`}>Keyboards</Link>.
        </p>
      </div>
    );
  return (
    <div className={styles.view}>
      <div className={styles.bar}>
        <h1>Survey</h1>
        <Segmented<Lens>
          aria-label="Lens"
          value={lens}
          options={[...lenses]}
          onChange={(lens) => select({ lens })}
        />
        {lens === 'look' && (
          <Segmented<LensState>
            aria-label="State"
            value={state}
            options={[...lensStates]}
            onChange={(state) => select({ state })}
          />
        )}
        <Option
          id="only-differences"
          label="only differences"
          checked={onlyDifferences}
          onChange={(onlyDifferences) => select({ onlyDifferences })}
        />
        <Option
          id="by-differences"
          label="most differences first"
          checked={byDifferences}
          onChange={(byDifferences) => select({ byDifferences })}
        />
        <ComparedWith reference={targetName(lineUp, lineUp.reference)} />
        <Help about="what differs">
          <p>
            A cell is marked when its answer is not that of {targetName(lineUp, lineUp.reference)}, the
            reference, or of the sweep that you compare with: facts, words, what opens, what is sent.
          </p>
          <p>
            Pictures are compared dot by dot only between targets of one engine. Every engine smooths in its
            own way, so look yourself. Another reference is chosen in the line-up.
          </p>
        </Help>
      </div>
      {run.form.markup !== form.markup && (
        <p className={styles.stale}>
          The form changed after this sweep. The answers below are about the form as it was then.
        </p>
      )}
      <WhatChanged />
      {shown.length === 0 ? (
        <p className={styles.stale}>Nothing differs under this lens.</p>
      ) : (
        <SurveyGrid fields={shown} comparison={comparison} />
      )}
    </div>
  );
}

function Option({
  id,
  label,
  checked,
  onChange,
}: {
  id: string;
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <span className={styles.option}>
      <Switch size="small" id={id} checked={checked} onChange={onChange} />{' '}
      <label htmlFor={id}>{label}</label>
    </span>
  );
}

/** With what the targets are compared: with the reference, or each with itself in another sweep. */
function ComparedWith({ reference }: { reference: string }) {
  const { runs, run, against } = useRun();
  const [, select] = useSelection();
  const others = runs.filter(({ id }) => id !== run?.id);
  if (others.length === 0) return null;
  return (
    <Select
      aria-label="Compared with"
      value={against?.run.id ?? ''}
      style={{ width: 172 }}
      options={[
        { value: '', label: `with ${reference}` },
        ...others.map((one) => ({ value: one.id, label: `with ${sweepTime(one.startedAt)}` })),
      ]}
      onChange={(id) => select({ against: (id || null) as RunId | null })}
    />
  );
}

/** What is not the same in two sweeps that are compared, besides the answers. */
function WhatChanged() {
  const { run, answers, against } = useRun();
  if (!run || !against) return null;
  const changes = changedSetup({ ...against.run, answers: against.answers }, { ...run, answers });
  return (
    <p className={styles.stale}>
      {changes.length > 0
        ? changes.map(setupWords).join(' ')
        : 'The form, the targets and the versions of the engines are the same in both sweeps.'}
    </p>
  );
}
