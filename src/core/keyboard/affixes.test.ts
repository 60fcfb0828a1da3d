import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { affixesOf } from './affixes';

describe('prefix and suffix', () => {
  it.each([
    ['<input data-suffix=m>', '', 'm'],
    ['<input data-prefix="+358 " data-suffix="">', '+358 ', ''],
    ['<label>€ <input> per night</label>', '', ''],
    [`<input data-prefix="${'😀'.repeat(30)}">`, '😀'.repeat(20), ''],
  ])('%s', (markup, prefix, suffix) => {
    const [field] = readForm(markup).fields;
    expect(field && affixesOf(field)).toEqual({ prefix, suffix });
  });
});
