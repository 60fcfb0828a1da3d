'use client';

import type { Field } from '@/core/html/field';
import { answerTo } from '@/core/run/answers';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useLineUp } from '../frame/use-line-up';
import { useRun } from '../frame/use-run';
import { KeyboardFactsShown } from './keyboard-facts-shown';
import styles from './keyboards.module.css';

/** What real devices of the line-up said of the field when a person tapped it there. */
export function DeviceKeyboards({ field }: { field: Field }) {
  const { lineUp } = useLineUp();
  const { answers } = useRun();
  const devices = lineUp.targets.filter(({ ask }) => ask === 'device');
  if (devices.length === 0) return null;
  return (
    <div className={styles.measured}>
      {devices.map(({ id, name }) => {
        const known = answerTo(answers, 'keyboard', id, field.id);
        return (
          <article key={id} className={styles.card} aria-label={name}>
            <header className={styles.head}>
              <ProvenanceMark mark="captured" /> <strong>{name}</strong>
              <span className={styles.brings}>A real device, tapped by a person.</span>
            </header>
            {known?.outcome.status === 'answered' ? (
              <KeyboardFactsShown
                facts={known.outcome.facts}
                provenance={known.provenance}
                label={field.label}
              />
            ) : (
              <p className={styles.picker}>Nobody has typed into {field.label} on it yet.</p>
            )}
          </article>
        );
      })}
    </div>
  );
}
