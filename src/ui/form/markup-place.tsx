'use client';

import { type ComponentProps, lazy, Suspense, useCallback, useState } from 'react';
import type { MarkupEditor as Editor } from './markup-editor';
import { MarkupReader, mostRead } from './markup-reader';

/** Whether the editor was loaded since the page was opened. */
let isHere = false;

/** What the editor stands on, the lowest first. */
const foundations: readonly (() => Promise<unknown>)[] = [
  () => import('@codemirror/state'),
  () => import('@codemirror/view'),
  () => import('@codemirror/language'),
  () => import('@codemirror/lang-html'),
  () => import('@codemirror/lint'),
  () => import('@codemirror/search'),
];

const MarkupEditor = lazy(async () => {
  // Each in a task of its own: all of them at once would hold the page up.
  for (const load of foundations) {
    await load();
    await new Promise((resolve) => setTimeout(resolve));
  }
  const { MarkupEditor } = await import('./markup-editor');
  isHere = true;
  return { default: MarkupEditor };
});

/**
 * The markup: read at first, and edited as soon as somebody turns to it with the pointer or by keys. The editor is larger than all
 * else of the view; it is loaded by then.
 */
export function MarkupPlace(props: Omit<ComponentProps<typeof Editor>, 'takesFocus'>) {
  const { markup, notes, faults, shown } = props;
  const long = isLong(markup);
  const [isWanted, setWanted] = useState(() => isHere || long);
  const [takesFocus, setTakesFocus] = useState(false);
  const turn = useCallback((byKeys: boolean) => {
    setWanted(true);
    if (byKeys) setTakesFocus(true);
  }, []);
  const reader = long ? (
    <Waiting />
  ) : (
    <MarkupReader markup={markup} notes={notes} faults={faults} shown={shown} onTurn={turn} />
  );
  if (!isWanted) return reader;
  return (
    <Suspense fallback={reader}>
      <MarkupEditor {...props} takesFocus={takesFocus} />
    </Suspense>
  );
}

/** Nobody reads what is long for the moment in which the editor comes: to draw all of it would take longer. */
function Waiting() {
  return (
    <p className="soft" style={{ padding: 16 }}>
      Opening the markup…
    </p>
  );
}

function isLong(markup: string): boolean {
  const { lines, length } = mostRead;
  return markup.length > length || markup.split('\n', lines + 1).length > lines;
}
