import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { withAttributes, withText } from './edited-form';
import type { FormDocument, FormId } from './form-document';

const read = (markup: string) => {
  const form: FormDocument = { id: 'f' as FormId, name: 'F', markup, typing: {} };
  return { form, reading: readForm(markup) };
};
const controlsOf = ({ reading }: ReturnType<typeof read>) =>
  reading.fields.flatMap(({ controls }) => controls);

describe('an edit of a place that was read before', () => {
  const before = read('<form><input name=a><textarea name=b>x</textarea></form>');
  const [first, second] = controlsOf(before);
  if (!first || !second) throw new Error('no controls');

  it('finds its control in markup that has grown in front of it', () => {
    const now = read(`<p>tides and buoys</p>${before.form.markup}`);
    expect(withAttributes(now, before.reading, first, { required: '', name: null })?.markup).toBe(
      '<p>tides and buoys</p><form><input required><textarea name=b>x</textarea></form>',
    );
    expect(withText(now, before.reading, second, 'y')?.markup).toContain('<textarea name=b>y</textarea>');
  });

  it('is made where it was meant however the text around it was changed', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (front, back) => {
        const text = (part: string) => part.replace(/[<&]/g, '');
        const now = read(`<p>${text(front)}</p>${before.form.markup}<p>${text(back)}</p>`);
        const changed = withAttributes(now, before.reading, second, { maxlength: '9' });
        const after = changed && controlsOf(read(changed.markup));
        expect(after?.map(({ attributes }) => attributes.map(({ name }) => name))).toEqual([
          ['name'],
          ['name', 'maxlength'],
        ]);
      }),
    );
  });

  it('is none where controls came, went, or are others', () => {
    for (const markup of [
      '<form><input name=new><input name=a><textarea name=b>x</textarea></form>',
      '<form><input name=a></form>',
      '<form><textarea name=b></textarea><input name=a></form>',
    ]) {
      expect(
        withAttributes(read(markup), before.reading, first, { required: '' })?.markup ?? null,
      ).toBeNull();
      expect(withText(read(markup), before.reading, second, 'y')).toBeNull();
    }
  });

  it('finds its form as well', () => {
    const [form] = before.reading.forms;
    if (!form) throw new Error('no form');
    expect(
      withAttributes(read(`<p>x${before.form.markup}`), before.reading, form, { novalidate: '' })?.markup,
    ).toContain('<form novalidate>');
    expect(withAttributes(read('<input name=a><textarea></textarea>'), before.reading, form, {})).toBeNull();
  });
});
