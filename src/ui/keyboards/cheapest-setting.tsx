'use client';

import { Button, Select } from 'antd';
import { useCallback, useState } from 'react';
import { withAttributes } from '@/core/document/edited-form';
import type { Guard } from '@/core/guard/guard';
import { attribute, type Field } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import type { Correction } from '@/core/keyboard/correction';
import { traitsOf } from '@/core/keyboard/input-traits';
import { type KeyboardSort, keyboardSorts } from '@/core/keyboard/keyboards';
import type { Setting } from '@/core/keyboard/settings';
import type { Replayer } from '@/workers/replayer';
import { useForm } from '../frame/use-form';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { useTypedLanguage } from '../frame/use-typed-language';
import styles from './keyboards.module.css';

const byRule = 'whatever can type what is needed';

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
  const { form, reading, edit } = useForm();
  const of = useReplayedField(field);
  const language = useTypedLanguage(field);
  const [wanted, setWanted] = useState<KeyboardSort | typeof byRule>(byRule);
  const samples = ownEntry(form.typing, field.id)?.samples ?? '';
  const ask = useCallback(
    async ({ work }: Replayer) => {
      const kind = wanted === byRule ? null : wanted;
      return {
        of,
        setting: await work.cheapestSetting(of, guards, samples, kind, { language, corrections }),
      };
    },
    [of, guards, samples, language, wanted, corrections],
  );
  const [replaying] = useReplay(ask);
  const apply = ({ kind, inputmode }: Setting) => {
    const values = { inputmode, ...(kind !== field.kind && { type: kind }) };
    edit((now) => withAttributes(now, reading, field.controls[0], values), `${field.id} keyboard`);
  };
  return (
    <div className={styles.cheapest}>
      <label htmlFor="wanted-keyboard">wanted in phone browsers</label>
      <Select
        id="wanted-keyboard"
        value={wanted}
        options={[byRule, ...keyboardSorts].map((sort) => ({ value: sort, label: sort }))}
        onChange={setWanted}
      />
      {replaying.status === 'failed' && <p className="soft">{replaying.reason}</p>}
      {/* An answer about the field as it was is none. */}
      {replaying.status === 'there' &&
        replaying.answer.of.markup === form.markup &&
        replaying.answer.of.field === field.id && (
          <Advice field={field} setting={replaying.answer.setting} apply={apply} />
        )}
    </div>
  );
}

function Advice({
  field,
  setting,
  apply,
}: {
  field: Field;
  setting: Setting | null;
  apply: (setting: Setting) => void;
}) {
  const now = traitsOf(field);
  if (setting === null) return <p className="soft">No type and inputmode bring it up in both.</p>;
  if (setting.kind === now.kind && setting.inputmode === now.inputmode)
    return <p className="soft">The field is set for it.</p>;
  return (
    <p>
      <Button size="small" onClick={() => apply(setting)}>
        Set{' '}
        <span className="mono">{settingText(setting, attribute(field.controls[0], 'type') ?? 'text')}</span>
      </Button>
    </p>
  );
}

function settingText({ kind, inputmode }: Setting, now: string): string {
  const type = kind === now || kind === 'textarea' ? [] : [`type=${kind}`];
  return [...type, inputmode === null ? 'no inputmode' : `inputmode=${inputmode}`].join(' ');
}
