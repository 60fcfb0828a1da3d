import { describe, expect, it } from 'vitest';
import { demoForm } from '../demo/demo-forms';
import { limits } from '../document/form-document';
import { readForm } from '../html/read-form';
import { questionFaultText } from '../words/request-fault-words';
import { isTappable, phoneEngines } from './keyboard-question';
import { readKeyboardQuestion } from './keyboard-question-schema';

const question = { markup: '<input name=a>', field: 'a', engine: 'firefox', page: null };

describe('a question about a real keyboard', () => {
  it.each(phoneEngines)('is about one field in %s, or about all of them', (engine) => {
    expect(readKeyboardQuestion({ ...question, engine })).toMatchObject({
      status: 'read',
      question: { field: 'a', engine },
    });
    expect(readKeyboardQuestion({ ...question, field: null })).toMatchObject({ status: 'read' });
  });

  it.each([
    ['nothing', null],
    ['no field', { markup: '', engine: 'firefox' }],
    ['an empty field', { ...question, field: '' }],
    ['an engine that has no phone', { ...question, engine: 'desktop' }],
    ['more than that', { ...question, more: 1 }],
    ['too long a form', { ...question, markup: 'x'.repeat(limits.markup + 1) }],
  ])('that has %s is refused with a sentence', (_, data) => {
    const reading = readKeyboardQuestion(data);
    expect(reading.status === 'fault' && questionFaultText(reading.fault)).toMatch(
      /^The keyboard cannot be asked: .+\.$/,
    );
  });

  it('goes to what a finger can tap and type into', () => {
    const kinds = readForm(demoForm.markup)
      .fields.filter(isTappable)
      .map(({ kind }) => kind);
    expect(kinds).toEqual(expect.arrayContaining(['text', 'email', 'tel', 'number', 'textarea', 'date']));
    for (const kind of ['submit', 'file', 'color', 'hidden', 'meter']) expect(kinds).not.toContain(kind);
  });
});
