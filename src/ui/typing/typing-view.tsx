'use client';

import { App, Button, Input, Segmented, Select } from 'antd';
import dynamic from 'next/dynamic';
import { memo, startTransition, useEffect, useMemo, useState } from 'react';
import type { TypingPlan } from '@/core/document/form-document';
import type { Guard } from '@/core/guard/guard';
import type { TypingTask } from '@/core/guard/typing-task';
import { type Field, type FieldId, isDated, isTypedText, takesKeys } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import type { TypingFacts } from '@/core/questions/typing/facts';
import { withoutStroke, withStrokeMoved } from '@/core/script/edit-script';
import { formatScript, readScript } from '@/core/script/script-text';
import { kindText } from '@/core/words/kind-text';
import { scriptFaultText } from '@/core/words/script-fault-words';
import frame from '../frame/frame.module.css';
import { Help } from '../frame/help';
import { lastResult } from '../frame/last-result';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { type TypingPart, typingParts, useSelection } from '../frame/use-selection';
import { useSteady } from '../frame/use-steady';
import { useSweep } from '../frame/use-sweep';
import { EventList } from './event-list';
import { TickLegend } from './event-ticks';
import { exportGuards } from './export-guards';
import { GuardPanel } from './guard-panel';
import { Ladder, type LadderColumn } from './ladder';
import { allLanes, Lanes, type ShownLanes } from './lanes';
import { TypeHere } from './type-here';
import styles from './typing.module.css';
import { useColumns } from './use-columns';

// Each part of the view is loaded when somebody turns to it.
const WaysIn = dynamic(() => import('./ways-in').then((module) => module.WaysIn), { ssr: false });
const SamplesPanel = dynamic(() => import('./samples-panel').then((module) => module.SamplesPanel), {
  ssr: false,
});
const RulePanel = dynamic(() => import('./rule-panel').then((module) => module.RulePanel), { ssr: false });

/** What can be typed, which strokes are refused, and which events say so? */
export function TypingView() {
  const { form, reading } = useForm();
  const [selection] = useSelection();
  const typed = useMemo(() => reading.fields.filter((field) => takesKeys(field.kind)), [reading]);
  const planned = typed.find((field) => ownEntry(form.typing, field.id));
  const field = typed.find((one) => one.id === selection.field) ?? planned ?? typed[0];
  if (!field)
    return (
      <div className={frame.empty}>
        <h1>No field to type into</h1>
        <p className="soft">Text is typed into text-like inputs and text areas. Add one in the Form view.</p>
      </div>
    );
  return <Planned key={field.id} field={field} typed={typed} />;
}

/** Nothing can be changed before there is something to change. */
function Planned({ field, typed }: { field: Field; typed: readonly Field[] }) {
  const plan = usePlan(field);
  return plan && <Typing field={field} typed={typed} plan={plan} />;
}

