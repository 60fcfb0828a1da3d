'use client';

import { type KeyboardEvent, memo, useCallback, useEffect, useMemo, useState } from 'react';
import type { Guard } from '@/core/guard/guard';
import { attribute, type Field } from '@/core/html/field';
import { type AccessoryKey, type ActionKey, accessoryDeed } from '@/core/keyboard/action-key';
import { type Affixes, affixesOf } from '@/core/keyboard/affixes';
import { bringsText, type ComesUp, proposesWords } from '@/core/keyboard/comes-up';
import { hasKeyboard, traitsOf } from '@/core/keyboard/input-traits';
import { maskedText } from '@/core/keyboard/inserted-text';
import type { Key } from '@/core/keyboard/keyboard';
import type { KeyboardCheck } from '@/core/keyboard/keyboard-check';
import type { KeyboardHabits } from '@/core/keyboard/keyboard-habits';
import { chosen, proposals } from '@/core/keyboard/proposals';
import {
  layerUp,
  scriptOf,
  type Tapped,
  type TappingPlace,
  type TextWithCaret,
  tap,
  untapped,
} from '@/core/keyboard/tapping';
import type { Trap } from '@/core/keyboard/trap';
import { markOf } from '@/core/observation/provenance';
import type { ModelledReplay } from '@/core/replay/modelled-replay';
import { isNamedKey, type Stroke } from '@/core/script/stroke';
import type { Target, TargetId } from '@/core/target/target';
import { actionKeyTroubleWords, afterRefusalText, deedText, didText } from '@/core/words/action-key-words';
import type { Replayer } from '@/workers/replayer';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { useSelection } from '../frame/use-selection';
import { useSteady } from '../frame/use-steady';
import { useTypedLanguage } from '../frame/use-typed-language';
import { visible } from '../frame/visible-text';
import { EventTicks } from '../typing/event-ticks';
import { DeviceKeyboards } from './device-keyboards';
import { KeyboardKeys } from './keyboard-keys';
import styles from './keyboards.module.css';
import { MeasuredKeyboards } from './measured-keyboards';
import { TrapNote } from './trap-note';
import { WhatComesUp } from './what-comes-up';

/** A target with the keyboard that it brings up for a field. */
export interface KeyboardOnTarget {
  readonly target: Target;
  readonly habits: KeyboardHabits;
  readonly up: ComesUp;
  readonly action: ActionKey | null;
}

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
  const [typed, setTyped] = useState<Readonly<Record<TargetId, Tapped>>>({});
  const replays = useTapped(field, guards, typed);
  // What the form itself knows: suggestions, and the samples whose taps were counted.
  const words = useMemo(
    () => [...(field.suggestions ?? []), ...(checks[0]?.detours.map(({ text }) => text) ?? [])],
    [field, checks],
  );
  const change = useSteady((target: TargetId, next: (typed: Tapped) => Tapped) =>
    setTyped((before) => ({ ...before, [target]: next(before[target] ?? untapped) })),
  );
  return (
    <div className={styles.targets}>
      {all.map(({ target, habits, up, action }) => {
        const check = checks.find((one) => one.target === target.id);
        return (
          <Card
            key={target.id}
            field={field}
            target={target}
            habits={habits}
            up={up}
            action={action}
            trap={check?.trap ?? null}
            standing={check?.standing ?? nothingThere}
            words={words}
            typed={typed[target.id] ?? untapped}
            replay={replays.get(target.id) ?? null}
            onChange={change}
          />
        );
      })}
      <DeviceKeyboards field={field} />
      <MeasuredKeyboards field={field} guards={guards} />
    </div>
  );
}

