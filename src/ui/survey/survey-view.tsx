'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { Button, Segmented, Select, Spin, Switch } from 'antd';
import Link from 'next/link';
import { type CSSProperties, type KeyboardEvent, memo, useMemo, useRef } from 'react';
import { changedSetup } from '@/core/compare/changed-setup';
import type { Difference } from '@/core/compare/differences';
import { type Lens, type LensState, lenses, lensStates } from '@/core/compare/lens';
import type { Field } from '@/core/form/field';
import { answerTo } from '@/core/observation/answers';
import type { RunId } from '@/core/observation/run';
import { targetName } from '@/core/target/line-up';
import { markOf, type Target, type TargetId } from '@/core/target/target';
import frame from '../frame/frame.module.css';
import { gridStep } from '../frame/grid-step';
import { ProvenanceMark } from '../frame/provenance-mark';
import { sweepTime } from '../frame/sweep-time';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useRun } from '../frame/use-run';
import { currentSelection, type Selection, selectionQuery, useSelection } from '../frame/use-selection';
import { useSweep } from '../frame/use-sweep';
import { KeyboardContent } from './keyboard-content';
import styles from './survey.module.css';
import { DifferenceNote, LookContent, MessageContent, OpeningContent } from './survey-cell';
import { type TargetComparison, useTargetComparison } from './use-comparison';

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
  const rows = useMemo(() => {
    const made = fields.map((field) => rowOf(field, comparison, lens, state));
    const shown = onlyDifferences ? made.filter((row) => row.count > 0) : made;
    return byDifferences ? [...shown].sort((a, b) => b.count - a.count) : shown;
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
          Which keyboard comes up for each field is known without one: see{' '}
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
      </div>
      {run.form.markup !== form.markup && (
        <p className={styles.stale}>
          The form was changed after this sweep. What stands here is what was asked then.
        </p>
      )}
      <WhatChanged />
      {rows.length === 0 ? (
        <p className={styles.stale}>Nothing differs under this lens.</p>
      ) : (
        <Grid rows={rows} targets={lineUp.targets} reference={lineUp.reference} />
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
        ? changes.map(({ text }) => text).join(' ')
        : 'The form, the targets and the versions of the engines are the same in both sweeps.'}
    </p>
  );
}

interface Row {
  readonly field: Field;
  readonly differences: ReadonlyMap<TargetId, readonly Difference[]>;
  readonly count: number;
}

function rowOf(field: Field, comparison: TargetComparison, lens: Lens, state: LensState): Row {
  const found = new Map(
    comparison.lineUp.targets.map((target) => [target.id, comparison.through(lens, state, target, field.id)]),
  );
  const count = [...found.values()].reduce((sum, list) => sum + list.length, 0);
  return { field, differences: found, count };
}

/** Narrowest column that still shows most controls, or what opens over them, whole; CSS px. */
const narrowest = { control: 195, opened: 340 } as const;

function Grid({
  rows,
  targets,
  reference,
}: {
  rows: readonly Row[];
  targets: readonly Target[];
  reference: TargetId;
}) {
  const [selection, select] = useSelection();
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 52,
    overscan: 6,
    getItemKey: (index) => rows[index]?.field.id ?? index,
  });
  const column =
    selection.lens === 'message' || selection.state === 'open' ? narrowest.opened : narrowest.control;
  const grid = useMemo(
    () => ({
      gridTemplateColumns: `160px repeat(${targets.length}, minmax(0, 1fr))`,
      minWidth: 160 + targets.length * column,
    }),
    [targets.length, column],
  );

  const place = ({ field, target }: Pick<Selection, 'field' | 'target'>) => ({
    row: rows.findIndex((row) => row.field.id === field),
    column: Math.max(
      0,
      targets.findIndex(({ id }) => id === target),
    ),
  });
  const at = place(selection);
  const move = (event: KeyboardEvent) => {
    const step = gridStep(event.key);
    if (!step) return;
    event.preventDefault();
    const now = place(currentSelection());
    const row = Math.min(rows.length - 1, Math.max(0, now.row + step.down));
    const column = Math.min(targets.length - 1, Math.max(0, now.column + step.right));
    select({ field: rows[row]?.field.id ?? null, target: targets[column]?.id ?? null });
    virtual.scrollToIndex(row);
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>('[tabindex="0"]')?.focus());
  };

  return (
    // biome-ignore lint/a11y/useSemanticElements: a table cannot draw only the rows that are in sight
    <div
      className={styles.scroll}
      ref={scroller}
      role="grid"
      tabIndex={-1}
      aria-label="Survey"
      aria-rowcount={rows.length + 1}
      onKeyDown={move}
    >
      {/* biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus */}
      {/* biome-ignore lint/a11y/useSemanticElements: see above */}
      <div className={styles.head} role="row" style={grid}>
        {/* biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus */}
        {/* biome-ignore lint/a11y/useSemanticElements: see above */}
        <div role="columnheader">Field</div>
        {targets.map((target) => (
          <ColumnHead key={target.id} target={target} isReference={target.id === reference} />
        ))}
      </div>
      {/* biome-ignore lint/a11y/useSemanticElements: see above */}
      <div className={styles.body} role="rowgroup" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index];
          return row ? (
            <GridRow
              key={item.key}
              row={row}
              index={item.index}
              start={item.start}
              targets={targets}
              grid={grid}
              isFirst={at.row === -1 && item.index === 0}
              measure={virtual.measureElement}
            />
          ) : null;
        })}
      </div>
    </div>
  );
}

