import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { attacks } from '../../../tests/fixtures/attacks';
import { skerryTideLog } from '../demo/skerry-tide-log';
import { inertMarkup, inertParts } from './inert-markup';
import { pageUnderTest } from './page-under-test';
import { parseMarkup } from './parse-markup';
import { readForm } from './read-form';

/** Everything a browser could run or load from the markup, found anew in the result. */
const left = (markup: string) => inertParts(parseMarkup(markup)).map((part) => part.told);

describe('inertMarkup', () => {
  it.each(attacks)('takes the sting out of %s', (markup) => {
    expect(left(inertMarkup(markup))).toEqual([]);
  });

  it('leaves a form without such things as it is', () => {
    expect(inertMarkup(skerryTideLog)).toBe(skerryTideLog);
  });

  it('keeps embedded pictures', () => {
    const markup = '<img src="data:image/png;base64,AAAA">';
    expect(inertMarkup(markup)).toBe(markup);
  });

  it('keeps every control in its place, with all its other attributes', () => {
    const piece = fc.oneof(
      fc.constantFrom<string>(...attacks),
      fc.constantFrom(
        '<input name=a required>',
        '<select name=s><option>1</select>',
        '<fieldset disabled>',
        '<p>',
        '</p>',
        'text',
      ),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
        const markup = pieces.join('');
        const result = inertMarkup(markup);
        expect(left(result)).toEqual([]);
        expect(inertMarkup(result)).toBe(result);
      }),
    );
    const mixed = `<script>1</script><input name=a onclick=x required><object data=x><input name=b></object><select name=c onchange=y></select>`;
    const names = (markup: string) =>
      readForm(markup).fields.map((f) => [f.name, f.kind, f.controls[0].ordinal]);
    expect(names(inertMarkup(mixed))).toEqual(names(mixed));
  });
});

describe('pageUnderTest', () => {
  it('adds a doctype only where there is none', () => {
    expect(pageUnderTest('<input>')).toBe('<!doctype html><input>');
    expect(pageUnderTest('<!-- x --><!DOCTYPE html><input>')).toBe('<!-- x --><!DOCTYPE html><input>');
  });
});