/** What has become of all that was tapped, by target. */
function useTapped(
  field: Field,
  guards: readonly Guard[],
  typed: Readonly<Record<TargetId, Tapped>>,
): ReadonlyMap<TargetId, ModelledReplay> {
  const of = useReplayedField(field);
  const ask = useCallback(
    (replayer: Replayer) => {
      const scripts = Object.entries(typed).map(
        ([id, tapped]) => [id as TargetId, scriptOf(tapped)] as const,
      );
      return replayer.strokes(of, guards, scripts);
    },
    [of, guards, typed],
  );
  const [replaying] = useReplay(ask);
  return replaying.status === 'there' ? replaying.answer : noReplays;
}
const nothingThere: TextWithCaret = { text: '', caret: { start: 0, end: 0 } };
const noReplays: ReadonlyMap<TargetId, ModelledReplay> = new Map();

const Card = memo(function Card({
  field,
  target,
  habits,
  up,
  action,
  trap,
  standing,
  words,
  typed,
  replay,
  onChange,
}: KeyboardOnTarget & {
  field: Field;
  trap: Trap | null;
  standing: TextWithCaret;
  /** Texts whose words may be proposed. */
  words: readonly string[];
  typed: Tapped;
  replay: ModelledReplay | null;
  onChange: (target: TargetId, next: (typed: Tapped) => Tapped) => void;
}) {
  const entry = traitsOf(field);
  const language = useTypedLanguage(field);
  const step = replay?.facts.steps.at(-1) ?? null;
  const now = step ?? standing;
  const before = now.text.slice(0, now.caret.start);
  const place: TappingPlace = { up, habits, entry, action, before };
  const layer = layerUp(typed, place);
  const press = (key: Key, held: string | null) => onChange(target.id, (now) => tap(now, key, held, place));
  const pressed = (event: KeyboardEvent) => {
    const stroke = hardwareStroke(event);
    if (!stroke) return;
    event.preventDefault();
    // What is typed here is no shortcut of Ukko's.
    event.stopPropagation();
    onChange(target.id, (now) => ({ ...now, strokes: [...now.strokes, stroke] }));
  };
  const { reading } = useForm();
  const [, select] = useSelection();
  const accessory = (name: AccessoryKey) => {
    const deed = accessoryDeed(name, field, reading.fields);
    const goesOn = deed.does === 'goes to' && hasKeyboard(deed.field);
    if (goesOn) select({ field: deed.field.id, stroke: null });
    else onChange(target.id, (now) => ({ ...now, did: deed }));
  };
  return (
    <article className={styles.card} aria-label={target.name}>
      <header className={styles.head} title={target.note}>
        <ProvenanceMark mark={markOf(target)} /> <strong>{target.name}</strong>
        <span className={styles.brings}>
          <WhatComesUp target={target} habits={habits} entry={entry} up={up} language={language} />
          {proposesWords(habits, entry, up) && (
            <Proposals
              target={target}
              words={proposals(before, words)}
              onChoose={(word) => onChange(target.id, (now) => chosen(now, word, before))}
            />
          )}
        </span>
      </header>
      <FieldThere field={field} habits={habits} now={now} onKeyDown={pressed} />
      <p className={styles.judgement}>
        {replay?.verdicts.afterStrokes.at(-1)?.verdict ??
          (typed.strokes.length === 0 &&
            (now.text === '' ? 'nothing typed yet' : 'prefilled, nothing typed yet'))}
        {step?.refused && (
          <span className={styles.bad}>
            {' '}
            · refused by {step.refused === 'guard' ? 'a guard' : 'the target'}
          </span>
        )}
        {step && <EventTicks events={step.events} />}
        {typed.strokes.length > 0 && (
          <button type="button" className={styles.clear} onClick={() => onChange(target.id, () => untapped)}>
            clear
          </button>
        )}
      </p>
      <TrapNote trap={trap} />
      {up.keyboard ? (
        <>
          {habits.accessory.length > 0 && (
            <div className={styles.accessory}>
              {habits.accessory.map((name) => (
                <button key={name} type="button" onClick={() => accessory(name)}>
                  {name}
                </button>
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
          {up.brings.up === 'picker' ? `${bringsText(up.brings)} instead of keys` : 'no keyboard is shown'}
        </p>
      )}
      {action && <ActionNote action={action} did={typed.did} />}
    </article>
  );
});

/** Words that come up while one types, to be chosen. */
function Proposals({
  target,
  words,
  onChoose,
}: {
  target: Target;
  words: readonly string[];
  onChoose: (word: string) => void;
}) {
  if (words.length === 0) return ' · proposes words';
  return (
    // biome-ignore lint/a11y/useSemanticElements: these are no fields of a form
    <span role="group" aria-label={`Words that ${target.name} proposes`}>
      {' · proposes'}
      {words.map((word) => (
        <button
          key={word}
          type="button"
          className={styles.proposal}
          title="Choose it: a space comes in behind it"
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => onChoose(word)}
        >
          {word}
        </button>
      ))}
    </span>
  );
}

function ActionNote({ action, did }: { action: ActionKey; did: Tapped['did'] }) {
  return (
    <p className={styles.note} title={action.known.source}>
      {did ? (
        didText(did)
      ) : (
        <>
          {action.called === null ? (
            'No action key'
          ) : (
            <>
              Action key “{action.label}”: {deedText(action.deed)}
            </>
          )}
          . <span className="soft">{afterRefusalText(action.whenNotAccepted)}</span>
        </>
      )}
      {action.trouble && (
        <span className={styles.bad}> This field: {actionKeyTroubleWords[action.trouble]}</span>
      )}
    </p>
  );
}

/** A key of the keyboard in front of the person; Tab stays theirs. */
function hardwareStroke({ key, ctrlKey, altKey, metaKey }: KeyboardEvent): Stroke | null {
  if (ctrlKey || altKey || metaKey || key === 'Tab' || key === 'Shift') return null;
  if (Array.from(key).length === 1 || (isNamedKey(key) && key !== 'Escape')) return { kind: 'key', key };
  return null;
}

const noAffixes: Affixes = { prefix: '', suffix: '' };

/** The field as the target shows it: hint or text, mask, caret, counter. */
function FieldThere({
  field,
  habits,
  now: { text, caret: at },
  onKeyDown,
}: {
  field: Field;
  habits: KeyboardHabits;
  now: TextWithCaret;
  onKeyDown: (event: KeyboardEvent) => void;
}) {
  const [control] = field.controls;
  const isLastShown = useRevealed(text, habits.text.revealed);
  const isSecret = field.kind === 'password';
  const shown = isSecret ? maskedText(text, habits.text, isLastShown) : text;
  const caret = isSecret ? shown.length : at.start;
  const hint = attribute(control, 'placeholder') ?? '';
  const limit = Number.parseInt(attribute(control, 'maxlength') ?? '', 10);
  const floats = habits.decoration.floatingLabel;
  const { prefix, suffix } = habits.decoration.affixes ? affixesOf(field) : noAffixes;
  return (
    <div className={styles.field}>
      {!floats && <span className={styles.label}>{field.label}</span>}
      {/* biome-ignore lint/a11y/useSemanticElements: what is typed is the target's answer, not this browser's */}
      <div
        className={styles.box}
        role="textbox"
        tabIndex={0}
        aria-label={`${field.label}, typed with the keys in front of you`}
        data-lines={field.kind === 'textarea' ? 'many' : 'one'}
        onKeyDown={onKeyDown}
      >
        {floats && <span className={styles.floated}>{field.label}</span>}
        {prefix && <span className={styles.affix}>{prefix} </span>}
        {visible(shown.slice(0, caret))}
        <span className={styles.caret} />
        {text === '' ? <span className={styles.hint}>{hint}</span> : visible(shown.slice(caret))}
        {suffix && <span className={styles.affix}> {suffix}</span>}
      </div>
      {Number.isInteger(limit) && limit > 0 && habits.decoration.atLimit === 'only warns' && (
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
