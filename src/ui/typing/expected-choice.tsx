'use client';

import { useLayoutEffect, useRef, useState } from 'react';
import { type Verdict, verdicts } from '@/core/guard/verdict';
import styles from './typing.module.css';

/**
 * The verdict that is expected of a sample, to be chosen. A select is the heaviest thing in a row, and there are many rows: it
 * stands where the pointer or the focus is, and its text everywhere else.
 */
export function ExpectedChoice({
  sample,
  name,
  expected,
  onExpect,
}: {
  /** Index of the sample: a row that is used for another one closes. */
  sample: number;
  name: string;
  expected: Verdict;
  onExpect: (index: number, expected: Verdict) => void;
}) {
  const [openFor, setOpenFor] = useState<number | null>(null);
  const isOpen = openFor === sample;
  const takesFocus = useRef(false);
  const select = useRef<HTMLSelectElement>(null);
  useLayoutEffect(() => {
    if (isOpen && takesFocus.current) select.current?.focus();
    takesFocus.current = false;
  }, [isOpen]);
  return (
    <td
      onPointerEnter={() => setOpenFor(sample)}
      onPointerLeave={() => {
        if (document.activeElement !== select.current) setOpenFor(null);
      }}
    >
      {isOpen ? (
        <select
          ref={select}
          className={styles.expected}
          aria-label={`Expected of ${name}`}
          value={expected}
          onBlur={() => setOpenFor(null)}
          onChange={(event) => {
            const chosen = verdicts.find((verdict) => verdict === event.target.value);
            if (chosen) onExpect(sample, chosen);
          }}
        >
          {verdicts.map((verdict) => (
            <option key={verdict}>{verdict}</option>
          ))}
        </select>
      ) : (
        <button
          type="button"
          className={styles.expected}
          aria-label={`Expected of ${name}: ${expected}`}
          onFocus={() => {
            takesFocus.current = true;
            setOpenFor(sample);
          }}
        >
          {expected}
        </button>
      )}
    </td>
  );
}
