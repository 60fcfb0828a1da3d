'use client';

import { Input, Segmented, Select } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useCallback, useMemo } from 'react';
import { withAttributes } from '@/core/document/edited-form';
import type { Guard } from '@/core/guard/guard';
import { attribute, type Field, isTypedText, typedKinds } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import { actionKeyOf } from '@/core/keyboard/action-key';
import { comesUp } from '@/core/keyboard/comes-up';
import { type Correction, correctedHabits } from '@/core/keyboard/correction';
import {
  capitalizations,
  enterKeyHints,
  hasKeyboard,
  inputModes,
  traitsOf,
} from '@/core/keyboard/input-traits';
import type { KeyboardCheck } from '@/core/keyboard/keyboard-check';
import { keyboardHabitsOf } from '@/core/keyboard/keyboard-habits';
import { keydownOnlyGuards } from '@/core/keyboard/keydown-only-guards';
import { letterKeys } from '@/core/keyboard/letters';
import { typedLanguage, unknownLanguage } from '@/core/keyboard/typed-language';
import { targets } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
import { languageName, languages, plainVariant } from '@/core/target/variant';
import { guardName } from '@/core/words/guard-words';
import { kindText } from '@/core/words/kind-text';
import { languageTagName } from '@/core/words/language-words';
import type { Replayer } from '@/workers/replayer';
import frame from '../frame/frame.module.css';
import { Help } from '../frame/help';
import { useCorrections } from '../frame/use-corrections';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import {
  currentSelection,
  type KeyboardPart,
  keyboardParts,
  selectionQuery,
  useSelection,
} from '../frame/use-selection';
import { useTypedLanguage } from '../frame/use-typed-language';
import { VisibleText } from '../frame/visible-text';
import { CheapestSetting } from './cheapest-setting';
import { type KeyboardOnTarget, KeyboardTargets } from './keyboard-targets';
import styles from './keyboards.module.css';

// Each part of the view is loaded when somebody turns to it.
const SettingsTables = dynamic(() => import('./settings-table').then((module) => module.SettingsTables), {
  ssr: false,
});
const TapsTable = dynamic(() => import('./taps-table').then((module) => module.TapsTable), { ssr: false });

/** Which keyboard comes up, can one type on it what the rule wants, and what does the page see? */
export function KeyboardsView() {
  const { form, reading } = useForm();
  const [selection] = useSelection();
  const shown = useMemo(() => reading.fields.filter(hasKeyboard), [reading]);
  const planned = shown.find((field) => ownEntry(form.typing, field.id));
  const field = shown.find(({ id }) => id === selection.field) ?? planned ?? shown[0];
  if (!field)
    return (
      <div className={frame.empty}>
        <h1>No field shows a keyboard</h1>
        <p className="soft">Text inputs and text areas show a keyboard. Add one in the Form view.</p>
      </div>
    );
  return <Keyboards field={field} shown={shown} />;
}

/** Targets that bring up a keyboard, those of the line-up first. */
function useKeyboardTargets(): readonly Target[] {
  const { lineUp } = useLineUp();
  return useMemo(() => {
    const own = lineUp.targets.filter(({ id }) => keyboardHabitsOf(id));
    const others = targets.filter(({ id }) => keyboardHabitsOf(id) && !own.some((one) => one.id === id));
    return [...own, ...others];
  }, [lineUp]);
}

/** What is known of the letter keys of a language, where that is less than how they are laid out. */
function LettersNote({ field, shown }: { field: Field; shown: string }) {
  const unknown = unknownLanguage(field);
  // Its country decides about numbers alone.
  const chosen = languageTagName(new Intl.Locale(shown).language);
  switch (letterKeys(shown)?.written?.by) {
    case 'alphabet':
      return (
        <p className="soft">
          {chosen} letters come from Unicode CLDR and are shown in alphabetical order. Ukko does not know
          where phones put their keys.
        </p>
      );
    case 'input method':
      return (
        <p className="soft">
          An input method turns these keys into {chosen} text. Ukko does not predict its conversion: a tap
          enters what is on the key.
        </p>
      );
    default:
      return unknown === null ? null : (
        <p className="soft">
          The page is in {languageTagName(unknown)}. Ukko knows no letters of that language, and shows those
          of {chosen}.
        </p>
      );
  }
}

