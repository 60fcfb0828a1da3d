'use client';

import { Button, Drawer, Input, InputNumber, Select, Switch } from 'antd';
import { bringsText, type ComesUp } from '@/core/keyboard/comes-up';
import {
  type Correction,
  habitCorrection,
  habitKey,
  keysCorrection,
  keysKey,
} from '@/core/keyboard/correction';
import { charactersOf } from '@/core/keyboard/keyboard';
import type { KeyboardHabits } from '@/core/keyboard/keyboard-habits';
import type { Known } from '@/core/keyboard/known';
import { type HabitValue, knownOf, type SingleHabit, singleHabits } from '@/core/keyboard/single-habit';
import type { Target } from '@/core/target/target';
import { openDatabase } from '@/store/database';
import { visible } from '../frame/visible-text';
import styles from './keyboards.module.css';

const today = () => new Date().toISOString().slice(0, 10);
const keep = (correction: Correction) => void openDatabase().corrections.put(correction);
const takeBack = (key: string) => void openDatabase().corrections.delete(key);

/** All that Ukko takes a target to do with its keyboards, datum by datum, to be corrected by whoever saw it otherwise. */
export function TargetHabits({
  target,
  habits,
  up,
  language,
  onClose,
}: {
  target: Target;
  habits: KeyboardHabits;
  up: ComesUp;
  language: string;
  onClose: () => void;
}) {
  const parts = [...new Set(singleHabits.map(({ part }) => part))];
  return (
    <Drawer open title={`What ${target.name} does`} size={520} onClose={onClose}>
      <p className="soft">What you change here counts everywhere in Ukko, until you take it back.</p>
      <Keys target={target} habits={habits} up={up} language={language} />
      {parts.map((part) => (
        <section key={part}>
          <h3 className={styles.habitPart}>{part[0]?.toUpperCase() + part.slice(1)}</h3>
          {singleHabits
            .filter((one) => one.part === part)
            .map((habit) => (
              <Row
                key={habit.id}
                label={habit.label}
                known={knownOf(habit, habits)}
                onBack={() => takeBack(habitKey(target.id, habit.id))}
              >
                <Value
                  habit={habit}
                  value={habit.read(habits)}
                  onChange={(value) => keep(habitCorrection(target.id, habit, value, today()))}
                />
              </Row>
            ))}
        </section>
      ))}
    </Drawer>
  );
}

/** What is said of one datum, where it is known from, and the way back. */
function Row({
  label,
  known,
  onBack,
  children,
}: {
  label: string;
  known: Known;
  onBack: () => void;
  children: React.ReactNode;
}) {
  return (
    <div className={styles.habit}>
      <span>{label}</span>
      {children}
      <span className="soft" title={known.source}>
        {known.sure}
      </span>
      {known.sure === 'corrected' && (
        <Button size="small" type="text" aria-label={`Take back: ${label}`} onClick={onBack}>
          ↩
        </Button>
      )}
    </div>
  );
}

function Value({
  habit: { label, range },
  value,
  onChange,
}: {
  habit: SingleHabit;
  value: HabitValue;
  onChange: (value: HabitValue) => void;
}) {
  switch (range.is) {
    case 'yes or no':
      return <Switch size="small" aria-label={label} checked={value === true} onChange={onChange} />;
    case 'one of':
      return (
        <Select
          size="small"
          aria-label={label}
          value={String(value)}
          options={range.choices.map((one) => ({ value: one, label: one }))}
          onChange={onChange}
        />
      );
    case 'text':
      return (
        <Input
          key={String(value)}
          size="small"
          aria-label={label}
          defaultValue={String(value)}
          onBlur={({ target: { value: typed } }) => {
            const cut = Array.from(typed).slice(0, range.most).join('');
            if (cut !== '' && cut !== value) onChange(cut);
          }}
        />
      );
    case 'number':
      return (
        <InputNumber
          size="small"
          aria-label={`${label}, ${range.unit}`}
          min={0}
          max={range.most}
          suffix={range.unit}
          value={Number(value)}
          onChange={(typed) => typed !== null && onChange(typed)}
        />
      );
  }
}

/** Which characters the keyboard that comes up has: more were seen, or some were looked for in vain. */
function Keys({
  target,
  habits,
  up,
  language,
}: {
  target: Target;
  habits: KeyboardHabits;
  up: ComesUp;
  language: string;
}) {
  const { brings, keyboard } = up;
  if (brings.up !== 'keyboard' || !keyboard) return null;
  const { sort } = brings;
  const seen = habits.seen.keys.find((one) => one.sort === sort && one.language === language);
  const { has = [], lacks = [] } = seen ?? {};
  const change = (more: { has?: readonly string[]; lacks?: readonly string[] }) => {
    const next = { sort, language, has, lacks, ...more };
    if (next.has.length + next.lacks.length === 0) takeBack(keysKey(target.id, next));
    else keep(keysCorrection(target.id, next, today()));
  };
  const there = [...new Set([...charactersOf(keyboard), ...lacks])];
  const known = seen?.known ?? keyboard.known;
  return (
    <section>
      <h3 className={styles.habitPart}>Keys of “{bringsText(brings)}”</h3>
      <Row label="it has these too" known={known} onBack={() => change({ has: [], lacks: [] })}>
        <Select
          mode="tags"
          size="small"
          aria-label="Characters that it has too"
          placeholder="type them"
          tokenSeparators={[' ']}
          open={false}
          suffixIcon={null}
          value={has}
          onChange={(typed) => change({ has: typed.map((one) => one.slice(0, 20)).slice(0, 20) })}
        />
      </Row>
      <Row label="it has not" known={known} onBack={() => change({ has: [], lacks: [] })}>
        <Select
          mode="multiple"
          size="small"
          aria-label="Characters that it has not"
          placeholder="choose"
          value={lacks}
          options={there.map((one) => ({ value: one, label: visible(one) }))}
          onChange={(chosen) => change({ lacks: chosen })}
        />
      </Row>
    </section>
  );
}
