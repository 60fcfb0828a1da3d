'use client';

import type { Field } from '@/core/form/field';
import { bringsText } from '@/core/keyboard/comes-up';
import { entryOf, inputModes } from '@/core/keyboard/entry';
import { settingsTable } from '@/core/keyboard/settings';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useSelection } from '../frame/use-selection';
import type { KeyboardOnTarget } from './keyboard-targets';
import styles from './keyboards.module.css';

/** All settings of each target: kinds down, input modes across. What the field has now is marked. */
export function SettingsTables({ field, all }: { field: Field; all: readonly KeyboardOnTarget[] }) {
  const [{ language, target: chosen }, select] = useSelection();
  const shown = all.find(({ target }) => target.id === chosen) ?? all[0];
  if (!shown) return null;
  const entry = entryOf(field);
  const byEntry = shown.habits.rules.some(({ entries }) => entries);
  return (
    <div className={styles.settingsPart}>
      <div className={styles.choices}>
        {all.map(({ target }) => (
          <button
            key={target.id}
            type="button"
            className={styles.choice}
            aria-pressed={target.id === shown.target.id}
            onClick={() => select({ target: target.id })}
          >
            {target.name}
          </button>
        ))}
      </div>
      {byEntry ? (
        <p>
          A native field knows no type and no inputmode: its app says what it is for. This one would be{' '}
          <strong>{entry.native}</strong>, and brings up <strong>{bringsText(shown.up.brings)}</strong>.
        </p>
      ) : (
        <table className={styles.settingsTable} aria-label={`All settings of ${shown.target.name}`}>
          <thead>
            <tr>
              <th scope="col">
                <ProvenanceMark mark="modelled" /> type
              </th>
              {['no inputmode', ...inputModes].map((mode) => (
                <th key={mode} scope="col" className="mono">
                  {mode}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {settingsTable(shown.habits, entry, language).map(({ kind, cells }) => (
              <tr key={kind}>
                <th scope="row" className="mono">
                  {kind}
                </th>
                {cells.map((up, index) => {
                  const mode = index === 0 ? null : inputModes[index - 1];
                  const isNow = kind === entry.kind && mode === entry.inputmode;
                  return (
                    <td key={mode ?? ''} title={up.known.source} aria-current={isNow || undefined}>
                      {bringsText(up.brings)}
                      {isNow && <span className={styles.now}> now</span>}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