/** Languages that can be chosen, that of the page first. */
function languageChoices(field: Field) {
  const own = typedLanguage(field, plainVariant.language);
  const ofPage = field.controls[0].language === null ? null : own;
  const isOther = languages.every((one) => one !== ofPage);
  const others = languages.map((one) => ({ value: one as string, label: languageName(one) }));
  return ofPage !== null && isOther ? [{ value: ofPage, label: languageTagName(ofPage) }, ...others] : others;
}

const noGuards: readonly Guard[] = [];

function Keyboards({ field, shown }: { field: Field; shown: readonly Field[] }) {
  const { form, reading } = useForm();
  const [selection, select] = useSelection();
  const language = useTypedLanguage(field);
  const plan = ownEntry(form.typing, field.id);
  const guards = plan?.guards ?? noGuards;
  const asked = useKeyboardTargets();
  const corrections = useCorrections();
  const checks = useChecks(field, guards, asked, corrections);
  const all = useMemo(
    () =>
      asked.flatMap((target): KeyboardOnTarget[] => {
        const habits = correctedHabits(target.id, corrections);
        if (!habits) return [];
        const up = comesUp(habits, traitsOf(field), language);
        const action = up.keyboard && actionKeyOf(field, reading.fields, up.keyboard, habits);
        return [{ target, habits, up, action }];
      }),
    [asked, field, reading, language, corrections],
  );
  return (
    <div className={styles.view}>
      <section className={styles.side} aria-label="Field and its settings">
        <span className={frame.headed}>
          <h1>Keyboards</h1>
          <Help about="where keyboards are known from">
            <p>
              Phones that are not here are modelled: which keyboard comes up is data, and each says where it
              is known from and how sure it is. A device that you open by a link, or your own correction,
              outranks it.
            </p>
            <p>
              The engines of this machine are measured with a real on-screen keyboard of Linux. That is one
              more target, and not the answer for other makers’ phones.
            </p>
          </Help>
        </span>
        <Select
          aria-label="Field"
          value={field.id}
          showSearch={{ optionFilterProp: 'label' }}
          options={shown.map((one) => ({ value: one.id, label: `${one.label} (${kindText(one)})` }))}
          onChange={(id) => select({ field: id, stroke: null })}
        />
        <Settings field={field} />
        {isTypedText(field.kind) && (
          <CheapestSetting field={field} guards={guards} corrections={corrections} />
        )}
        <div className={styles.setting}>
          <label htmlFor="keyboard-language">language of the person</label>
          <Select
            id="keyboard-language"
            value={language}
            options={languageChoices(field)}
            // What is no language in which engines are asked is that of the page.
            onChange={(next) => select({ language: languages.find((one) => one === next) ?? null })}
          />
        </div>
        <LettersNote field={field} shown={language} />
      </section>
      <section className={styles.main} aria-label="Keyboards by target">
        <div className={styles.parts}>
          <Segmented<KeyboardPart>
            size="small"
            value={selection.keyboards}
            options={[...keyboardParts]}
            onChange={(keyboards) => select({ keyboards })}
          />
          <Traps checks={checks} targets={asked} />
          {guards.length > 0 && <Ears field={field} guards={guards} />}
        </div>
        <div className={styles.scroll}>
          {selection.keyboards === 'keyboards' && (
            <KeyboardTargets
              key={`${field.id} ${field.kind}`}
              field={field}
              guards={guards}
              all={all}
              checks={checks}
            />
          )}
          {selection.keyboards === 'all settings' && (
            <SettingsTables field={field} guards={guards} all={all} />
          )}
          {selection.keyboards === 'taps' && <TapsTable all={all} checks={checks} />}
        </div>
      </section>
    </div>
  );
}

