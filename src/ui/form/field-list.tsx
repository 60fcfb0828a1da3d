'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Field } from '@/core/form/field';
import styles from './form-view.module.css';

/** A list of more fields is drawn as far as it is in sight. */
const mostDrawn = 60;
/** A row that is not open, CSS px; and how many are drawn above and below what is in sight. */
const [rowHeight, beyond] = [31, 10];

interface FieldListProps {
  readonly fields: readonly Field[];
  readonly isSelected: (field: Field) => boolean;
  readonly draw: (field: Field) => ReactNode;
  /** The box that scrolls, in which other rows may stand above. */
  readonly scroll: RefObject<HTMLDivElement | null>;
}

export function FieldList(props: FieldListProps) {
  return props.fields.length > mostDrawn ? <LongList {...props} /> : <ShortList {...props} />;
}

function ShortList({ fields, isSelected, draw }: FieldListProps) {
  return (
    <ul className={styles.fields}>
      {fields.map((field) => (
        <li
          key={field.controls[0].ordinal}
          className={styles.field}
          ref={isSelected(field) ? intoSight : null}
        >
          {draw(field)}
        </li>
      ))}
    </ul>
  );
}

/** What was opened is seen, as far as it fits. */
function intoSight(element: HTMLElement | null): void {
  element?.scrollIntoView({ block: 'nearest' });
}

function LongList({ fields, isSelected, draw, scroll }: FieldListProps) {
  const list = useRef<HTMLUListElement>(null);
  const [above, setAbove] = useState(0);
  const rows = useVirtualizer({
    count: fields.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => rowHeight,
    overscan: beyond,
    scrollMargin: above,
    getItemKey: (index) => fields[index]?.controls[0].ordinal ?? index,
  });
  useLayoutEffect(() => setAbove(list.current?.offsetTop ?? 0), []);
  const selected = fields.findIndex(isSelected);
  useEffect(() => {
    if (selected >= 0) rows.scrollToIndex(selected, { align: 'auto' });
  }, [selected, rows]);
  return (
    <ul ref={list} className={styles.fields} style={{ position: 'relative', height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map(({ key, index, start }) => {
        const field = fields[index];
        return (
          field && (
            <li
              key={key}
              ref={rows.measureElement}
              data-index={index}
              aria-setsize={fields.length}
              aria-posinset={index + 1}
              className={styles.field}
              style={{
                position: 'absolute',
                top: 0,
                left: 0,
                right: 0,
                transform: `translateY(${start - above}px)`,
              }}
            >
              {draw(field)}
            </li>
          )
        );
      })}
    </ul>
  );
}
