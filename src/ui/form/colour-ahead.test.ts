import { ensureSyntaxTree, LRLanguage } from '@codemirror/language';
import { EditorState } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { parser } from '@lezer/html';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { colourAhead } from './colour-ahead';

const html = LRLanguage.define({ name: 'html', parser });
const fields = '<input name=a>\n'.repeat(2000);

/** As much of a view as is coloured: its state, and where what is in sight ends. */
const viewOf = (state: EditorState) =>
  ({ state, viewport: { from: 0, to: 100 }, dispatch: () => undefined }) as unknown as EditorView;

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }));
afterEach(() => void vi.useRealTimers());

it('goes on until all ahead is coloured, and rests then', () => {
  const view = viewOf(EditorState.create({ doc: fields, extensions: html }));
  colourAhead(view);
  vi.runAllTimers();
  expect(ensureSyntaxTree(view.state, fields.length, 0)?.length).toBe(fields.length);
  expect(vi.getTimerCount()).toBe(0);
});

it('rests at once where there is no language', () => {
  colourAhead(viewOf(EditorState.create({ doc: fields })));
  vi.runAllTimers();
  expect(vi.getTimerCount()).toBe(0);
});

it('begins nothing once it was ended', () => {
  const view = viewOf(EditorState.create({ doc: fields, extensions: html }));
  colourAhead(view)();
  expect(vi.getTimerCount()).toBe(0);
});
