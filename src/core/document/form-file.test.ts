import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import { fieldId } from '../html/field';
import { formsInPage } from '../html/forms-in-page';
import { readForm } from '../html/read-form';
import { standalonePage } from '../html/standalone-page';
import { fileFaultText } from '../words/file-fault-words';
import type { FormId } from './form-document';
import { isFormFile, readFormFile, writeFormFile } from './form-file';

describe('a form file', () => {
  it('gives the same form back', () => {
    for (const form of [demoForm, hurriedForm])
      expect(readFormFile(writeFormFile(form))).toEqual({ status: 'read', form });
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.string(), fc.string(), (name, markup, script) => {
        const form = { id: 'x' as FormId, name, markup, typing: { [fieldId('a')]: { script, guards: [] } } };
        const text = writeFormFile(form);
        expect(isFormFile(text)).toBe(true);
        expect(readFormFile(text)).toEqual({ status: 'read', form });
      }),
    );
  });
  it.each([
    ['{\n "format": "ukko-form",\n "version": 1,\n oops', /not valid JSON \(line 4\)/],
    ['{"a":1}', /not a form file/],
    ['{"format":"ukko-form","version":7}', /version 7/],
    [
      '{\n"format":"ukko-form",\n"version":1,\n"id":"x",\n"name":5,\n"markup":"",\n"typing":{}\n}',
      /wrong at name, line 5: a text is expected/,
    ],
    [
      '{"format":"ukko-form","version":1,"id":"x","name":"n","markup":"",\n"typing":{"level":{"script":7,"guards":[]}}}',
      /level.*script.*line 2/,
    ],
    ['{"format":"ukko-form","version":1,"id":"x","name":"n","markup":"","typing":{},"extra":1}', /extra/],
  ])('that is wrong says where and what to do: %s', (content, words) => {
    const reading = readFormFile(content);
    expect(reading.status === 'fault' && fileFaultText(reading.fault)).toMatch(words);
  });
});

describe('the forms of a page', () => {
  const page = `<style>p { color: red }</style>
    <form aria-label=Search><input name=q></form>
    <form id=order><h2>Order</h2><input name=a list=far><input name=b></form>
    <input name=late form=order><datalist id=far><option value=x></datalist>
    <form></form>`;
  it('are told by name, with what belongs to them', () => {
    const forms = formsInPage(page);
    expect(forms.map(({ name, fields }) => [name, fields])).toEqual([
      ['Search', 1],
      ['Order', 3],
    ]);
    const order = readForm(forms[1]?.markup ?? '').fields;
    expect(order.map(({ name }) => name)).toEqual(['a', 'b', 'late']);
    expect(order[0]?.suggestions).toEqual(['x']);
    expect(forms[1]?.markup).toContain('color: red');
  });
  it('are one in the demo', () => {
    expect(formsInPage(demoForm.markup)).toHaveLength(1);
  });
});

describe('a page of its own', () => {
  it('lets nothing run, load or leave, and shows the form', () => {
    const page = standalonePage(
      'Log & more',
      '<form onsubmit=x><script>alert(1)</script><input name=a></form>',
    );
    expect(page).toMatch(
      /^<!DOCTYPE html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="default-src 'none'/,
    );
    expect(page).toContain('<title>Log &amp; more</title>');
    expect(readForm(page).fields.map(({ name }) => name)).toEqual(['a']);
    expect(page).not.toContain('alert(1)');
    expect(standalonePage('n', demoForm.markup).match(/<title/g)).toHaveLength(1);
  });
});
