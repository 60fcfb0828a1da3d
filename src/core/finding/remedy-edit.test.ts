import { describe, expect, it } from 'vitest';
import type { Guard } from '../guard/guard';
import { fieldId } from '../html/field';
import { changedForm, changedLines } from './remedy-edit';

const insertion = (start: number, by: string) => ({ start, end: start, by });

describe('an edit of the markup', () => {
  it('is shown by the lines that it touches, from 1, without what indents them', () => {
    const markup = '<p>\n  <input name=a>\n  <input name=b>\n</p>';
    const [a, b] = [markup.indexOf(' name=a'), markup.indexOf(' name=b')];
    expect(
      changedLines(markup, [insertion(a, ' required'), insertion(b, ' min=1'), insertion(b + 7, ' max=2')]),
    ).toEqual([
      { line: 2, before: '<input name=a>', after: '<input required name=a>' },
      { line: 3, before: '<input name=b>', after: '<input min=1 name=b max=2>' },
    ]);
    expect(changedLines(markup, [])).toEqual([]);
  });
  it('is shown at the very beginning and end of a line', () => {
    expect(changedLines('ab\ncd', [insertion(3, '<'), insertion(5, '>')])).toEqual([
      { line: 2, before: 'cd', after: '<cd>' },
    ]);
  });
  it('leaves a line whole up to 240 characters, and shows 60 on each side of a change in a longer one', () => {
    const at = (length: number) => changedLines('x'.repeat(length), [insertion(100, 'A')])[0];
    expect(at(239)?.after).toBe(`${'x'.repeat(100)}A${'x'.repeat(139)}`);
    expect(at(240)?.after).toBe(`…${'x'.repeat(60)}A${'x'.repeat(60)}…`);
    expect(changedLines('x'.repeat(300), [insertion(0, 'A')])[0]).toMatchObject({
      after: `A${'x'.repeat(60)}…`,
    });
    expect(changedLines('x'.repeat(300), [insertion(300, 'A')])[0]).toMatchObject({
      after: `…${'x'.repeat(60)}A`,
    });
  });
  it('is shown by what is near it, where a line is long', () => {
    const field = '<p><input name=a title=😀>';
    const markup = field.repeat(400);
    const start = markup.indexOf('title', 5_000);
    const [line, ...others] = changedLines(markup, [{ start, end: start, by: 'required ' }]);
    expect(others).toEqual([]);
    expect(line?.after).toContain('<input name=a required title=😀>');
    expect(line?.before).not.toContain('required');
    for (const text of [line?.before ?? '', line?.after ?? '']) {
      expect(text.length).toBeLessThan(250);
      expect(text).toMatch(/^….*…$/);
      expect(decodeURIComponent(encodeURIComponent(text))).toBe(text);
    }
  });
});

describe('a form with a remedy', () => {
  const script = 'text ab';
  const guards: readonly Guard[] = [
    { kind: 'length', stage: 'before insert', id: 'a', on: true, most: 2, unit: 'graphemes' },
  ];
  it('keeps what was typed into the field whose guards it changes, and all other fields', () => {
    const [a, b] = [fieldId('a'), fieldId('b')];
    const form = {
      markup: '<input name=a>',
      typing: { [a]: { script, guards: [] }, [b]: { script, guards } },
    };
    expect(changedForm(form, { kind: 'guards', field: a, guards })).toEqual({
      ...form,
      typing: { [a]: { script, guards }, [b]: { script, guards } },
    });
    const fresh = changedForm({ markup: '', typing: {} }, { kind: 'guards', field: a, guards });
    expect(fresh.typing).toEqual({ [a]: { script: '', guards } });
  });
  it('keeps its guards where its markup changes', () => {
    const form = { markup: '<input name=a>', typing: { [fieldId('a')]: { script, guards } } };
    expect(changedForm(form, { kind: 'markup', edits: [insertion(6, ' required')] })).toEqual({
      ...form,
      markup: '<input required name=a>',
    });
  });
});
