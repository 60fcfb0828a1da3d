'use client';

import { AutoComplete, Button, Switch } from 'antd';
import type { AttributeValue } from '@/core/html/attribute-registry';
import styles from './form-view.module.css';
import { useDraft } from './use-draft';

/** One attribute: its name, its value with what it may be, and why it does nothing where it does nothing. */
export function AttributeRow({
  id,
  name,
  value,
  edited,
  offered,
  ignored,
  onSet,
}: {
  id: string;
  name: string;
  value: string;
  edited: AttributeValue | undefined;
  offered: readonly string[];
  ignored: string | null;
  onSet: (name: string, value: string | null) => void;
}) {
  const [shown, write] = useDraft(value, (text) => onSet(name, text));
  return (
    <>
      <label htmlFor={id}>{name}</label>
      <div>
        {edited === 'boolean' ? (
          <Switch id={id} size="small" checked onChange={(on) => onSet(name, on ? '' : null)} />
        ) : (
          <AutoComplete
            id={id}
            value={shown}
            className={styles.value}
            options={offered.map((one) => ({ value: one, label: one }))}
            onChange={(text: string | undefined) => write(text ?? '')}
          />
        )}
        {ignored && (
          <div className={styles.idle}>
            <span className={styles.idleWord}>ignored</span> {ignored}
          </div>
        )}
      </div>
      <Button type="text" size="small" aria-label={`Remove ${name}`} onClick={() => onSet(name, null)}>
        ×
      </Button>
    </>
  );
}
