'use client';

import type { Remote } from 'comlink';
import { type KeyboardEvent, memo, useCallback, useEffect, useState } from 'react';
import { attribute, type Field } from '@/core/form/field';
import type { Guard } from '@/core/guard/guard';
import type { ActionDeed, ActionKey } from '@/core/keyboard/action-key';
import { arrivesAs, maskedText, wantsCapitals } from '@/core/keyboard/arrives';
import { bringsText, type ComesUp } from '@/core/keyboard/comes-up';
import { type Entry, entryOf } from '@/core/keyboard/entry';
import { type Key, layerNamed } from '@/core/keyboard/keyboard';
import type { KeyboardHabits } from '@/core/keyboard/keyboard-habits';
import type { Trap } from '@/core/keyboard/trap';
import { isNamedKey, type Script, type Stroke } from '@/core/script/stroke';
import { markOf, type Target, type TargetId } from '@/core/target/target';
import type { KeyboardCheck, ModelledReplay, ReplayWork } from '@/workers/replay.worker';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { useSteady } from '../frame/use-steady';
import { visible } from '../frame/visible-text';
import { EventTick } from '../typing/event-tick';
import { useReplay } from '../typing/use-replay';
import { KeyboardKeys } from './keyboard-keys';
import styles from './keyboards.module.css';
import { MeasuredKeyboards } from './measured-keyboards';

/** A target with the keyboard that it brings up for a field. */
export interface KeyboardOnTarget {
  readonly target: Target;
  readonly habits: KeyboardHabits;
  readonly up: ComesUp;
  readonly action: ActionKey | null;
}

/** What a person did on one target so far. */
interface Typed {
  readonly strokes: Script;
  /** The layer that was chosen; null: the one that is up by itself. */
  readonly layer: string | null;
  /** What the action key did last. */
  readonly said: string | null;
}
const untouched: Typed = { strokes: [], layer: null, said: null };

/** The field on each target, with its keyboard under it, live. */
export function KeyboardTargets({
  field,
  guards,
  all,
  checks,
}: {
  field: Field;
  guards: readonly Guard[];
  all: readonly KeyboardOnTarget[];
  checks: readonly KeyboardCheck[];
}) {
  const [typed, setTyped] = useState<Readonly<Record<TargetId, Typed>>>({});
  const replays = useTapped(field, guards, typed);
  const change = useSteady((target: TargetId, next: (typed: Typed) => Typed) =>
    setTyped((before) => ({ ...before, [target]: next(before[target] ?? untouched) })),
  );
  return (
    <div className={styles.targets}>
      {all.map(({ target, habits, up, action }) => (
        <Card
          key={target.id}
          field={field}
          target={target}
          habits={habits}
          up={up}
          action={action}
          trap={checks.find((one) => one.target === target.id)?.trap ?? null}
          typed={typed[target.id] ?? untouched}
          replay={replays.get(target.id) ?? null}
          onChange={change}
        />
      ))}
      <MeasuredKeyboards field={field} />
    </div>
  );
}

/** What has become of all that was tapped, by target. */
function useTapped(
  field: Field,
  guards: readonly Guard[],
  typed: Readonly<Record<TargetId, Typed>>,
): ReadonlyMap<TargetId, ModelledReplay> {
  const { form } = useForm();
  const ask = useCallback(
    async (work: Remote<ReplayWork>) => {
      const scripts = Object.entries(typed).map(([id, { strokes }]) => [id as TargetId, strokes] as const);
      const replays = await work.tapped({ markup: form.markup, field: field.id }, guards, scripts);
      return new Map(replays.map((replay) => [replay.target, replay]));
    },
    [form.markup, field.id, guards, typed],
  );
  const replaying = useReplay(ask);
  return replaying.status === 'there' ? replaying.answer : noReplays;
}
const noReplays: ReadonlyMap<TargetId, ModelledReplay> = new Map();

