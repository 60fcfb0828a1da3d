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

const drawn: Readonly<Record<Shape, React.ReactNode>> = {
  key: <path d="M4.5 1v10" stroke="currentColor" strokeWidth="1.6" />,
  before: <rect x="1" y="3" width="7" height="7" fill="none" stroke="currentColor" strokeWidth="1.3" />,
  input: <rect x="1" y="3" width="7" height="7" fill="currentColor" />,
  change: <path d="M4.5 1.5l4 5-4 5-4-5z" fill="currentColor" />,
  focus: <circle cx="4.5" cy="6.5" r="3.2" fill="none" stroke="currentColor" strokeWidth="1.3" />,
};

/** One event as a small tick; a prevented one is struck through. */
export function EventTick({ event }: { event: EventRecord }) {
  return (
    <svg className={styles.tick} viewBox="0 0 9 12" aria-hidden="true">
      <title>{eventText(event)}</title>
      {drawn[shapeOf[event.type]]}
      {event.prevented && <path d="M0 11.5l9-11" stroke="var(--differs)" strokeWidth="1.6" />}
    </svg>
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
          <svg className={styles.tick} viewBox="0 0 9 12" aria-hidden="true">
            {drawn[shape]}
          </svg>
          {name}
        </span>
      ))}
    </div>
  );
}
