import { Popover } from 'antd';
import type { ReactNode } from 'react';
import styles from './frame.module.css';

/** An answer where a question arises: a few sentences behind a question mark. */
export function Help({ about, children }: { about: string; children: ReactNode }) {
  return (
    <Popover trigger="click" content={<div className={styles.help}>{children}</div>}>
      <button type="button" className={styles.ask} aria-label={`Help: ${about}`}>
        ?
      </button>
    </Popover>
  );
}
