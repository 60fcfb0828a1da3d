'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { Button, Segmented, Select, Spin, Switch } from 'antd';
import Link from 'next/link';
import {
  type CSSProperties,
  type KeyboardEvent,
  memo,
  type ReactNode,
  useEffect,
  useMemo,
  useRef,
} from 'react';
import { changedSetup } from '@/core/compare/changed-setup';
import { type Lens, type LensState, lenses, lensStates } from '@/core/compare/lens';
import type { Field } from '@/core/html/field';
import { markOf } from '@/core/observation/provenance';
import type { Difference } from '@/core/questions/differences';
import { type Answers, answerTo } from '@/core/run/answers';
import type { RunId } from '@/core/run/run';
import { targetName } from '@/core/target/line-up';
import type { Target, TargetId } from '@/core/target/target';
import { setupWords } from '@/core/words/drift-words';
import frame from '../frame/frame.module.css';
import { gridStep } from '../frame/grid-step';
import { Help } from '../frame/help';
import { ProvenanceMark } from '../frame/provenance-mark';
import { sweepTime } from '../frame/sweep-time';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useRun } from '../frame/use-run';
import {
  changeSelection,
  currentSelection,
  type Selection,
  selectionQuery,
  useSelection,
} from '../frame/use-selection';
import { useSweep } from '../frame/use-sweep';
import { AccessibilityContent } from './accessibility-content';
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
          The form was changed after this sweep. What stands here is what was asked then.
        </p>
      )}
      <WhatChanged />
      {shown.length === 0 ? (
        <p className={styles.stale}>Nothing differs under this lens.</p>
      ) : (
        <Grid fields={shown} comparison={comparison} />
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

type Differences = ReadonlyMap<TargetId, readonly Difference[]>;

function differencesOf(
  field: Field,
  comparison: TargetComparison,
  lens: Lens,
  state: LensState,
): Differences {
  return new Map(
    comparison.lineUp.targets.map((target) => [target.id, comparison.through(lens, state, target, field.id)]),
  );
}

function countOf(differences: Differences): number {
  return [...differences.values()].reduce((sum, list) => sum + list.length, 0);
}

/** Narrowest column that still shows most controls, or what opens over them, whole; CSS px. */
const narrowest = { control: 195, opened: 340 } as const;

function Grid({ fields, comparison }: { fields: readonly Field[]; comparison: TargetComparison }) {
  const { targets, reference } = comparison.lineUp;
  const [selection, select] = useSelection();
  const scroller = useRef<HTMLDivElement>(null);
  /** The keyboard moved on to a cell that may not be drawn yet. */
  const wantsFocus = useRef(false);
  const virtual = useVirtualizer({
    count: fields.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 52,
    overscan: 6,
    getItemKey: (index) => fields[index]?.id ?? index,
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
    row: fields.findIndex(({ id }) => id === field),
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
    const row = Math.min(fields.length - 1, Math.max(0, now.row + step.down));
    const column = Math.min(targets.length - 1, Math.max(0, now.column + step.right));
    select({ field: fields[row]?.id ?? null, target: targets[column]?.id ?? null });
    virtual.scrollToIndex(row);
    wantsFocus.current = true;
  };
  useEffect(() => {
    const cell = wantsFocus.current && scroller.current?.querySelector<HTMLElement>('[aria-selected="true"]');
    if (!cell) return;
    cell.focus();
    wantsFocus.current = false;
  });

  return (
    // biome-ignore lint/a11y/useSemanticElements: a table cannot draw only the rows that are in sight
    <div
      className={styles.scroll}
      ref={scroller}
      role="grid"
      tabIndex={-1}
      aria-label="Survey"
      aria-rowcount={fields.length + 1}
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
          const field = fields[item.index];
          return field ? (
            <GridRow
              key={item.key}
              field={field}
              comparison={comparison}
              index={item.index}
              start={item.start}
              grid={grid}
              lens={selection.lens}
              state={selection.state}
              selected={at.row === item.index ? selection.target : null}
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
  field,
  comparison,
  index,
  start,
  grid,
  lens,
  state,
  selected,
  isFirst,
  measure,
}: {
  field: Field;
  comparison: TargetComparison;
  index: number;
  start: number;
  grid: CSSProperties;
  lens: Lens;
  state: LensState;
  /** The target whose answer is selected in this row. */
  selected: TargetId | null;
  isFirst: boolean;
  measure: (element: HTMLElement | null) => void;
}) {
  const { answers } = useRun();
  const { targets } = comparison.lineUp;
  const differences = useMemo(
    () => differencesOf(field, comparison, lens, state),
    [field, comparison, lens, state],
  );
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
        <span title={field.label}>{field.label}</span>
        <span className={styles.kind}>{field.kind}</span>
      </div>
      {targets.map((target, column) => (
        <Cell
          key={target.id}
          field={field}
          target={target.id}
          found={differences.get(target.id) ?? []}
          selected={selected === target.id}
          isFirst={isFirst && column === 0}
        >
          <Content answers={answers} lens={lens} state={state} field={field} target={target.id} />
        </Cell>
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
  answers,
  lens,
  state,
  field,
  target,
}: {
  answers: Answers;
  lens: Lens;
  state: LensState;
  field: Field;
  target: TargetId;
}) {
  const { id, label } = field;
  if (lens === 'keyboard')
    return (
      <KeyboardContent known={answerTo(answers, 'keyboard', target, id)} field={field} target={target} />
    );
  if (lens === 'accessibility')
    return <AccessibilityContent told={answerTo(answers, 'accessibility', target, id)} />;
  if (lens === 'message')
    return (
      <MessageContent
        message={answerTo(answers, 'message', target, id)}
        bubble={answerTo(answers, 'bubble', target, id)}
        label={label}
      />
    );
  if (state === 'open')
    return <OpeningContent opening={answerTo(answers, 'opening', target, id)} label={label} />;
  return (
    <LookContent
      look={answerTo(answers, 'look', target, id, state)}
      parts={answerTo(answers, 'parts', target, id)}
      label={label}
    />
  );
}

function Cell({
  field,
  target,
  found,
  selected,
  isFirst,
  children,
}: {
  field: Field;
  target: TargetId;
  found: readonly Difference[];
  selected: boolean;
  isFirst: boolean;
  children: ReactNode;
}) {
  return (
    // biome-ignore lint/a11y/useSemanticElements: a table cannot draw only the rows that are in sight
    <button
      type="button"
      role="gridcell"
      className={found.length > 0 ? `${styles.cell} ${styles.differs}` : styles.cell}
      aria-selected={selected}
      tabIndex={selected || isFirst ? 0 : -1}
      onClick={() => changeSelection({ field: field.id, target, closeUp: true })}
    >
      {children}
      {found.length > 0 && <DifferenceNote differences={found} target={target} />}
    </button>
  );
}
