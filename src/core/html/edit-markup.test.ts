import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { skerryTideLog } from '../demo/skerry-tide-log';
import { attributeRegistry } from './attribute-registry';
import { setAttribute, setText } from './edit-markup';
import { attribute, type Control } from './field';
import { readForm } from './read-form';

const controls = (markup: string) =>
  readForm(markup)
    .fields.flatMap((field) => field.controls)
    .sort((a, b) => a.ordinal - b.ordinal);
const only = (markup: string): Control => {
  const [control] = controls(markup);
  if (!control) throw new Error('no control');
  return control;
};

describe('setAttribute', () => {
  it('changes, adds and takes away without touching anything else', () => {
    const before = '<!-- kept --><input  type=number\n  min="1" data-x="2"><p>after';
    const at = only(before);
    expect(setAttribute(before, at, 'min', '-3')).toBe(
      '<!-- kept --><input  type=number\n  min="-3" data-x="2"><p>after',
    );
    expect(setAttribute(before, at, 'required', '')).toBe(
      '<!-- kept --><input  type=number\n  min="1" data-x="2" required><p>after',
    );
    expect(setAttribute(before, at, 'min', null)).toBe(
      '<!-- kept --><input  type=number data-x="2"><p>after',
    );
    expect(setAttribute(before, at, 'max', null)).toBe(before);
  });

  it('writes into a tag without attributes, and into a self-closing one', () => {
    expect(setAttribute('<textarea></textarea>', only('<textarea></textarea>'), 'rows', '3')).toBe(
      '<textarea rows="3"></textarea>',
    );
    expect(setAttribute('<input/>', only('<input/>'), 'name', 'a')).toBe('<input name="a"/>');
  });

  it('keeps apart two attributes that stood without a space between them', () => {
    const before = '<input a="1"b="2"c=3>';
    const after = setAttribute(before, only(before), 'b', null);
    expect(only(after).attributes.map((a) => a.name)).toEqual(['a', 'c']);
  });

  it('refuses a name that would not read back as itself', () => {
    expect(setAttribute('<input>', only('<input>'), 'x=1 onclick', 'y')).toBe('<input>');
  });

  it('reads back what was written, on any field of the demo form, and leaves the others alone', () => {
    const all = controls(skerryTideLog);
    const names = Object.keys(attributeRegistry).filter(
      (name) => !['type', 'name', 'id', 'form', 'list'].includes(name),
    );
    fc.assert(
      fc.property(
        fc.nat(all.length - 1),
        fc.constantFrom(...names),
        fc.option(
          fc.string({ unit: 'binary' }).filter((text) => !/[\r\0]|[\ud800-\udfff]/.test(text)),
          { nil: null },
        ),
        (index, name, value) => {
          const control = all[index];
          if (!control) return;
          const after = controls(setAttribute(skerryTideLog, control, name, value));
          expect(after).toHaveLength(all.length);
          for (const [at, other] of after.entries()) {
            const expected = new Map(all[at]?.attributes.map((a) => [a.name, a.value]));
            if (at === index && value === null) expected.delete(name);
            if (at === index && value !== null) expected.set(name, value);
            expect(new Map(other.attributes.map((a) => [a.name, a.value]))).toEqual(expected);
          }
        },
      ),
    );
  });
});

describe('setText', () => {
  it('replaces what a textarea holds and reads back the same', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme' }).filter((text) => !/[\r\0]/.test(text)),
        (text) => {
          const before = '<p><textarea name=a>old</textarea><input name=b>';
          const after = setText(before, only(before), text);
          expect(after && only(after).text).toBe(text);
          expect(after && controls(after)).toHaveLength(2);
        },
      ),
    );
  });

  it('has nowhere to write without an end tag', () => {
    expect(setText('<textarea>', only('<textarea>'), 'x')).toBeNull();
    expect(attribute(only('<textarea>'), 'name')).toBeNull();
  });
});