function Typing({ field, typed, plan }: { field: Field; typed: readonly Field[]; plan: TypingPlan }) {
  const { form, edit } = useForm();
  const { running } = useSweep();
  const { message } = App.useApp();
  const [selection, select] = useSelection();
  const read = useMemo(() => lastResult(readTask), []);
  const { reading, task } = read(plan.script, plan.guards);
  const change = (part: Partial<TypingPlan>, sort: string) =>
    edit({ typing: { ...form.typing, [field.id]: { ...plan, ...part } } }, `${field.id} ${sort}`);
  // Typed without guards: with them, the device's column would be what no device ever did.
  const takeStrokes = useSteady((facts: TypingFacts) =>
    change({ script: formatScript(facts.script), guards: [] }, 'strokes of a device'),
  );
  const { columns, shown, fault, begin } = useColumns(field, task, plan, takeStrokes);
  const { lineUp } = useLineUp();
  const [lanes, setLanes] = useState<ShownLanes>(allLanes);
  const [columnKey, setColumnKey] = useState<string | null>(null);
  const column =
    columns.find((one) => one.key === columnKey) ?? columns.find((one) => one.facts) ?? columns[0];
  // Guards are written for controls; what scripts of a page make of a widget they know themselves.
  const canBeGuarded = field.kind !== 'widget';
  const part = canBeGuarded ? selection.typing : 'strokes';
  const { script } = shown;
  const stroke = selection.stroke !== null && selection.stroke < script.length ? selection.stroke : null;
  const selectedStroke = stroke === null ? undefined : script[stroke];
  const changeScript = useSteady((script: string) => {
    begin(read(script, plan.guards).task);
    change({ script }, 'script');
  });
  const changeGuards = useSteady((guards: readonly Guard[]) => change({ guards }, 'guards'));
  const selectStroke = useSteady((next: number, at: LadderColumn) => {
    setColumnKey(at.key);
    select({ stroke: next, target: at.target });
  });
  const removeStroke = useSteady((at: number) => {
    change({ script: withoutStroke(plan.script, at) }, `stroke ${script.length}`);
    select({ stroke: script.length > 1 ? Math.min(at, script.length - 2) : null });
  });
  const moveStroke = useSteady((at: number, by: -1 | 1) => {
    if (at + by < 0 || at + by >= script.length) return;
    change({ script: withStrokeMoved(plan.script, at, by) }, 'moved stroke');
    select({ stroke: at + by });
  });

  return (
    <div className={styles.view}>
      <section className={styles.side} aria-label="Script and guards">
        <h1>Typing</h1>
        <FieldChoice field={field.id} typed={typed} />
        {isTypedText(field.kind) && <TypeHere field={field} guards={plan.guards} onScript={changeScript} />}
        <span className={frame.headed}>
          <h2>Script</h2>
          <Help about="scripts">
            <p>
              One stroke a line or side by side: text in quotes, named keys,{' '}
              <span className="mono">paste</span>, <span className="mono">drop</span>,{' '}
              <span className="mono">dictate</span>, caret moves, pauses. Or type into the field above: that
              becomes the script.
            </p>
            <p>Each target is given the same script; the ladder shows the text after every stroke.</p>
          </Help>
        </span>
        <Input.TextArea
          aria-label="Script"
          className={`mono ${styles.script}`}
          rows={5}
          spellCheck={false}
          value={plan.script}
          status={reading.status === 'fault' ? 'error' : ''}
          onChange={(event) => changeScript(event.target.value)}
        />
        {reading.status === 'fault' && (
          <p className={styles.fault} role="alert">
            Line {reading.line}, column {reading.column}: {scriptFaultText(reading.fault)}
          </p>
        )}
        {canBeGuarded && (
          <>
            <span className={frame.headed}>
              <h2>Guards</h2>
              <Help about="guards">
                <p>
                  A guard is one rule at one stage: on key presses, before a text is put in, after it was, on
                  leaving, on submission. Rules while one types must let the beginning of every valid value
                  stand.
                </p>
                <p>
                  <b>Accepted</b> may be sent; <b>unfinished</b> can still become valid; <b>refused</b>{' '}
                  cannot, whatever follows.
                </p>
              </Help>
            </span>
            <GuardPanel guards={plan.guards} onChange={changeGuards} />
            {plan.guards.length > 0 && (
              <Button
                onClick={async () => {
                  const fault = await exportGuards(plan.guards, field.name || field.id);
                  if (fault) void message.error(fault);
                }}
              >
                Export as TypeScript
              </Button>
            )}
          </>
        )}
      </section>
      <section className={styles.replay} aria-label="Replay">
        <div className={styles.parts}>
          {canBeGuarded && <PartChoice part={part} />}
          {part === 'strokes' && <Steps count={script.length} stroke={stroke} />}
        </div>
        {part === 'ways in' && (
          <div className={styles.scroll}>
            <WaysIn
              field={field}
              plan={plan}
              onScript={(script) => {
                change({ script }, 'script');
                select({ typing: 'strokes', stroke: null });
              }}
            />
          </div>
        )}
        {part === 'samples' && (
          <SamplesPanel
            field={field}
            guards={plan.guards}
            targets={lineUp.targets}
            text={plan.samples ?? ''}
            onChange={(samples) => change({ samples }, 'samples')}
          />
        )}
        {part === 'rule' && (
          <RulePanel
            field={field}
            guards={plan.guards}
            samples={plan.samples ?? ''}
            onSamples={(samples) => change({ samples }, 'samples')}
            onGuards={changeGuards}
            purpose={plan.purpose}
            onPurpose={(purpose) => change({ purpose }, 'purpose')}
          />
        )}
        {part === 'strokes' && (
          <>
            <Lanes shown={lanes} onChange={setLanes} />
            {fault && (
              <p className={styles.fault} role="alert" style={{ padding: '0 16px 8px' }}>
                {fault} Simplify the pattern of the guard, or switch it off.
              </p>
            )}
            <div className={styles.scroll}>
              {script.length === 0 ? (
                <p className={styles.lead}>
                  Type into the field on the left, or write a script, for example type "12.5" on its own line.
                </p>
              ) : (
                <Ladder
                  script={script}
                  columns={columns}
                  lanes={lanes}
                  hasCaret={isTypedText(field.kind) || isDated(field.kind)}
                  stroke={stroke}
                  column={column?.key ?? null}
                  asking={running}
                  onSelect={selectStroke}
                  onRemove={removeStroke}
                  onMove={moveStroke}
                />
              )}
            </div>
            {stroke !== null && selectedStroke && column && (
              <EventList stroke={selectedStroke} index={stroke} column={column}>
                <span className={styles.strokeDeeds}>
                  <Button size="small" disabled={stroke === 0} onClick={() => moveStroke(stroke, -1)}>
                    Earlier
                  </Button>
                  <Button
                    size="small"
                    disabled={stroke === script.length - 1}
                    onClick={() => moveStroke(stroke, 1)}
                  >
                    Later
                  </Button>
                  <Button size="small" onClick={() => removeStroke(stroke)}>
                    Remove
                  </Button>
                </span>
              </EventList>
            )}
          </>
        )}
      </section>
    </div>
  );
}

