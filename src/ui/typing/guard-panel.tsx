'use client';

import { Button, InputNumber, Switch } from 'antd';
import { type Guard, guardName } from '@/core/guard/guard';
import styles from './typing.module.css';

/** The guards of the field: each can be changed, switched off and taken away. */
export function GuardPanel({
  guards,
  onChange,
}: {
  guards: readonly Guard[];
  onChange: (guards: readonly Guard[]) => void;
}) {
  const change = (id: string, part: Partial<Guard>) =>
    onChange(guards.map((guard) => (guard.id === id ? { ...guard, ...part } : guard)));
  return (
    <>
      {guards.map((guard) => (
        <div key={guard.id} className={styles.guard}>
          <Switch
            size="small"
            checked={guard.on}
            aria-label={`${guardName(guard)}, switched on`}
            onChange={(on) => change(guard.id, { on })}
          />
          <span>at most</span>
          <InputNumber
            size="small"
            style={{ width: 56 }}
            min={0}
            max={20}
            precision={0}
            value={guard.most}
            aria-label="Most decimals"
            onChange={(most) => most !== null && change(guard.id, { most })}
          />
          <span>{guard.most === 1 ? 'decimal' : 'decimals'}</span>
          <Button
            type="text"
            size="small"
            aria-label={`Remove ${guardName(guard)}`}
            style={{ marginLeft: 'auto' }}
            onClick={() => onChange(guards.filter((one) => one.id !== guard.id))}
          >
            ×
          </Button>
          <span className={styles.stage}>acts before the text is inserted</span>
        </div>
      ))}
      {guards.length === 0 && (
        <Button
          onClick={() =>
            onChange([
              { kind: 'decimals', stage: 'before insert', id: crypto.randomUUID(), on: true, most: 2 },
            ])
          }
        >
          Add “at most 2 decimals”
        </Button>
      )}
    </>
  );
}
