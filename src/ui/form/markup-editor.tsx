'use client';

import { defaultKeymap, indentWithTab } from '@codemirror/commands';
import { html } from '@codemirror/lang-html';
import { HighlightStyle, LRLanguage, syntaxHighlighting } from '@codemirror/language';
import { type Diagnostic, lintGutter, setDiagnostics } from '@codemirror/lint';
import { searchKeymap } from '@codemirror/search';
import {
  Annotation,
  Compartment,
  EditorState,
  type Extension,
  StateEffect,
  StateField,
} from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, keymap, lineNumbers } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { parser } from '@lezer/html';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Span } from '@/core/html/field';
import type { ToldFault } from '@/core/words/told-fault';
import type { ToldNote } from '@/core/words/told-note';
import { colourAhead } from './colour-ahead';
import { smallestChange } from './smallest-change';

/** Marks changes that came from outside, so that they are not sent back as edits. */
const fromOutside = Annotation.define<boolean>();
const showField = StateEffect.define<readonly Span[]>();

const fieldMark = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(marks, transaction) {
    let next = marks.map(transaction.changes);
    for (const effect of transaction.effects) {
      if (!effect.is(showField)) continue;
      const length = transaction.newDoc.length;
      const ranges = effect.value
        .filter(({ start, end }) => start < end && end <= length)
        .map(({ start, end }) => Decoration.mark({ class: 'cm-field' }).range(start, end));
      next = Decoration.set(ranges, true);
    }
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** Lines of more UTF-16 code units are neither wrapped nor coloured: either would hold the page up for as long as they are drawn. */
const longLine = 5_000;

/**
 * In more UTF-16 code units nothing is looked for within scripts and styles: the editor finds them in one step over all that it has
 * parsed, which no key interrupts (100,000 code units of fields: up to 67 ms).
 */
const longMarkup = 20_000;

const drawing = new Compartment();
const drawn = {
  wrapped: [html(), EditorView.lineWrapping],
  'wrapped, tags alone': [LRLanguage.define({ name: 'html', parser }), EditorView.lineWrapping],
  plain: [],
} satisfies Readonly<Record<string, Extension>>;

function drawingOf(markup: string): keyof typeof drawn {
  for (let start = 0; start < markup.length; ) {
    const end = markup.indexOf('\n', start);
    const stop = end === -1 ? markup.length : end;
    if (stop - start > longLine) return 'plain';
    start = stop + 1;
  }
  return markup.length > longMarkup ? 'wrapped, tags alone' : 'wrapped';
}

const look = EditorView.theme({
  '&': { height: '100%', fontSize: '13px', backgroundColor: 'var(--sheet)', color: 'var(--ink)' },
  '.cm-scroller': { fontFamily: 'var(--mono)', lineHeight: '1.55' },
  '.cm-gutters': { backgroundColor: 'var(--sheet)', color: 'var(--ink-soft)', border: '0' },
  '.cm-content': { caretColor: 'var(--ink)' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': {
    backgroundColor: 'var(--accent-wash) !important',
  },
  '.cm-field': { backgroundColor: 'var(--accent-wash)', boxShadow: 'inset 0 -2px 0 var(--accent)' },
  '.cm-tooltip': {
    backgroundColor: 'var(--sheet)',
    border: '1px solid var(--line-strong)',
    color: 'var(--ink)',
  },
  '.cm-panels': { backgroundColor: 'var(--well)', color: 'var(--ink)' },
});

const colours = HighlightStyle.define([
  { tag: tags.tagName, color: 'var(--accent)' },
  { tag: tags.attributeName, color: 'var(--ink)' },
  { tag: tags.attributeValue, color: 'var(--differs)' },
  { tag: tags.comment, color: 'var(--ink-soft)', fontStyle: 'italic' },
  { tag: tags.angleBracket, color: 'var(--ink-soft)' },
]);

/** The markup of the form as text; `onCaret` tells where the caret went, in UTF-16 code units. */
export function MarkupEditor({
  markup,
  written,
  notes,
  faults,
  shown,
  takesFocus,
  onEdit,
  onCaret,
  onUndo,
  onRedo,
}: {
  /** As it was read last: notes, faults and spans are places in it. */
  markup: string;
  /** As it was written last. */
  written: string;
  notes: readonly ToldNote[];
  faults: readonly ToldFault[];
  shown: readonly Span[];
  /** At once: the person turned to what stood in its place. */
  takesFocus: boolean;
  onEdit: (markup: string) => void;
  onCaret: (offset: number) => void;
  onUndo: () => void;
  onRedo: () => void;
}) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const handlers = useRef({ onEdit, onCaret, onUndo, onRedo });
  handlers.current = { onEdit, onCaret, onUndo, onRedo };
  const isRead = markup === written;
  // Made while React renders, which yields before the view of it is made below: both in one task would hold the page up.
  const [first] = useState(() => firstState(handlers, written, shown[0]?.start ?? 0));

  useEffect(() => {
    if (!place.current) return;
    const made = new EditorView({
      parent: place.current,
      state: first,
      scrollTo: EditorView.scrollIntoView(first.selection.main.head, { y: 'center' }),
    });
    view.current = made;
    const stopColouring = colourAhead(made);
    return () => {
      stopColouring();
      view.current = null;
      made.destroy();
    };
  }, [first]);

  // When the press that asks for it puts the editor into its place, what was pressed is gone by then, and browsers take the
  // focus away at the end of that press.
  useEffect(() => {
    if (!takesFocus) return;
    view.current?.focus();
    const afterPress = setTimeout(() => view.current?.focus());
    return () => clearTimeout(afterPress);
  }, [takesFocus]);

  const way = useMemo(() => drawingOf(written), [written]);
  useEffect(() => {
    const editor = view.current;
    if (editor && drawing.get(editor.state) !== drawn[way])
      editor.dispatch({ effects: drawing.reconfigure(drawn[way]) });
  }, [way]);

  useEffect(() => {
    const editor = view.current;
    const change = editor ? smallestChange(editor.state.doc.toString(), written) : null;
    if (editor && change) editor.dispatch({ changes: change, annotations: fromOutside.of(true) });
  }, [written]);

  useEffect(() => {
    // What is told of other markup stands where it stood, moved along with what is written.
    if (!isRead) return;
    // In a task of its own: an editor that has just been made took long enough.
    const later = setTimeout(() => {
      const editor = view.current;
      editor?.dispatch(setDiagnostics(editor.state, diagnostics(notes, faults, editor.state.doc.length)));
    });
    return () => clearTimeout(later);
  }, [notes, faults, isRead]);

  const shownAt = shown.map(({ start, end }) => `${start}-${end}`).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the spans matter, not the array that holds them
  useEffect(() => {
    const editor = view.current;
    const [firstSpan] = shown;
    if (!editor || !isRead) return;
    const scroll =
      firstSpan && firstSpan.end <= editor.state.doc.length && !editor.hasFocus
        ? [EditorView.scrollIntoView(firstSpan.start, { y: 'center' })]
        : [];
    editor.dispatch({ effects: [showField.of(shown), ...scroll] });
  }, [shownAt, isRead]);

  return <div ref={place} style={{ height: '100%', minHeight: 0, overflow: 'hidden' }} />;
}

