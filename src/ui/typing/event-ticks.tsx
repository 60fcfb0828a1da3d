import type { EventRecord, RecordedEvent } from '@/core/observation/event-record';
import styles from './typing.module.css';

type Shape = 'key' | 'before' | 'input' | 'change' | 'focus';

const shapeOf: Readonly<Record<RecordedEvent, Shape>> = {
  focus: 'focus',
  blur: 'focus',
  keydown: 'key',
  keypress: 'key',
  keyup: 'key',
  compositionstart: 'before',
  compositionupdate: 'before',
  compositionend: 'before',
  beforeinput: 'before',
  input: 'input',
  change: 'change',
  invalid: 'change',
  submit: 'change',
  copy: 'key',
  cut: 'key',
  paste: 'key',
  drop: 'key',
  'text changed': 'input',
  'editing complete': 'change',
  submitted: 'change',
};

/**
 * Events as a row of small ticks; a prevented one is struck through. Boxes with borders and backgrounds: a picture each makes
 * every frame slow where there are hundreds of rows.
 */
export function EventTicks({ events }: { events: readonly EventRecord[] }) {
  return (
    <span
      className={styles.ticks}
      role="img"
      aria-label={events.map(({ type }) => type).join(', ') || 'no events'}
      title={events.map(eventText).join('\n')}
    >
      {events.map(({ type, prevented }, at) => (
        <i
          // biome-ignore lint/suspicious/noArrayIndexKey: events have no other name than their place
          key={at}
          data-shape={shapeOf[type]}
          data-prevented={prevented || undefined}
        />
      ))}
    </span>
  );
}

export function eventText({ type, key, inputType, data, value, prevented, trusted }: EventRecord): string {
  const detail = [key && `key ${key}`, inputType, data !== null && `data “${data.slice(0, 60)}”`]
    .filter(Boolean)
    .join(', ');
  const notes = [prevented && 'prevented', !trusted && 'made by a script'].filter(Boolean).join(', ');
  return `${type}${detail && ` (${detail})`}: value then ${value === '' ? 'empty' : `“${value.slice(0, 60)}”`}${notes && `; ${notes}`}`;
}

/** What the shapes stand for. */
export function TickLegend() {
  const shapes: readonly [Shape, string][] = [
    ['key', 'key, clipboard'],
    ['before', 'beforeinput'],
    ['input', 'input'],
    ['change', 'change, submit'],
    ['focus', 'focus, blur'],
  ];
  return (
    <div className={styles.legend}>
      {shapes.map(([shape, name]) => (
        <span key={shape}>
          <span className={styles.ticks} aria-hidden="true">
            <i data-shape={shape} />
          </span>
          {name}
        </span>
      ))}
    </div>
  );
}