/** Rows that stay in sight while others come and go are not drawn anew. */
const GridRow = memo(function GridRow({
  row,
  index,
  start,
  targets,
  grid,
  isFirst,
  measure,
}: {
  row: Row;
  index: number;
  start: number;
  targets: readonly Target[];
  grid: CSSProperties;
  isFirst: boolean;
  measure: (element: HTMLElement | null) => void;
}) {
  return (
    // biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus
    // biome-ignore lint/a11y/useSemanticElements: a table cannot draw only the rows that are in sight
    <div
      ref={measure}
      data-index={index}
      aria-rowindex={index + 2}
      className={styles.row}
      role="row"
      style={{ ...grid, transform: `translateY(${start}px)` }}
    >
      {/* biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus */}
      {/* biome-ignore lint/a11y/useSemanticElements: see above */}
      <div className={styles.field} role="rowheader">
        <span title={row.field.label}>{row.field.label}</span>
        <span className={styles.kind}>{row.field.kind}</span>
      </div>
      {targets.map((target, column) => (
        <Cell key={target.id} row={row} target={target.id} isFirst={isFirst && column === 0} />
      ))}
    </div>
  );
});

function ColumnHead({ target, isReference }: { target: Target; isReference: boolean }) {
  return (
    // biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus
    // biome-ignore lint/a11y/useSemanticElements: a table cannot draw only the rows that are in sight
    <div role="columnheader" title={target.note}>
      <span className={styles.headName}>
        <ProvenanceMark mark={markOf(target)} /> {target.name}
        {isReference && <span className={styles.note}>reference</span>}
      </span>
    </div>
  );
}

function Content({
  lens,
  state,
  field,
  target,
}: {
  lens: Lens;
  state: LensState;
  field: Field;
  target: TargetId;
}) {
  const { id, label } = field;
  const { answers, pictures } = useRun();
  if (lens === 'keyboard')
    return (
      <KeyboardContent known={answerTo(answers, 'keyboard', target, id)} field={field} target={target} />
    );
  if (lens === 'message')
    return (
      <MessageContent
        message={answerTo(answers, 'message', target, id)}
        bubble={answerTo(answers, 'bubble', target, id)}
        label={label}
        pictures={pictures}
      />
    );
  if (state === 'open')
    return (
      <OpeningContent opening={answerTo(answers, 'opening', target, id)} label={label} pictures={pictures} />
    );
  return (
    <LookContent
      look={answerTo(answers, 'look', target, id, state)}
      parts={answerTo(answers, 'parts', target, id)}
      label={label}
      pictures={pictures}
    />
  );
}

function Cell({ row, target, isFirst }: { row: Row; target: TargetId; isFirst: boolean }) {
  const [selection, select] = useSelection();
  const selected = selection.field === row.field.id && selection.target === target;
  const found = row.differences.get(target) ?? [];
  return (
    // biome-ignore lint/a11y/useSemanticElements: a table cannot draw only the rows that are in sight
    <button
      type="button"
      role="gridcell"
      className={found.length > 0 ? `${styles.cell} ${styles.differs}` : styles.cell}
      aria-selected={selected}
      tabIndex={selected || isFirst ? 0 : -1}
      onClick={() => select({ field: row.field.id, target, closeUp: true })}
    >
      <Content lens={selection.lens} state={selection.state} field={row.field} target={target} />
      <DifferenceNote differences={found} />
    </button>
  );
}
