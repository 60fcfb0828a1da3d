'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { Button, Segmented, Spin, Switch } from 'antd';
import { type KeyboardEvent, useMemo, useRef } from 'react';
import { type Difference, differences } from '@/core/compare/differences';
import type { Field } from '@/core/form/field';
import { controlStates } from '@/core/observation/observation';
import { defaultLineUp, findTarget, targetName } from '@/core/target/line-up';
import { markOf, type TargetId } from '@/core/target/target';
import frame from '../frame/frame.module.css';
import { gridStep } from '../frame/grid-step';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { lookOf, messageOf, type RunWorkspace, useRun } from '../frame/use-run';
import { currentSelection, type Lens, lenses, type Selection, useSelection } from '../frame/use-selection';
import { useSweep } from '../frame/use-sweep';
import styles from './survey.module.css';
import { DifferenceNote, LookContent, MessageContent } from './survey-cell';

/** How does each target draw it, and in which words does it object? Fields down, targets across. */
export function SurveyView() {
  const { form } = useForm();
  const { run, observations, loaded, fields: all } = useRun();
  const { sweep, running } = useSweep();
  const [selection, select] = useSelection();
  const fields = useMemo(() => all.filter((field) => field.kind !== 'hidden'), [all]);
  const lineUp = run?.lineUp ?? defaultLineUp;
  const rows = useMemo(() => {
    const made = fields.map((field) => rowOf(field, lineUp, observations, selection.lens, selection.state));
    return selection.onlyDifferences ? made.filter((row) => row.differs) : made;
  }, [fields, lineUp, observations, selection.lens, selection.state, selection.onlyDifferences]);

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
          A sweep asks {lineUp.targets.map(targetName).join(', ')} how each of the {fields.length} fields of “
          {form.name}” looks, and what it says when an entry is not right.
        </p>
        <Button type="primary" onClick={sweep} loading={running}>
          Sweep now
        </Button>
      </div>
    );
  return (
    <div className={styles.view}>
      <div className={styles.bar}>
        <h1>Survey</h1>
        <Segmented<Lens>
          aria-label="Lens"
          value={selection.lens}
          options={[...lenses]}
          onChange={(lens) => select({ lens })}
        />
        {selection.lens === 'look' && (
          <Segmented
            aria-label="State"
            value={selection.state}
            options={[...controlStates]}
            onChange={(state) => select({ state })}
          />
        )}
        <span>
          <Switch
            size="small"
            id="only-differences"
            checked={selection.onlyDifferences}
            onChange={(onlyDifferences) => select({ onlyDifferences })}
          />{' '}
          <label htmlFor="only-differences">only differences</label>
        </span>
      </div>
      {run.form.markup !== form.markup && (
        <p className={styles.stale}>
          The form was changed after this sweep. What stands here is what was asked then.
        </p>
      )}
      {rows.length === 0 ? (
        <p className={styles.stale}>No field differs from {targetName(lineUp.reference)} under this lens.</p>
      ) : (
        <Grid rows={rows} targets={lineUp.targets} reference={lineUp.reference} />
      )}
    </div>
  );
}

interface Row {
  readonly field: Field;
  readonly differences: ReadonlyMap<TargetId, readonly Difference[]>;
  readonly differs: boolean;
}

function rowOf(
  field: Field,
  lineUp: { targets: readonly TargetId[]; reference: TargetId },
  observations: RunWorkspace['observations'],
  lens: Lens,
  state: Parameters<typeof lookOf>[3],
): Row {
  const of = (target: TargetId) =>
    lens === 'look'
      ? lookOf(observations, target, field.id, state)
      : messageOf(observations, target, field.id);
  const reference = of(lineUp.reference);
  const found = new Map(
    lineUp.targets.map((target) => [
      target,
      target === lineUp.reference ? [] : differences(reference, of(target)),
    ]),
  );
  return { field, differences: found, differs: [...found.values()].some((list) => list.length > 0) };
}

/** Narrowest column that still shows most controls whole, CSS px. */
const narrowest = 195;

function Grid({
  rows,
  targets,
  reference,
}: {
  rows: readonly Row[];
  targets: readonly TargetId[];
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
  const grid = {
    gridTemplateColumns: `190px repeat(${targets.length}, minmax(0, 1fr))`,
    minWidth: 190 + targets.length * narrowest,
  };

  const place = ({ field, target }: Pick<Selection, 'field' | 'target'>) => ({
    row: rows.findIndex((row) => row.field.id === field),
    column: Math.max(0, target === null ? 0 : targets.indexOf(target)),
  });
  const at = place(selection);
  const move = (event: KeyboardEvent) => {
    const step = gridStep(event.key);
    if (!step) return;
    event.preventDefault();
    const now = place(currentSelection());
    const row = Math.min(rows.length - 1, Math.max(0, now.row + step.down));
    const column = Math.min(targets.length - 1, Math.max(0, now.column + step.right));
    select({ field: rows[row]?.field.id ?? null, target: targets[column] ?? null });
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
          <ColumnHead key={target} target={target} isReference={target === reference} />
        ))}
      </div>
      {/* biome-ignore lint/a11y/useSemanticElements: see above */}
      <div className={styles.body} role="rowgroup" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index];
          if (!row) return null;
          return (
            // biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus
            // biome-ignore lint/a11y/useSemanticElements: see above
            <div
              key={item.key}
              ref={virtual.measureElement}
              data-index={item.index}
              aria-rowindex={item.index + 2}
              className={styles.row}
              role="row"
              style={{ ...grid, transform: `translateY(${item.start}px)` }}
            >
              {/* biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus */}
              {/* biome-ignore lint/a11y/useSemanticElements: see above */}
              <div className={styles.field} role="rowheader">
                <span title={row.field.label}>{row.field.label}</span>
                <span className={styles.kind}>{row.field.kind}</span>
              </div>
              {targets.map((target, column) => (
                <Cell
                  key={target}
                  row={row}
                  target={target}
                  isFirst={at.row === -1 && item.index === 0 && column === 0}
                />
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

function ColumnHead({ target, isReference }: { target: TargetId; isReference: boolean }) {
  const found = findTarget(target);
  return (
    // biome-ignore lint/a11y/useFocusableInteractive: the cells take the focus
    // biome-ignore lint/a11y/useSemanticElements: a table cannot draw only the rows that are in sight
    <div role="columnheader" title={found?.note}>
      <span className={styles.headName}>
        <ProvenanceMark mark={markOf(found)} /> {targetName(target)}
        {isReference && <span className={styles.note}>reference</span>}
      </span>
    </div>
  );
}

function Cell({ row, target, isFirst }: { row: Row; target: TargetId; isFirst: boolean }) {
  const { observations, pictures } = useRun();
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
      {selection.lens === 'look' ? (
        <LookContent
          look={lookOf(observations, target, row.field.id, selection.state)}
          label={row.field.label}
          pictures={pictures}
        />
      ) : (
        <MessageContent message={messageOf(observations, target, row.field.id)} />
      )}
      <DifferenceNote differences={found} />
    </button>
  );
}
