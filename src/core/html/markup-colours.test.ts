import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { markupColours, markupLines } from './markup-colours';

const coloured = (markup: string) =>
  markupColours(markup).map(({ start, end, sort }) => [markup.slice(start, end), sort]);

describe('the colours of markup', () => {
  it('are those of tags, values and comments', () => {
    expect(coloured('<input name="a>b" x=\'c\'><!-- <p> -->said "so"</label>')).toEqual([
      ['<', 'bracket'],
      ['input', 'tag'],
      ['"a>b"', 'value'],
      ["'c'", 'value'],
      ['>', 'bracket'],
      ['<!-- <p> -->', 'comment'],
      ['</', 'bracket'],
      ['label', 'tag'],
      ['>', 'bracket'],
    ]);
  });

  const piece = fc.constantFrom('<input', '</p', '>', '"', "'", '<!--', '-->', ' a=', 'x', '\n', '<', '/');
  const anyMarkup = fc.array(piece, { maxLength: 40 }).map((all) => all.join(''));

  it('stand in order and apart, whatever is written', () => {
    fc.assert(
      fc.property(anyMarkup, (markup) => {
        let last = 0;
        for (const { start, end } of markupColours(markup)) {
          expect(start).toBeGreaterThanOrEqual(last);
          expect(end).toBeGreaterThan(start);
          last = end;
        }
      }),
    );
  });

  it('leave every line as it is, the field that is shown marked in it', () => {
    fc.assert(
      fc.property(anyMarkup, fc.nat(60), fc.nat(20), (markup, start, length) => {
        const shown = { start, end: start + length };
        const lines = markupLines(markup, [shown]);
        expect(lines.map((line) => line.map(({ text }) => text).join('')).join('\n')).toBe(markup);
        const marked = lines.flatMap((line) => line.filter(({ isShown }) => isShown).map(({ text }) => text));
        expect(marked.join('')).toBe(markup.slice(start, start + length).replaceAll('\n', ''));
      }),
    );
    expect(markupLines(demoForm.markup, [])).toHaveLength(demoForm.markup.split('\n').length);
  });
});