const Card = memo(function Card({
  field,
  target,
  habits,
  up,
  action,
  trap,
  typed,
  replay,
  onChange,
}: KeyboardOnTarget & {
  field: Field;
  trap: Trap | null;
  typed: Typed;
  replay: ModelledReplay | null;
  onChange: (target: TargetId, next: (typed: Typed) => Typed) => void;
}) {
  const entry = entryOf(field);
  const step = replay?.facts.steps.at(-1) ?? null;
  const before = step ? step.text.slice(0, step.caret.start) : '';
  const layer = typed.layer ?? layerByItself(up, habits, entry, before);
  const press = (key: Key, held: string | null) =>
    onChange(target.id, (now) => after(now, key, held, { up, habits, entry, action, layer, before }));
  const pressed = (event: KeyboardEvent) => {
    const stroke = hardwareStroke(event);
    if (!stroke) return;
    event.preventDefault();
    // What is typed here is no shortcut of Ukko's.
    event.stopPropagation();
    onChange(target.id, (now) => ({ ...now, strokes: [...now.strokes, stroke] }));
  };
  return (
    <article className={styles.card} aria-label={target.name}>
      <header className={styles.head} title={target.note}>
        <ProvenanceMark mark={markOf(target)} /> <strong>{target.name}</strong>
        <span className={styles.brings} title={up.known.source}>
          {bringsText(up.brings)}, {up.known.sure}
        </span>
      </header>
      <FieldThere field={field} habits={habits} step={step} onKeyDown={pressed} />
      <p className={styles.judgement}>
        {replay?.verdicts.afterStrokes.at(-1)?.verdict ?? 'nothing typed yet'}
        {step?.refused && (
          <span className={styles.bad}>
            {' '}
            · refused by {step.refused === 'guard' ? 'a guard' : 'the target'}
          </span>
        )}
        {step && (
          <span
            className={styles.ticks}
            role="img"
            aria-label={step.events.map(({ type }) => type).join(', ') || 'no events'}
          >
            {step.events.map((event, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: events have no other name than their place
              <EventTick key={index} event={event} />
            ))}
          </span>
        )}
        {typed.strokes.length > 0 && (
          <button type="button" className={styles.clear} onClick={() => onChange(target.id, () => untouched)}>
            clear
          </button>
        )}
      </p>
      {trap && (
        <p className={styles.trap}>
          Lacks <Characters all={trap.missing} />: <span className="mono">{visible(trap.value)}</span> is
          accepted and cannot be typed.
        </p>
      )}
      {up.keyboard ? (
        <>
          {habits.accessory.length > 0 && (
            <div className={styles.accessory}>
              {habits.accessory.map((name) => (
                <span key={name}>{name}</span>
              ))}
            </div>
          )}
          <KeyboardKeys
            keyboard={up.keyboard}
            layer={layer}
            action={action}
            label={`Keyboard of ${target.name}: ${bringsText(up.brings)}`}
            onKey={press}
          />
        </>
      ) : (
        <p className={styles.picker}>
          {up.brings.up === 'picker' ? `${bringsText(up.brings)} instead of keys` : 'no keyboard comes up'}
        </p>
      )}
      {action && <ActionNote action={action} said={typed.said} />}
    </article>
  );
});

function Characters({ all }: { all: readonly string[] }) {
  return all.slice(0, 8).map((character) => (
    <kbd key={character} className={styles.lacked}>
      {visible(character)}
    </kbd>
  ));
}

function ActionNote({ action, said }: { action: ActionKey; said: string | null }) {
  return (
    <p className={styles.note} title={action.known.source}>
      {said ?? (
        <>
          {action.called === null ? (
            'No action key'
          ) : (
            <>
              Action key “{action.label}”: {deedText(action.deed)}
            </>
          )}
          . <span className="soft">Not accepted yet: {action.whenNotAccepted}</span>
        </>
      )}
      {action.trouble && <span className={styles.bad}> {action.trouble}</span>}
    </p>
  );
}

function deedText(deed: ActionDeed): string {
  switch (deed.does) {
    case 'goes to':
      return `goes to ${deed.field.label}`;
    case 'sends':
      return 'asks to send the form';
    case 'puts a newline':
      return 'puts a newline';
    case 'puts the keyboard away':
      return 'puts the keyboard away';
    case 'nothing':
      return deed.why.replace(/\.$/, '');
  }
}

/** The layer that is up by itself: capitals where the field wants them. */
function layerByItself(
  { keyboard }: ComesUp,
  { text }: KeyboardHabits,
  { autocapitalize }: Entry,
  before: string,
): string {
  const first = keyboard?.layers[0].id ?? '';
  const hasCapitals = keyboard?.layers.some(({ id }) => id === 'capitals') ?? false;
  return hasCapitals && first === 'letters' && text.capitalizes && wantsCapitals(before, autocapitalize)
    ? 'capitals'
    : first;
}

interface Tapping {
  readonly up: ComesUp;
  readonly habits: KeyboardHabits;
  readonly entry: Entry;
  readonly action: ActionKey | null;
  /** The layer that is up. */
  readonly layer: string;
  /** The text before the caret. */
  readonly before: string;
}

