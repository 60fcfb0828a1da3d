import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import { keyboardTable, withKeyboardTable } from '@/core/report/keyboard-table';

it('the reviewed table of keyboards is what the model says of the demo form', () => {
  const document = readFileSync('docs/keyboards.md', 'utf8');
  expect(withKeyboardTable(document, keyboardTable(demoForm.markup))).toBe(document);
  expect(keyboardTable(demoForm.markup).split('\n').length).toBeGreaterThan(25);
});

it('a document without a place for it is refused', () => {
  expect(() => withKeyboardTable('# Keyboards', 'table')).toThrow('no place');
});
