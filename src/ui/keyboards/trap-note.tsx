'use client';

import type { Trap } from '@/core/keyboard/trap';
import { visible } from '../frame/visible-text';
import styles from './keyboards.module.css';

/** Characters that the rule needs and the keyboard lacks, with a value that cannot be typed. */
export function TrapNote({ trap }: { trap: Trap | null }) {
  if (!trap) return null;
  return (
    <p className={styles.trap}>
      Lacks{' '}
      {trap.missing.slice(0, 8).map((character) => (
        <kbd key={character} className={styles.lacked}>
          {visible(character)}
        </kbd>
      ))}
      : <span className="mono">{visible(trap.value)}</span> is accepted and cannot be typed.
    </p>
  );
}
