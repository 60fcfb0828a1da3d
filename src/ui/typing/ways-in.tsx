'use client';

import { useCallback } from 'react';
import type { TypingPlan } from '@/core/document/form-document';
import type { Field } from '@/core/html/field';
import { type BypassCell, type BypassOutcome, routes } from '@/core/questions/restriction/facts';
import { formatScript } from '@/core/script/script-text';
import { guardName } from '@/core/words/guard-words';
import type { Replayer } from '@/workers/replayer';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { VisibleText } from '../frame/visible-text';
import styles from './typing.module.css';

const signs: Readonly<Record<BypassOutcome, string>> = {
  held: '■',
  bypassed: '↷',
  rewritten: '✎',
  'blocked too much': '⊘',
  'not tried': '–',
};

/** Guards down, ways in across: does the guard hold whatever way the text comes? */
export function WaysIn({
  field,
  plan: { guards, samples = '' },
  onScript,
}: {
  field: Field;
  plan: TypingPlan;
  onScript: (script: string) => void;
}) {
  const of = useReplayedField(field);
  const ask = useCallback(({ work }: Replayer) => work.waysIn(of, guards, samples), [of, guards, samples]);
  const [replaying] = useReplay(ask);
  if (guards.length === 0)
    return (
      <p className={styles.lead}>
        Add a guard on the left, and it is tried on every way by which a text can come in.
      </p>
    );
  if (replaying.status === 'failed')
    return (
      <p className={styles.lead} role="alert">
        {replaying.reason} Look for a pattern that can match in very many ways, such as (a+)+.
      </p>
    );
  if (replaying.status === 'waiting') return <p className={styles.lead}>Trying every way in…</p>;
  return (
    <>
      <table className={styles.ways} aria-label="Guards by ways in">
        <thead>
          <tr>
            <th scope="col" className={styles.wayHead}>
              Guard
            </th>
            {routes.map((route) => (
              <th key={route} scope="col" className={styles.wayHead}>
                {route}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {replaying.answer.map(({ guard, cells }) => (
            <tr key={guard.id}>
              <th scope="row" className={styles.wayGuard}>
                {guardName(guard)}
              </th>
              {cells.map((cell) => (
                <td key={cell.route} data-outcome={cell.outcome}>
                  <Cell cell={cell} onScript={onScript} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className={styles.lead}>
        Each guard is tried alone, with the shortest text that it objects to; modelled. Press a cell to put
        the script that shows it into the ladder.
      </p>
    </>
  );
}

function Cell({ cell, onScript }: { cell: BypassCell; onScript: (script: string) => void }) {
  const { outcome, text, script, swallowed } = cell;
  if (outcome === 'not tried')
    return (
      <span className="soft" title="No text was found that this guard objects to and that comes in this way.">
        {signs[outcome]} not tried
      </span>
    );
  return (
    <button type="button" className={styles.way} onClick={() => onScript(formatScript(script))}>
      <span>
        <span aria-hidden="true">{signs[outcome]}</span> {outcome}
      </span>
      <span className={styles.wayText}>
        {swallowed.length > 0 ? swallowed.join(', ') : <VisibleText text={text.slice(0, 24)} />}
      </span>
    </button>
  );
}
