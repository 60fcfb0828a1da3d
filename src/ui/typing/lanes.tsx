'use client';

import { Select } from 'antd';
import { memo } from 'react';
import { domEvents, nativeEvents, type RecordedEvent } from '@/core/observation/event-record';
import type { TypingFacts } from '@/core/questions/typing/facts';
import { useNextTask } from '../frame/use-next-task';
import styles from './typing.module.css';

/** Which listeners are shown, and whose value is echoed. */
export interface ShownLanes {
  readonly types: ReadonlySet<RecordedEvent>;
  readonly echo: RecordedEvent | null;
}

const lanes: Readonly<Record<string, readonly RecordedEvent[]>> = {
  'key events': ['keydown', 'keypress', 'keyup'],
  composition: ['compositionstart', 'compositionupdate', 'compositionend'],
  clipboard: ['copy', 'cut', 'paste', 'drop'],
  beforeinput: ['beforeinput'],
  input: ['input', 'text changed'],
  change: ['change', 'editing complete'],
  'focus, blur': ['focus', 'blur'],
  'invalid, submit': ['invalid', 'submit', 'submitted'],
};
const names = Object.keys(lanes);

export const allLanes: ShownLanes = { types: new Set([...domEvents, ...nativeEvents]), echo: null };

const echoed: readonly RecordedEvent[] = [
  'keydown',
  'beforeinput',
  'input',
  'keyup',
  'change',
  'text changed',
];

/** The value that a listener of one kind last had, up to a stroke; null as long as it heard nothing. */
export function echoAt(facts: TypingFacts | null, stroke: number, type: RecordedEvent): string | null {
  for (let at = stroke; at >= 0; at--) {
    const heard = facts?.steps[at]?.events.findLast((event) => event.type === type);
    if (heard) return heard.value;
  }
  return null;
}

/** Chooses the listeners whose events are drawn, and one whose value is shown as it would have it. */
export const Lanes = memo(function Lanes({
  shown,
  onChange,
}: {
  shown: ShownLanes;
  onChange: (shown: ShownLanes) => void;
}) {
  // A choice of several measures itself, and with it the whole view, before it is seen.
  const isNext = useNextTask();
  if (!isNext) return <div className={styles.lanes} />;
  const chosen = names.filter((name) => lanes[name]?.every((type) => shown.types.has(type)));
  return (
    <div className={styles.lanes}>
      <Select
        mode="multiple"
        size="small"
        aria-label="Listeners shown"
        style={{ minWidth: 200, maxWidth: 460 }}
        maxTagCount="responsive"
        value={chosen}
        options={names.map((name) => ({ value: name, label: name }))}
        onChange={(next) => onChange({ ...shown, types: new Set(next.flatMap((name) => lanes[name] ?? [])) })}
      />
      <span>Value as this listener has it</span>
      <Select
        size="small"
        aria-label="Echo of"
        style={{ width: 130 }}
        allowClear
        placeholder="not shown"
        value={shown.echo}
        options={echoed.map((type) => ({ value: type, label: type }))}
        onChange={(echo?: RecordedEvent) => onChange({ ...shown, echo: echo ?? null })}
      />
    </div>
  );
});
