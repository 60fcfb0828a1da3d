'use client';

import { Button } from 'antd';
import {
  type CSSProperties,
  type KeyboardEvent,
  memo,
  startTransition,
  useEffect,
  useRef,
  useState,
} from 'react';
import type { Disagreement } from '@/core/compare/typing-disagreements';
import type { Judgement } from '@/core/guard/verdict';
import type { ProvenanceMark as Mark } from '@/core/observation/provenance';
import type { TypingFacts, TypingStep } from '@/core/questions/typing/facts';
import type { SentEntry, StrokeVerdicts } from '@/core/replay/stroke-verdicts';
import { type Script, textOfStroke } from '@/core/script/stroke';
import { keptParts } from '@/core/structural-sharing';
import type { TargetId } from '@/core/target/target';
import { disagreementWords } from '@/core/words/disagreement-words';
import { objectionsText } from '@/core/words/guard-words';
import { gridStep } from '../frame/grid-step';
import { ProvenanceMark } from '../frame/provenance-mark';
import { currentSelection } from '../frame/use-selection';
import { useSteady } from '../frame/use-steady';
import { visible } from '../frame/visible-text';
import { EventTicks } from './event-ticks';
import { echoAt, type ShownLanes } from './lanes';
import { StrokeCap } from './stroke-cap';
import styles from './typing.module.css';
import { verdictSigns } from './verdict-signs';

/** One column: what a target makes of the script, by one way of knowing it. */
export interface LadderColumn {
  readonly key: string;
  readonly target: TargetId;
  readonly name: string;
  readonly mark: Mark;
  /** Null: not asked yet for this very script; `note` says so. */
  readonly facts: TypingFacts | null;
  readonly note: string | null;
  /** What the model judges of each text; null where it does not speak for what stands here. */
  readonly verdicts: StrokeVerdicts | null;
  /** By stroke; against the model. */
  readonly disagreements: readonly (readonly Disagreement[])[];
  /** Asks the target; null for what is computed at once. */
  readonly onAsk: (() => void) | null;
  /** What stands on the button for that. */
  readonly deed: string;
}

