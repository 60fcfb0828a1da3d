import { type Stroke, textOfStroke } from '@/core/script/stroke';
import { visible } from '../frame/visible-text';
import styles from './typing.module.css';

const shownKeys: Readonly<Record<string, string>> = {
  ' ': 'Space',
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
};

function keyText(key: string): string {
  return shownKeys[key] ?? key;
}

/** What a person reads out loud of a stroke. */
export function strokeName(stroke: Stroke): string {
  switch (stroke.kind) {
    case 'key':
      return [...(stroke.modifiers ?? []), stroke.key === ' ' ? 'Space' : stroke.key].join('+');
    case 'held':
      return `${stroke.key}, held for ${stroke.repeats} repeats`;
    case 'down':
    case 'up':
      return `${stroke.key} ${stroke.kind}`;
    case 'selection':
      return stroke.start === stroke.end
        ? `caret to ${stroke.start}`
        : `select ${stroke.start} to ${stroke.end}`;
    case 'command':
      return stroke.command;
    case 'text':
      return stroke.route === 'script' ? 'set by script' : stroke.route;
    case 'dead key':
      return `dead key ${stroke.dead}, then ${stroke.key}`;
    case 'composition':
      return 'composition';
    case 'focus':
      return `focus by ${stroke.by}`;
    case 'leave':
    case 'submit':
      return stroke.kind;
    case 'pause':
      return `pause of ${stroke.ms} ms`;
  }
}

/** How much of a long text a cap shows, characters. */
const shownLength = 18;

/** One stroke as a key, or as a label with the text that it brings. */
export function StrokeCap({ stroke }: { stroke: Stroke }) {
  if (stroke.kind === 'key')
    return (
      <span className={styles.caps} title={strokeName(stroke)}>
        {(stroke.modifiers ?? []).map((modifier) => (
          <kbd key={modifier} className={styles.cap}>
            {modifier}
          </kbd>
        ))}
        <kbd className={styles.cap}>{keyText(stroke.key)}</kbd>
      </span>
    );
  if (stroke.kind === 'held' || stroke.kind === 'down' || stroke.kind === 'up')
    return (
      <span className={styles.caps} title={strokeName(stroke)}>
        <kbd className={styles.cap}>{keyText(stroke.key)}</kbd>
        <span className={styles.deed}>{stroke.kind === 'held' ? `×${stroke.repeats + 1}` : stroke.kind}</span>
      </span>
    );
  const text = textOfStroke(stroke);
  return (
    <span className={styles.caps} title={strokeName(stroke)}>
      <span className={styles.deed}>{strokeName(stroke)}</span>
      {text !== null && (
        <span className={styles.brought}>
          {visible(text.slice(0, shownLength))}
          {text.length > shownLength && '…'}
        </span>
      )}
    </span>
  );
}
