'use client';

import { Button, Select } from 'antd';
import { useMemo, useState } from 'react';
import { setAttribute } from '@/core/form/edit-markup';
import { attribute, type Field } from '@/core/form/field';
import { readForm } from '@/core/form/read-form';
import type { Guard } from '@/core/guard/guard';
import { type Correction, correctedHabits } from '@/core/keyboard/correction';
import { entryOf } from '@/core/keyboard/entry';
import { type KeyboardSort, keyboardSorts } from '@/core/keyboard/keyboards';
import { decimalSeparator } from '@/core/keyboard/letters';
import { cheapestSetting, type Setting } from '@/core/keyboard/settings';
import { trapOf } from '@/core/keyboard/trap';
import { habitsOf } from '@/core/target/habits';
import { targets } from '@/core/target/line-up';
import { useForm } from '../frame/use-form';
import { useSelection } from '../frame/use-selection';
import styles from './keyboards.module.css';

const byRule = 'whatever can type every value';

/** The browsers of phones: what a page can say to a native app it can say to none. */
const browsers = ['blink-phone', 'webkit-phone'];

/** The cheapest change of the field that brings a wanted keyboard up in every phone browser. */
export function CheapestSetting({
  field,
  guards,
  corrections,
}: {
  field: Field;
  guards: readonly Guard[];
  corrections: readonly Correction[];
}) {
  const { form, edit } = useForm();
  const [{ language }] = useSelection();
  const [wanted, setWanted] = useState<KeyboardSort | typeof byRule>(byRule);
  const setting = useMemo(() => {
    const asked = targets.flatMap(({ id }) =>
      browsers.includes(id) ? (correctedHabits(id, corrections) ?? []) : [],
    );
    const habits = targets.flatMap(({ id }) => (browsers.includes(id) ? (habitsOf(id) ?? []) : []))[0];
    if (!habits) return null;
    const separator = decimalSeparator(language);
    return cheapestSetting(asked, entryOf(field), language, (keyboard) =>
      wanted === byRule
        ? trapOf({ field, guards, samples: [], habits, separator }, keyboard) === null
        : keyboard.name === wanted,
    );
  }, [field, guards, language, wanted, corrections]);
  const apply = ({ kind, inputmode }: Setting) => {
    const [control] = field.controls;
    const withMode = setAttribute(form.markup, control, 'inputmode', inputmode);
    const again = readForm(withMode)
      .fields.flatMap(({ controls }) => controls)
      .find(({ ordinal }) => ordinal === control.ordinal);
    const markup = again && kind !== field.kind ? setAttribute(withMode, again, 'type', kind) : withMode;
    edit({ markup }, `${field.id} keyboard`);
  };
  const entry = entryOf(field);
  const isSet = setting && setting.kind === entry.kind && setting.inputmode === entry.inputmode;
  return (
    <div className={styles.cheapest}>
      <label htmlFor="wanted-keyboard">wanted in phone browsers</label>
      <Select
        id="wanted-keyboard"
        value={wanted}
        options={[byRule, ...keyboardSorts].map((sort) => ({ value: sort, label: sort }))}
        onChange={setWanted}
      />
      {setting === null ? (
        <p className="soft">No type and inputmode bring it up in both.</p>
      ) : isSet ? (
        <p className="soft">The field is set for it.</p>
      ) : (
        <p>
          <Button size="small" onClick={() => apply(setting)}>
            Set{' '}
            <span className="mono">
              {settingText(setting, attribute(field.controls[0], 'type') ?? 'text')}
            </span>
          </Button>
        </p>
      )}
    </div>
  );
}

function settingText({ kind, inputmode }: Setting, now: string): string {
  const type = kind === now || kind === 'textarea' ? [] : [`type=${kind}`];
  return [...type, inputmode === null ? 'no inputmode' : `inputmode=${inputmode}`].join(' ');
}