/** Strokes down, targets across: the text after each stroke with its caret, and the events as ticks. */
export const Ladder = memo(function Ladder({
  script,
  columns,
  lanes,
  hasCaret,
  stroke,
  column,
  asking,
  onSelect,
  onRemove,
  onMove,
}: {
  script: Script;
  lanes: ShownLanes;
  /** What is pressed or chosen has none. */
  hasCaret: boolean;
  columns: readonly LadderColumn[];
  stroke: number | null;
  column: string | null;
  asking: boolean;
  onSelect: (stroke: number, column: LadderColumn) => void;
  /** Delete takes the selected stroke away, Alt with an arrow key moves it. */
  onRemove: (stroke: number) => void;
  onMove: (stroke: number, by: -1 | 1) => void;
}) {
  const table = useRef<HTMLTableElement>(null);
  const isFilled = columns.some(({ facts }) => facts !== null);
  const drawn = useGrowing(script.length, isFilled);
  // Answers that come in make rows higher; the selected one stays in sight.
  useEffect(() => {
    if (stroke !== null && stroke < drawn && columns.length > 0)
      table.current?.querySelector('tr[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [stroke, columns, drawn]);
  const focusSelected = () =>
    requestAnimationFrame(() => table.current?.querySelector<HTMLElement>('[aria-pressed="true"]')?.focus());
  const pressed = (event: KeyboardEvent) => {
    const step = gridStep(event.key);
    const at = currentSelection().stroke;
    if (at !== null && (event.key === 'Delete' || (event.altKey && step?.down))) {
      event.preventDefault();
      if (event.key === 'Delete') onRemove(at);
      else onMove(at, step?.down === 1 ? 1 : -1);
      focusSelected();
      return;
    }
    if (!step) return;
    event.preventDefault();
    const row = Math.min(script.length - 1, Math.max(0, (currentSelection().stroke ?? -1) + step.down));
    const from = Math.max(
      0,
      columns.findIndex((one) => one.key === column),
    );
    const to = columns[Math.min(columns.length - 1, Math.max(0, from + step.right))];
    if (!to) return;
    onSelect(row, to);
    focusSelected();
  };
  const selectCell = useSteady((index: number, columnKey: string) => {
    const at = columns.find(({ key }) => key === columnKey);
    if (at) onSelect(index, at);
  });
  const askColumn = useSteady((columnKey: string) => columns.find(({ key }) => key === columnKey)?.onAsk?.());
  return (
    <table
      ref={table}
      className={styles.ladder}
      data-caretless={!hasCaret || undefined}
      style={{ '--columns': columns.length } as CSSProperties}
      aria-label="Replay, stroke by stroke"
      onKeyDown={pressed}
    >
      <thead>
        <tr>
          <th scope="col">Stroke</th>
          {columns.map(({ key, name, mark, note, deed, onAsk }) => (
            <th key={key} scope="col">
              <Head
                columnKey={key}
                name={name}
                mark={mark}
                note={note}
                deed={onAsk && deed}
                asking={asking}
                onAsk={askColumn}
              />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {script.slice(0, drawn).map((one, index) => (
          <tr
            // biome-ignore lint/suspicious/noArrayIndexKey: strokes have no other name than their place
            key={index}
            aria-selected={index === stroke}
            className={stroke !== null && index > stroke ? styles.later : undefined}
          >
            <th scope="row">
              <Cap stroke={one} />
            </th>
            {columns.map((at) => (
              <td key={at.key}>
                <Cell
                  index={index}
                  columnKey={at.key}
                  brought={textOfStroke(one)}
                  step={at.facts?.steps[index]}
                  disagreements={at.disagreements[index] ?? agreed}
                  judgement={at.verdicts?.afterStrokes[index] ?? null}
                  lanes={lanes}
                  echo={lanes.echo && echoAt(at.facts, index, lanes.echo)}
                  selected={index === stroke && at.key === column}
                  first={stroke === null && index === 0 && at === columns[0]}
                  onSelect={selectCell}
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">Then sent</th>
          {columns.map(({ key, verdicts }) => (
            <td key={key}>{verdicts && <Sent sent={verdicts.sent} />}</td>
          ))}
        </tr>
      </tfoot>
    </table>
  );
});

/** As many rows as are in sight at first, and how many come with each frame after that. */
const firstRows = 6;
const moreRows = 24;

/** How many of so many rows are drawn: those in sight at once, the others once these are on the screen; and again once they are filled. */
function useGrowing(count: number, isFilled: boolean): number {
  const [grown, setGrown] = useState({ isFilled, rows: firstRows });
  const drawn = grown.isFilled === isFilled ? grown.rows : firstRows;
  useEffect(() => {
    if (drawn >= count) return;
    let next: ReturnType<typeof setTimeout> | undefined;
    // Frames come before what is drawn in them is laid out and painted; a timer set in one runs after that.
    const frame = requestAnimationFrame(() => {
      next = setTimeout(() => startTransition(() => setGrown({ isFilled, rows: drawn + moreRows })));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(next);
    };
  }, [drawn, count, isFilled]);
  return Math.min(drawn, count);
}

const Head = memo(function Head({
  columnKey,
  name,
  mark,
  note,
  deed,
  asking,
  onAsk,
}: Pick<LadderColumn, 'name' | 'mark' | 'note'> & {
  columnKey: string;
  /** What stands on the button; null where nothing is to be asked. */
  deed: string | null;
  asking: boolean;
  onAsk: (columnKey: string) => void;
}) {
  return (
    <>
      <span className={styles.column}>
        <ProvenanceMark mark={mark} /> <span>{name}</span>
      </span>
      <span className={styles.asked}>
        {note ?? mark}
        {deed && (
          <Button size="small" disabled={asking} onClick={() => onAsk(columnKey)}>
            {deed}
          </Button>
        )}
      </span>
    </>
  );
});

const agreed: readonly Disagreement[] = [];

/** A script is read anew with every key; a cap is drawn anew when its stroke is another one. */
const Cap = memo(StrokeCap, (a, b) => keptParts(a.stroke, b.stroke) === a.stroke);

/** What would become of the text if it were sent now, modelled. */
function VerdictSign({ judgement: { verdict, by } }: { judgement: Judgement }) {
  const words = `${verdict}${by.length > 0 ? `: ${objectionsText(by)}` : ''}`;
  return (
    <span className={styles.verdict} data-verdict={verdict} role="img" aria-label={words} title={words}>
      {verdictSigns[verdict]}
    </span>
  );
}

function Sent({ sent }: { sent: SentEntry }) {
  switch (sent.is) {
    case 'entry':
      return <span className="mono">{sent.entry.slice(0, 80)}</span>;
    case 'nameless':
      return <span className="soft">nothing: the field has no name</span>;
    default:
      return (
        <span className="soft">
          {sent.is}: {objectionsText(sent.by)}
        </span>
      );
  }
}

/** Of hundreds of cells a key changes a few: the others are not drawn again. */
const Cell = memo(function Cell({
  index,
  columnKey,
  brought,
  step,
  disagreements,
  judgement,
  lanes,
  echo,
  selected,
  first,
  onSelect,
}: {
  index: number;
  columnKey: string;
  /** The text that the stroke brings. */
  brought: string | null;
  judgement: Judgement | null;
  lanes: ShownLanes;
  echo: string | null;
  step: TypingStep | undefined;
  disagreements: readonly Disagreement[];
  selected: boolean;
  first: boolean;
  onSelect: (index: number, columnKey: string) => void;
}) {
  if (!step) return null;
  const heard = step.events.filter(({ type }) => lanes.types.has(type));
  return (
    <button
      type="button"
      className={styles.cell}
      aria-pressed={selected}
      data-differs={disagreements.length > 0 || undefined}
      tabIndex={selected || first ? 0 : -1}
      onClick={() => onSelect(index, columnKey)}
    >
      <span className={styles.line}>
        <TextWithCaret step={step} brought={brought ?? ''} />
        {judgement && <VerdictSign judgement={judgement} />}
      </span>
      {step.value !== step.text && (
        <span className={styles.value}>
          value {step.value === '' ? 'empty' : <span className="mono">{step.value.slice(0, 60)}</span>}
        </span>
      )}
      {lanes.echo && (
        <span className={styles.echo}>
          {lanes.echo}:{' '}
          {echo === null ? (
            'not yet'
          ) : echo === '' ? (
            'empty'
          ) : (
            <span className="mono">{echo.slice(-40)}</span>
          )}
        </span>
      )}
      <EventTicks events={heard} />
      {disagreements.length > 0 && (
        <span className={styles.disagreement} title={disagreements.map(disagreementWords).join(' ')}>
          not as modelled: {disagreements.map((one) => one.what).join(', ')}
        </span>
      )}
    </button>
  );
});

/** How much of a long text is shown before and behind the caret, characters. */
const before = 60;
const behind = 30;

/** The text around the caret after the stroke; a refused one stands struck out where the caret is. */
function TextWithCaret({ step, brought }: { step: TypingStep; brought: string }) {
  const { text, caret, refused } = step;
  const from = Math.max(0, caret.start - before);
  const to = Math.min(text.length, caret.start + behind);
  return (
    <span className={styles.text}>
      {from > 0 && '…'}
      {visible(text.slice(from, caret.start))}
      <span className={styles.caret} />
      {refused && (
        <del
          className={styles.refused}
          title={refused === 'guard' ? 'refused by a guard' : 'refused by the target'}
        >
          {visible(brought.slice(0, 24)) || '⊘'}
        </del>
      )}
      {visible(text.slice(caret.start, to))}
      {to < text.length && '…'}
      {text.length > before + behind && (
        <span className={styles.deed}> {text.length.toLocaleString('en-GB')} code units</span>
      )}
    </span>
  );
}