const FieldChoice = memo(function FieldChoice({ field, typed }: { field: FieldId; typed: readonly Field[] }) {
  const [, select] = useSelection();
  return (
    <Select
      aria-label="Field"
      value={field}
      showSearch={{ optionFilterProp: 'label' }}
      options={typed.map((one) => ({ value: one.id, label: `${one.label} (${kindText(one)})` }))}
      onChange={(id) => select({ field: id, stroke: null })}
    />
  );
});

function readTask(text: string, guards: readonly Guard[]) {
  const reading = readScript(text);
  const task: TypingTask = { script: reading.status === 'read' ? reading.script : [], guards };
  return { reading, task };
}

/** What is typed into a field: as it is kept, or else what the field accepts; null until that is made up. */
function usePlan(field: Field): TypingPlan | null {
  const { form } = useForm();
  const kept = ownEntry(form.typing, field.id);
  const { page } = form;
  // One and the same until it is changed: what is asked of a worker goes by it.
  const [first, setFirst] = useState<TypingPlan | null>(null);
  useEffect(() => {
    if (kept) return;
    let isOver = false;
    // The standard's rules for values are large, and most fields have a script.
    void import('./first-plan').then(({ firstPlan }) => {
      if (!isOver) startTransition(() => setFirst(firstPlan({ page }, field)));
    });
    return () => {
      isOver = true;
    };
  }, [kept, field, page]);
  return kept ?? first;
}

const PartChoice = memo(function PartChoice({ part }: { part: TypingPart }) {
  const [, select] = useSelection();
  return (
    <Segmented<TypingPart>
      size="small"
      value={part}
      options={[...typingParts]}
      onChange={(typing) => select({ typing })}
    />
  );
});

const playEvery = 450;

const Steps = memo(function Steps({ count, stroke }: { count: number; stroke: number | null }) {
  const [, select] = useSelection();
  const onStroke = useSteady((next: number | null) => select({ stroke: next }));
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return;
    const timer = setTimeout(() => {
      const next = (stroke ?? -1) + 1;
      if (next >= count) setPlaying(false);
      else onStroke(next);
    }, playEvery);
    return () => clearTimeout(timer);
  }, [playing, stroke, count, onStroke]);
  return (
    <div className={styles.bar}>
      <Button
        size="small"
        disabled={count === 0}
        onClick={() => {
          if (!playing && stroke === count - 1) onStroke(null);
          setPlaying(!playing);
        }}
      >
        {playing ? 'Pause' : 'Play'}
      </Button>
      <Button
        size="small"
        disabled={stroke === null || stroke === 0}
        onClick={() => onStroke((stroke ?? 1) - 1)}
      >
        Back
      </Button>
      <Button
        size="small"
        disabled={count === 0 || stroke === count - 1}
        onClick={() => onStroke((stroke ?? -1) + 1)}
      >
        Step
      </Button>
      <input
        type="range"
        className={styles.scrub}
        aria-label="Stroke"
        min={0}
        max={Math.max(0, count - 1)}
        value={stroke ?? 0}
        disabled={count === 0}
        onChange={(event) => onStroke(Number(event.target.value))}
      />
      <span
        className="soft"
        style={{ fontVariantNumeric: 'tabular-nums', minWidth: 56, whiteSpace: 'nowrap' }}
      >
        {stroke === null ? (count === 1 ? '1 stroke' : `${count} strokes`) : `${stroke + 1} of ${count}`}
      </span>
      <TickLegend />
    </div>
  );
});
