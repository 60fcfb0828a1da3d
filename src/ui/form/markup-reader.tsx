'use client';

import { useEffect, useMemo, useRef } from 'react';
import type { Span } from '@/core/html/field';
import { type LinePiece, markupLines } from '@/core/html/markup-colours';
import type { ToldFault } from '@/core/words/told-fault';
import type { ToldNote } from '@/core/words/told-note';
import styles from './markup-reader.module.css';

/** Markup of more lines, or more UTF-16 code units, is for the editor alone, which draws what is in sight. */
export const mostRead = { lines: 250, length: 16_000 } as const;

/** The markup as it is read before anybody turns to it to edit it: the editor, which looks just like it, is large. */
export function MarkupReader({
  markup,
  notes,
  faults,
  shown,
  onTurn,
}: {
  markup: string;
  notes: readonly ToldNote[];
  faults: readonly ToldFault[];
  shown: readonly Span[];
  /** @param byKeys the focus came here, and has to go on to the editor */
  onTurn: (byKeys: boolean) => void;
}) {
  const lines = useMemo(() => markupLines(markup, shown), [markup, shown]);
  const marked = useMemo(() => markedLines(markup, [...notes, ...faults]), [markup, notes, faults]);
  const place = useRef<HTMLDivElement>(null);
  const shownAt = shown.map(({ start, end }) => `${start}-${end}`).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: goes to the field that is shown, when another one is
  useEffect(() => {
    const box = place.current;
    const mark = box?.querySelector('mark');
    if (box && mark) box.scrollTop = mark.offsetTop - box.clientHeight / 2;
  }, [shownAt]);
  return (
    // biome-ignore lint/a11y/useSemanticElements: it stands for the editor that comes in its place
    <div
      ref={place}
      className={styles.reader}
      role="textbox"
      aria-multiline="true"
      aria-readonly="true"
      aria-label="Markup of the form"
      tabIndex={0}
      style={{ '--digits': Math.max(String(lines.length).length, 1.6) } as React.CSSProperties}
      onPointerEnter={() => onTurn(false)}
      onPointerDown={() => onTurn(true)}
      onFocus={() => onTurn(true)}
    >
      {lines.map((line, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a line is its number
        <div key={index} className={styles.line}>
          <span className={styles.number} aria-hidden="true">
            {index + 1}
          </span>
          <span className={styles.mark} title={marked.get(index)} aria-hidden="true">
            {marked.has(index) && '▲'}
          </span>
          <span className={styles.text}>{line.length === 0 ? '\n' : line.map(drawn)}</span>
        </div>
      ))}
    </div>
  );
}

function drawn({ text, sort, isShown }: LinePiece, index: number) {
  const className = sort === null ? undefined : styles[sort];
  return isShown ? (
    <mark key={index} className={className}>
      {text}
    </mark>
  ) : (
    <span key={index} className={className}>
      {text}
    </span>
  );
}

/** What is told of each line, by its number from 0. */
function markedLines(
  markup: string,
  told: readonly { readonly span: Span; readonly text: string }[],
): ReadonlyMap<number, string> {
  const lines = new Map<number, string>();
  for (const { span, text } of told) {
    const line = markup.slice(0, span.start).split('\n').length - 1;
    lines.set(line, [...(lines.has(line) ? [lines.get(line)] : []), text].join('\n'));
  }
  return lines;
}