type Handlers = React.RefObject<{
  onEdit: (markup: string) => void;
  onCaret: (offset: number) => void;
  onUndo: () => void;
  onRedo: () => void;
}>;

function firstState(handlers: Handlers, doc: string, caret: number): EditorState {
  return EditorState.create({
    doc,
    selection: { anchor: Math.min(caret, doc.length) },
    extensions: extensions(handlers, drawn[drawingOf(doc)]),
  });
}

function extensions(handlers: Handlers, way: Extension) {
  const run = (name: 'onUndo' | 'onRedo') => () => {
    handlers.current[name]();
    return true;
  };
  return [
    lineNumbers(),
    lintGutter(),
    syntaxHighlighting(colours),
    look,
    fieldMark,
    drawing.of(way),
    EditorView.contentAttributes.of({ 'aria-label': 'Markup of the form', tabindex: '0' }),
    // The form keeps one history for all edits, those made here included.
    keymap.of([
      { key: 'Mod-z', run: run('onUndo'), preventDefault: true },
      { key: 'Mod-Shift-z', run: run('onRedo'), preventDefault: true },
      { key: 'Mod-y', run: run('onRedo'), preventDefault: true },
      { key: 'Mod-Enter', run: () => true },
      indentWithTab,
      ...searchKeymap,
      ...defaultKeymap,
    ]),
    EditorView.updateListener.of((update) => {
      const outside = update.transactions.some((transaction) => transaction.annotation(fromOutside));
      if (update.docChanged && !outside) handlers.current.onEdit(update.state.doc.toString());
      if (update.selectionSet && !outside) handlers.current.onCaret(update.state.selection.main.head);
    }),
  ];
}

function diagnostics(notes: readonly ToldNote[], faults: readonly ToldFault[], length: number): Diagnostic[] {
  const at = ({ span }: { span: Span }) => ({
    from: span.start,
    to: Math.min(Math.max(span.end, span.start + 1), length),
  });
  const all: Diagnostic[] = [
    ...notes.map(
      (note): Diagnostic => ({
        ...at(note),
        severity: note.kind === 'fault' || note.kind === 'not understood' ? 'warning' : 'info',
        message: note.text,
      }),
    ),
    ...faults.map(
      (fault): Diagnostic => ({
        ...at(fault),
        severity: 'warning',
        message: `${fault.text} ${fault.remedy}`,
      }),
    ),
  ];
  return all.filter(({ from }) => from <= length).sort((a, b) => a.from - b.from);
}
