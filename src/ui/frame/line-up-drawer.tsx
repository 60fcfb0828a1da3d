'use client';

import { Alert, Button, Drawer, InputNumber, Radio } from 'antd';
import { useState } from 'react';
import { markOf } from '@/core/observation/provenance';
import type { EngineStatus } from '@/core/sweep/engine-status';
import { type LineUp, maxTargets } from '@/core/target/line-up';
import type { Target, TargetId } from '@/core/target/target';
import { variantText } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import { enginesFileText } from '@/core/words/file-fault-words';
import { openDatabase } from '@/store/database';
import { forgetTarget, saveTarget } from '@/store/line-ups';
import styles from './line-up.module.css';
import { NewTarget } from './new-target';
import { ProvenanceMark } from './provenance-mark';
import { useEngines } from './use-engines';
import { useLineUp, useTargets } from './use-line-up';
import { longestSweep, useSweepLimit } from './use-sweep-limit';

/** Which targets are asked, in which order, and which one the others are compared with. */
export function LineUpDrawer({ onClose, onDevice }: { onClose: () => void; onDevice: () => void }) {
  const statuses = useEngines();
  const all = useTargets(statuses);
  const { lineUp, choose } = useLineUp();
  const [adding, setAdding] = useState(false);
  const chosen = (id: TargetId) => lineUp.targets.some((target) => target.id === id);
  const others = all.filter(({ id }) => !chosen(id));
  const engineOf = (target: Target) =>
    target.ask === 'engine' ? statuses.engines.find(({ name }) => name === target.engine) : undefined;

  return (
    <Drawer open title="Line-up" size={560} onClose={onClose}>
      {statuses.unusable && (
        <Alert
          type="error"
          title={enginesFileText(statuses.unusable)}
          showIcon
          style={{ marginBottom: 12 }}
        />
      )}
      <h3 className={styles.heading}>Asked, in this order</h3>
      <ul className={styles.list}>
        {lineUp.targets.map((target, index) => (
          <li key={target.id} className={styles.item}>
            <TargetText target={target} engine={engineOf(target)} />
            <span className={styles.tools}>
              <Radio
                checked={lineUp.reference === target.id}
                onChange={() => choose({ ...lineUp, reference: target.id })}
              >
                reference
              </Radio>
              <Button
                size="small"
                aria-label={`Move ${target.name} up`}
                disabled={index === 0}
                onClick={() => choose(movedUp(lineUp, index))}
              >
                ↑
              </Button>
              <Button
                size="small"
                disabled={lineUp.targets.length === 1}
                aria-label={`Take ${target.name} out`}
                onClick={() => choose(without(lineUp, target.id))}
              >
                Take out
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <SweepLimit />
      <h3 className={styles.heading}>Not asked</h3>
      <ul className={styles.list}>
        {others.map((target) => (
          <li key={target.id} className={styles.item}>
            <TargetText target={target} engine={engineOf(target)} />
            <span className={styles.tools}>
              {target.id.startsWith('own-') && (
                <Button
                  size="small"
                  aria-label={`Delete ${target.name}`}
                  onClick={() => void forgetTarget(openDatabase(), target.id)}
                >
                  Delete
                </Button>
              )}
              <Button
                size="small"
                disabled={lineUp.targets.length >= maxTargets}
                aria-label={`Ask ${target.name}`}
                onClick={() => choose({ ...lineUp, targets: [...lineUp.targets, target] })}
              >
                Ask
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {adding ? (
        <NewTarget
          engines={statuses.engines}
          onCancel={() => setAdding(false)}
          onMade={(target) => {
            setAdding(false);
            void saveTarget(openDatabase(), target);
            choose({ ...lineUp, targets: [...lineUp.targets, target] });
          }}
        />
      ) : (
        <span className={styles.tools}>
          <Button onClick={() => setAdding(true)} disabled={lineUp.targets.length >= maxTargets}>
            New target…
          </Button>
          <Button onClick={onDevice}>A real device…</Button>
        </span>
      )}
    </Drawer>
  );
}

/** How long a sweep may take. */
function SweepLimit() {
  const [minutes, setMinutes] = useSweepLimit();
  return (
    <p className={styles.limit}>
      <label htmlFor="sweep-limit">A sweep ends after</label>
      <InputNumber
        id="sweep-limit"
        size="small"
        min={1}
        max={longestSweep}
        precision={0}
        value={minutes}
        onChange={(next) => next !== null && setMinutes(next)}
      />
      <span>minutes; the next one asks for the rest.</span>
    </p>
  );
}

function TargetText({ target, engine }: { target: Target; engine: EngineStatus | undefined }) {
  const variant = target.ask === 'engine' ? variantText(target.variant) : '';
  return (
    <div>
      <div>
        <ProvenanceMark mark={markOf(target)} /> <strong>{target.name}</strong>{' '}
        {engine && <span className="soft">{engineText(engine)}</span>}
      </div>
      <div className={styles.note}>
        {engine?.status === 'missing'
          ? failureText(engine.failure)
          : [variant, target.note].filter(Boolean).join('. ')}
        {target.ask === 'engine' && target.withheld?.source && ` Source: ${target.withheld.source}`}
      </div>
    </div>
  );
}

function engineText(engine: EngineStatus): string {
  if (engine.status === 'missing') return `${engine.title}, not there`;
  return [engine.title, engine.version ?? '', 'over', engine.protocol].filter(Boolean).join(' ');
}

function movedUp(lineUp: LineUp, index: number): LineUp {
  const targets = [...lineUp.targets];
  const [moved] = targets.splice(index, 1);
  if (moved) targets.splice(index - 1, 0, moved);
  return { ...lineUp, targets };
}

function without(lineUp: LineUp, id: TargetId): LineUp {
  const targets = lineUp.targets.filter((target) => target.id !== id);
  const [first] = targets;
  return { targets, reference: lineUp.reference === id && first ? first.id : lineUp.reference };
}
