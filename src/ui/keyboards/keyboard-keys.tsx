'use client';

import type { ActionKey } from '@/core/keyboard/action-key';
import { type Key, type Keyboard, layerNamed } from '@/core/keyboard/keyboard';
import styles from './keyboards.module.css';

/** One layer of a keyboard, drawn plainly: which keys are there and where, not how a maker paints them. */
export function KeyboardKeys({
  keyboard,
  layer: id,
  action,
  label,
  onKey,
}: {
  keyboard: Keyboard;
  layer: string;
  action: ActionKey | null;
  label: string;
  onKey: (key: Key, held: string | null) => void;
}) {
  const layer = layerNamed(keyboard, id) ?? keyboard.layers[0];
  const widest = Math.max(...layer.rows.map((row) => row.reduce((sum, { width = 1 }) => sum + width, 0)));
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset would draw a frame of its own
    <div
      className={styles.keys}
      role="group"
      aria-label={label}
      style={{ '--widest': widest } as React.CSSProperties}
    >
      {layer.rows.map((row, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other name than their place
        <div key={at} className={styles.row}>
          {row.map((key, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a key may stand twice in a row
            <OneKey key={index} of={key} action={action} onKey={onKey} />
          ))}
        </div>
      ))}
    </div>
  );
}

function OneKey({
  of: key,
  action,
  onKey,
}: {
  of: Key;
  action: ActionKey | null;
  onKey: (key: Key, held: string | null) => void;
}) {
  const style = { '--width': key.width ?? 1 } as React.CSSProperties;
  if (key.does === 'gap') return <span className={styles.gap} style={style} />;
  const { sign, name } = faceOf(key, action);
  const held = key.does === 'text' ? (key.held ?? []) : [];
  return (
    <button
      type="button"
      tabIndex={-1}
      className={styles.key}
      data-does={key.does}
      style={style}
      aria-label={name}
      title={held.length > 0 ? `${name}; held: ${held.join(' ')} (right click takes the first)` : undefined}
      // The field keeps the focus, as it does under a finger.
      onMouseDown={(event) => event.preventDefault()}
      onClick={() => onKey(key, null)}
      onContextMenu={(event) => {
        if (held.length === 0) return;
        event.preventDefault();
        onKey(key, held[0] ?? null);
      }}
    >
      {sign}
    </button>
  );
}

function faceOf(
  key: Exclude<Key, { does: 'gap' }>,
  action: ActionKey | null,
): { sign: string; name: string } {
  switch (key.does) {
    case 'text':
      if (key.text === ' ') return { sign: '␣', name: 'Space' };
      // A mark that joins the letter before it is shown on a circle, as a letter has none here.
      return { sign: /^\p{M}/u.test(key.text) ? `◌${key.text}` : key.text, name: key.text };
    case 'layer':
      return { sign: key.label, name: `to the layer ${key.to}` };
    case 'erase':
      return { sign: '⌫', name: 'Erase' };
    case 'away':
      return { sign: '⌄', name: 'Put the keyboard away' };
    case 'action':
      return { sign: action?.label ?? '⏎', name: `Action key: ${action?.called ?? 'enter'}` };
  }
}
