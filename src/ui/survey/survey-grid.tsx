'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import {
  type CSSProperties,
  type KeyboardEvent,
  memo,
  type ReactNode,
  useEffect,
  useMemo,
  useRef,
} from 'react';
import type { Lens, LensState } from '@/core/compare/lens';
import type { Field } from '@/core/html/field';
import { markOf } from '@/core/observation/provenance';
import type { Difference } from '@/core/questions/differences';
import type { Target, TargetId } from '@/core/target/target';
import { kindText } from '@/core/words/kind-text';
import { gridStep } from '../frame/grid-step';
import { ProvenanceMark } from '../frame/provenance-mark';
import type { TargetComparison } from '../frame/use-comparison';
import { useRun } from '../frame/use-run';
import { changeSelection, currentSelection, type Selection, useSelection } from '../frame/use-selection';
import { differencesOf } from './field-differences';
import { LensContent } from './lens-content';
import styles from './survey.module.css';
import { DifferenceNote } from './survey-cell';

/** Narrowest column that still shows most controls, or what opens over them, whole; CSS px. */
const narrowest = { control: 195, opened: 340 } as const;

/** Fields down, targets across; arrow keys go from cell to cell. */
export function SurveyGrid({
  fields,
  comparison,
}: {
  fields: readonly Field[];
  comparison: TargetComparison;
}) {
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
        <span className={styles.kind}>{kindText(field)}</span>
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
          <LensContent answers={answers} lens={lens} state={state} field={field} target={target.id} />
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
