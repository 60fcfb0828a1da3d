'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';

/** A list of more items is drawn as far as it is in sight. */
const mostDrawn = 60;
/** How many items are drawn above and below what is in sight. */
const beyond = 10;

interface LongListProps<Item> {
  readonly items: readonly Item[];
  readonly keyOf: (item: Item) => string | number;
  readonly isSelected: (item: Item) => boolean;
  readonly draw: (item: Item) => ReactNode;
  /** The box that scrolls, in which other things may stand above; it is the box that the list is placed in. */
  readonly scroll: RefObject<HTMLElement | null>;
  /** Of an item that was not drawn yet, CSS px. */
  readonly height: number;
  /** Of what stays at the top of the box and covers what scrolls under it, CSS px. */
  readonly covered?: number;
  readonly className?: string | undefined;
  readonly itemClassName?: string | undefined;
}

/** A list of any length. The selected item is brought into sight. */
export function LongList<Item>(props: LongListProps<Item>) {
  return props.items.length > mostDrawn ? <InSight {...props} /> : <Whole {...props} />;
}

function Whole<Item>({ items, keyOf, isSelected, draw, className, itemClassName }: LongListProps<Item>) {
  return (
    <ul className={className}>
      {items.map((item) => (
        <li key={keyOf(item)} className={itemClassName} ref={isSelected(item) ? intoSight : null}>
          {draw(item)}
        </li>
      ))}
    </ul>
  );
}

/** What was opened is seen, as far as it fits. */
function intoSight(element: HTMLElement | null): void {
  element?.scrollIntoView({ block: 'nearest' });
}

function InSight<Item>({
  items,
  keyOf,
  isSelected,
  draw,
  scroll,
  height,
  covered = 0,
  className,
  itemClassName,
}: LongListProps<Item>) {
  const list = useRef<HTMLUListElement>(null);
  const [above, setAbove] = useState(0);
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => height,
    overscan: beyond,
    scrollMargin: above,
    scrollPaddingStart: covered,
    getItemKey: (index) => {
      const item = items[index];
      return item === undefined ? index : keyOf(item);
    },
  });
  // What stands above may have grown. Asked before it is drawn, the page would be laid out in the same task as all this.
  useEffect(() => setAbove(list.current?.offsetTop ?? 0));
  const selected = items.findIndex(isSelected);
  useEffect(() => {
    if (selected >= 0) rows.scrollToIndex(selected, { align: 'auto' });
  }, [selected, rows]);
  return (
    <ul ref={list} className={className} style={{ position: 'relative', height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map(({ key, index, start }) => {
        const item = items[index];
        return (
          item !== undefined && (
            <li
              key={key}
              ref={rows.measureElement}
              data-index={index}
              aria-setsize={items.length}
              aria-posinset={index + 1}
              className={itemClassName}
              style={{
                position: 'absolute',
                top: 0,
                left: 0,
                right: 0,
                transform: `translateY(${start - above}px)`,
              }}
            >
              {draw(item)}
            </li>
          )
        );
      })}
    </ul>
  );
}
