'use client';

import { Button, Select, Switch } from 'antd';
import { memo, useState } from 'react';
import { type Guard, type GuardStage, guardStages, remedyOf } from '@/core/guard/guard';
import { offeredGuards } from '@/core/guard/offered-guards';
import { guardName, offeredGuardNames } from '@/core/words/guard-words';
import { MenuButton } from '../frame/menu-button';
import { GuardRuleEditor } from './guard-rule-editor';
import styles from './typing.module.css';

const stageTexts: Readonly<Record<GuardStage, string>> = {
  key: 'on key presses',
  'before insert': 'before the text is inserted',
  'after input': 'after input',
  'on leaving': 'on leaving',
  'on submission': 'on submission',
};

const remedyTexts = {
  refuse: 'says so',
  mend: 'corrects the text',
  'go back': 'restores the previous text',
} as const;

/** The guards of the field, in the order in which they act: each can be changed, moved, switched off and taken away. */
export const GuardPanel = memo(function GuardPanel({
  guards,
  onChange,
}: {
  guards: readonly Guard[];
  onChange: (guards: readonly Guard[]) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const change = (next: Guard) => onChange(guards.map((guard) => (guard.id === next.id ? next : guard)));
  const move = (index: number, by: -1 | 1) => {
    const list = [...guards];
    const [taken] = list.splice(index, 1);
    if (taken) list.splice(index + by, 0, taken);
    onChange(list);
  };
  return (
    <>
      {guards.map((guard, index) => (
        <div key={guard.id} className={styles.guard}>
          <Switch
            size="small"
            checked={guard.on}
            aria-label={`${guardName(guard)}, switched on`}
            onChange={(on) => change({ ...guard, on })}
          />
          <button
            type="button"
            className={styles.guardName}
            aria-expanded={open === guard.id}
            onClick={() => setOpen(open === guard.id ? null : guard.id)}
          >
            {guardName(guard)}
            <span className={styles.guardStage}>
              {stageTexts[guard.stage]}
              {remedyOf(guard) !== 'refuse' && `, ${remedyTexts[remedyOf(guard)]}`}
            </span>
          </button>
          {open === guard.id && (
            <div className={styles.guardBody}>
              <GuardRuleEditor guard={guard} onChange={change} />
              <div className={styles.row}>
                <span>Acts</span>
                <Select<GuardStage>
                  size="small"
                  value={guard.stage}
                  aria-label="Stage"
                  options={guardStages.map((stage) => ({ value: stage, label: stageTexts[stage] }))}
                  onChange={(stage) => change({ ...guard, stage })}
                />
              </div>
              {(guard.stage === 'after input' || guard.stage === 'on leaving') && (
                <div className={styles.row}>
                  <span>Then it</span>
                  <Select
                    size="small"
                    value={remedyOf(guard)}
                    aria-label="Remedy"
                    options={(['mend', 'go back', 'refuse'] as const).map((remedy) => ({
                      value: remedy,
                      label: remedyTexts[remedy],
                    }))}
                    onChange={(remedy) => change({ ...guard, remedy })}
                  />
                </div>
              )}
              <div className={styles.guardDeeds}>
                <Button size="small" disabled={index === 0} onClick={() => move(index, -1)}>
                  Earlier
                </Button>
                <Button size="small" disabled={index === guards.length - 1} onClick={() => move(index, 1)}>
                  Later
                </Button>
                <Button size="small" onClick={() => onChange(guards.filter((one) => one.id !== guard.id))}>
                  Remove
                </Button>
              </div>
            </div>
          )}
        </div>
      ))}
      <MenuButton
        items={offeredGuards.map(({ code }, index) => ({
          key: String(index),
          label: offeredGuardNames[code],
        }))}
        onChoose={(key) => {
          const made = offeredGuards[Number(key)]?.make(crypto.randomUUID());
          if (!made) return;
          onChange([...guards, made]);
          setOpen(made.id);
        }}
      >
        <Button>Add a guard</Button>
      </MenuButton>
    </>
  );
});