/** What has been done after one more tap. */
function after(now: Typed, key: Key, held: string | null, at: Tapping): Typed {
  switch (key.does) {
    case 'layer':
      // Back from the numbers, letters are large or small by themselves; from the capitals a person asked for small ones.
      return { ...now, layer: key.to === 'letters' && at.layer !== 'capitals' ? null : key.to };
    case 'erase':
      return { ...now, strokes: [...now.strokes, { kind: 'key', key: 'Backspace' }], said: null };
    case 'away':
      return { ...now, said: 'The keyboard is put away; the focus stays.' };
    case 'gap':
      return now;
    case 'action':
      return acted(now, at.action?.deed ?? { does: 'sends' });
    case 'text': {
      const { replaces, text } = arrivesAs(held ?? key.text, at.before, at.habits.text, isPlain(at.entry));
      const erased = Array.from(replaces, (): Stroke => ({ kind: 'key', key: 'Backspace' }));
      const brought: Stroke =
        text.length > 1 && Array.from(text).length > 1
          ? { kind: 'text', route: 'soft keys', text }
          : { kind: 'key', key: text };
      return { strokes: [...now.strokes, ...erased, brought], layer: layerAfter(now, at), said: null };
    }
  }
}

/** A layer that was chosen stays, unless it goes back by itself; letters choose between small and large by themselves. */
function layerAfter({ layer }: Typed, { up, layer: shown }: Tapping): string | null {
  const returnsTo = up.keyboard && layerNamed(up.keyboard, shown)?.returnsTo;
  const next = returnsTo ?? layer;
  return next === 'letters' ? null : next;
}

function acted(now: Typed, deed: ActionDeed): Typed {
  const said = `It ${deedText(deed)}.`;
  switch (deed.does) {
    case 'goes to':
      return { ...now, strokes: [...now.strokes, { kind: 'leave' }], said };
    case 'sends':
    case 'puts a newline':
    case 'nothing':
      return { ...now, strokes: [...now.strokes, { kind: 'key', key: 'Enter' }], said };
    case 'puts the keyboard away':
      return { ...now, said };
  }
}

/** Nothing is put right in addresses, secrets, numbers, and where a pad was asked for. */
function isPlain({ kind, inputmode }: Entry): boolean {
  const isText = kind === 'text' || kind === 'search' || kind === 'textarea';
  return !isText || (inputmode !== null && inputmode !== 'text' && inputmode !== 'search');
}

/** A key of the keyboard in front of the person; Tab stays theirs. */
function hardwareStroke({ key, ctrlKey, altKey, metaKey }: KeyboardEvent): Stroke | null {
  if (ctrlKey || altKey || metaKey || key === 'Tab' || key === 'Shift') return null;
  if (Array.from(key).length === 1 || (isNamedKey(key) && key !== 'Escape')) return { kind: 'key', key };
  return null;
}

/** The field as the target shows it: hint or text, mask, caret, counter. */
function FieldThere({
  field,
  habits,
  step,
  onKeyDown,
}: {
  field: Field;
  habits: KeyboardHabits;
  step: ModelledReplay['facts']['steps'][number] | null;
  onKeyDown: (event: KeyboardEvent) => void;
}) {
  const [control] = field.controls;
  const text = step?.text ?? '';
  const isLastShown = useRevealed(text, habits.text.revealed);
  const isSecret = field.kind === 'password';
  const shown = isSecret ? maskedText(text, habits.text, isLastShown) : text;
  const caret = step ? (isSecret ? shown.length : step.caret.start) : 0;
  const hint = attribute(control, 'placeholder') ?? '';
  const limit = Number.parseInt(attribute(control, 'maxlength') ?? '', 10);
  const floats = habits.dress.floatingLabel;
  const insideLabel = floats && text === '';
  return (
    <div className={styles.field}>
      {!insideLabel && <span className={styles.label}>{field.label}</span>}
      {/* biome-ignore lint/a11y/useSemanticElements: what is typed is the target's answer, not this browser's */}
      <div
        className={styles.box}
        role="textbox"
        tabIndex={0}
        aria-label={`${field.label}, typed with the keys in front of you`}
        data-lines={field.kind === 'textarea' ? 'many' : 'one'}
        onKeyDown={onKeyDown}
      >
        {visible(shown.slice(0, caret))}
        <span className={styles.caret} />
        {text === '' ? (
          <span className={styles.hint}>{insideLabel ? field.label : hint}</span>
        ) : (
          visible(shown.slice(caret))
        )}
      </div>
      {Number.isInteger(limit) && limit > 0 && habits.dress.atLimit === 'only warns' && (
        <span className={text.length > limit ? styles.bad : 'soft'}>
          {text.length} of {limit}
        </span>
      )}
    </div>
  );
}

/** True for a moment after the text has grown. */
function useRevealed(text: string, ms: number): boolean {
  const [hiddenFor, setHiddenFor] = useState('');
  useEffect(() => {
    const timer = setTimeout(() => setHiddenFor(text), ms);
    return () => clearTimeout(timer);
  }, [text, ms]);
  return text !== hiddenFor && text.length > hiddenFor.length;
}
