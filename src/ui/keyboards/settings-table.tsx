'use client';

import { type ReactNode, useCallback } from 'react';
import type { Guard } from '@/core/guard/guard';
import type { Field } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import { bringsText, type ComesUp } from '@/core/keyboard/comes-up';
import { inputModes, traitsOf } from '@/core/keyboard/input-traits';
import type { TrapsBySort } from '@/core/keyboard/keyboard-check';
import { goesByEntry } from '@/core/keyboard/keyboard-habits';
import { entriesTable, settingsTable } from '@/core/keyboard/settings';
import type { TargetId } from '@/core/target/target';
import type { Replayer } from '@/workers/replayer';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useCorrections } from '../frame/use-corrections';
import { useForm } from '../frame/use-form';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { useSelection } from '../frame/use-selection';
import { useTypedLanguage } from '../frame/use-typed-language';
import { visible } from '../frame/visible-text';
import type { KeyboardOnTarget } from './keyboard-targets';
import styles from './keyboards.module.css';

interface Shown {
  readonly field: Field;
  readonly on: KeyboardOnTarget;
  readonly traps: TrapsBySort | null;
}

/** All settings of each target. What the field has now is marked, and where a keyboard lacks what the rule needs. */
export function SettingsTables({
  field,
  guards,
  all,
}: {
  field: Field;
  guards: readonly Guard[];
  all: readonly KeyboardOnTarget[];
}) {
  const [{ target: chosen }, select] = useSelection();
  const on = all.find(({ target }) => target.id === chosen) ?? all[0];
  const traps = useTraps(field, guards, on?.target.id ?? null);
  if (!on) return null;
  const shown: Shown = { field, on, traps };
  return (
    <div className={styles.settingsPart}>
      <div className={styles.choices}>
        {all.map(({ target }) => (
          <button
            key={target.id}
            type="button"
            className={styles.choice}
            aria-pressed={target.id === on.target.id}
            onClick={() => select({ target: target.id })}
          >
            {target.name}
          </button>
        ))}
      </div>
      {goesByEntry(on.habits) ? <EntriesTable {...shown} /> : <MarkupTable {...shown} />}
      {shown.traps && Object.values(shown.traps).some(Boolean) && (
        <p className="soft">
          A key in a dashed frame is missing on that keyboard, and a value that the rule accepts needs it.
        </p>
      )}
    </div>
  );
}

/** What the keyboards of a target lack; null until that is known. */
function useTraps(field: Field, guards: readonly Guard[], target: TargetId | null): TrapsBySort | null {
  const { form } = useForm();
  const of = useReplayedField(field);
  const language = useTypedLanguage(field);
  const corrections = useCorrections();
  const samples = ownEntry(form.typing, field.id)?.samples ?? '';
  const ask = useCallback(
    async ({ work }: Replayer) => {
      if (target === null) return null;
      return {
        target,
        traps: await work.trapsBySort(of, guards, samples, target, { language, corrections }),
      };
    },
    [of, guards, samples, target, language, corrections],
  );
  const [replaying] = useReplay(ask);
  const answer = replaying.status === 'there' ? replaying.answer : null;
  return answer?.target === target ? answer.traps : null;
}

/** Kinds down, input modes across. */
function MarkupTable({ field, on, traps }: Shown) {
  const language = useTypedLanguage(field);
  const entry = traitsOf(field);
  const table = settingsTable(on.habits, entry, language);
  return (
    <table className={styles.settingsTable} aria-label={`All settings of ${on.target.name}`}>
      <thead>
        <tr>
          <HeadCell>type</HeadCell>
          {['no inputmode', ...inputModes].map((mode) => (
            <th key={mode} scope="col" className="mono">
              {mode}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.map(({ kind, cells }) => (
          <tr key={kind}>
            <th scope="row" className="mono">
              {kind}
            </th>
            {cells.map((up, index) => {
              const mode = index === 0 ? null : (inputModes[index - 1] ?? null);
              const isNow = kind === entry.kind && mode === entry.inputmode;
              return <SettingCell key={mode ?? ''} up={up} isNow={isNow} traps={traps} />;
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What a native field can be made for: it knows no type and no inputmode. */
function EntriesTable({ field, on, traps }: Shown) {
  const language = useTypedLanguage(field);
  const entry = traitsOf(field);
  return (
    <>
      <p>
        A native field knows no type and no inputmode: its app says what it is for. By its markup, this one
        would be <strong>{entry.native}</strong>.
      </p>
      <table className={styles.settingsTable} aria-label={`All settings of ${on.target.name}`}>
        <thead>
          <tr>
            <HeadCell>made for</HeadCell>
            <th scope="col">shows</th>
          </tr>
        </thead>
        <tbody>
          {entriesTable(on.habits, entry, language).map(({ native, up }) => (
            <tr key={native}>
              <th scope="row">{native}</th>
              <SettingCell up={up} isNow={native === entry.native} traps={traps} />
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function HeadCell({ children }: { children: ReactNode }) {
  return (
    <th scope="col">
      <ProvenanceMark mark="modelled" /> {children}
    </th>
  );
}

function SettingCell({ up, isNow, traps }: { up: ComesUp; isNow: boolean; traps: Shown['traps'] }) {
  const { brings, known } = up;
  const missing = (brings.up === 'keyboard' && traps?.[brings.sort]?.missing) || [];
  return (
    <td title={known.source} aria-current={isNow || undefined}>
      {bringsText(brings)}
      {missing.length > 0 && (
        <span className={styles.bad}>
          {' '}
          <span className="visually-hidden">lacks </span>
          <kbd className={styles.lacked}>{visible(missing[0] ?? '')}</kbd>
          {missing.length > 1 && `+${missing.length - 1}`}
        </span>
      )}
      {isNow && <span className={styles.now}> now</span>}
    </td>
  );
}