/** What is found of each keyboard; none as long as it is being looked for. */
function useChecks(
  field: Field,
  guards: readonly Guard[],
  asked: readonly Target[],
  corrections: readonly Correction[],
): readonly KeyboardCheck[] {
  const { form } = useForm();
  const of = useReplayedField(field);
  const language = useTypedLanguage(field);
  const samples = ownEntry(form.typing, field.id)?.samples ?? '';
  const ask = useCallback(
    ({ work }: Replayer) =>
      work.keyboardChecks(
        of,
        guards,
        samples,
        asked.map(({ id }) => id),
        { language, corrections },
      ),
    [of, guards, samples, asked, language, corrections],
  );
  const [replaying] = useReplay(ask);
  return replaying.status === 'there' ? replaying.answer : none;
}
const none: readonly KeyboardCheck[] = [];

/** How many of the keyboards are traps, in one line. */
function Traps({ checks, targets: asked }: { checks: readonly KeyboardCheck[]; targets: readonly Target[] }) {
  const trapped = checks.filter(({ trap }) => trap);
  const [first] = trapped;
  if (!first?.trap) return null;
  const name = asked.find(({ id }) => id === first.target)?.name ?? first.target;
  return (
    <p className={styles.alarm} role="status">
      <strong>{trapped.length}</strong> of {checks.length} keyboards cannot type a value that people need
      here: <VisibleText text={first.trap.value} /> on {name}
      {trapped.length > 1 && ' and others'}.
    </p>
  );
}

/** Guards that listen where soft keyboards do not speak. */
function Ears({ field, guards }: { field: Field; guards: readonly Guard[] }) {
  const { form, edit } = useForm();
  const [, select] = useSelection();
  const of = useReplayedField(field);
  const ask = useCallback(({ work }: Replayer) => work.waysIn(of, guards, ''), [of, guards]);
  const [replaying] = useReplay(ask);
  const [first] = replaying.status === 'there' ? keydownOnlyGuards(replaying.answer) : [];
  const plan = ownEntry(form.typing, field.id);
  if (!first || !plan) return null;
  return (
    <p className={styles.alarm} role="status">
      “{guardName(first.guard)}” hears hardware keys and lets {first.past.join(' and ')} past.{' '}
      <Link
        href={`/typing${selectionQuery({ ...currentSelection(), field: field.id, typing: 'strokes' })}`}
        onClick={() => {
          edit({ typing: { ...form.typing, [field.id]: { ...plan, script: first.script } } }, 'ears');
          select({ field: field.id, typing: 'strokes', stroke: null });
        }}
      >
        Show it
      </Link>
    </p>
  );
}

/** What decides about the keyboard, changed in the markup itself. */
function Settings({ field }: { field: Field }) {
  const { reading, edit } = useForm();
  const [control] = field.controls;
  const set = (name: string, value: string | null) =>
    edit((now) => withAttributes(now, reading, control, { [name]: value }), `${field.id} ${name}`);
  const choice = (name: string, values: readonly string[], absent: string) => (
    <div className={styles.setting}>
      <label htmlFor={`keyboard-${name}`}>{name}</label>
      <Select
        id={`keyboard-${name}`}
        className="mono"
        value={attribute(control, name)?.toLowerCase() ?? ''}
        options={[{ value: '', label: absent }, ...values.map((value) => ({ value, label: value }))]}
        onChange={(value) => set(name, value === '' ? null : value)}
      />
    </div>
  );
  return (
    <>
      {control.element === 'input' &&
        choice(
          'type',
          typedKinds.filter((kind) => kind !== 'textarea'),
          'not given',
        )}
      {choice('inputmode', inputModes, 'not given')}
      {choice('enterkeyhint', enterKeyHints, 'not given')}
      {choice('autocapitalize', capitalizations, 'not given')}
      {['data-prefix', 'data-suffix'].map((name) => (
        <div key={name} className={styles.setting}>
          <label htmlFor={`keyboard-${name}`} title="Shown by native fields, and no part of the value">
            {name}
          </label>
          <Input
            id={`keyboard-${name}`}
            className="mono"
            maxLength={20}
            value={attribute(control, name) ?? ''}
            onChange={({ target: { value } }) => set(name, value === '' ? null : value)}
          />
        </div>
      ))}
    </>
  );
}
