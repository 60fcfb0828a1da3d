import { describe, expect, it } from 'vitest';
import { questionFaultText } from '../words/request-fault-words';
import { readSlowQuestion } from './slow-question';

const question = {
  pattern: { source: '(a+)+', match: 'whole' },
  text: { before: '', again: 'a', after: '!' },
};

describe('the question how long engines take', () => {
  it('is read as it is asked', () => {
    expect(readSlowQuestion(question)).toEqual({ status: 'read', question });
    expect(readSlowQuestion({ ...question, pattern: { ...question.pattern, flags: 'u' } }).status).toBe(
      'read',
    );
  });

  it.each([
    ['nothing', null],
    ['no text', { pattern: question.pattern }],
    ['a text that does not grow', { ...question, text: { ...question.text, again: '' } }],
    ['a very long piece', { ...question, text: { ...question.text, again: 'a'.repeat(3000) } }],
    ['another flag', { ...question, pattern: { ...question.pattern, flags: 'g' } }],
    ['a match that is none', { ...question, pattern: { ...question.pattern, match: 'all' } }],
    ['more than that', { ...question, engine: 'chromium' }],
  ])('that has %s is refused with a sentence', (_, data) => {
    const reading = readSlowQuestion(data);
    expect(reading.status === 'fault' && questionFaultText(reading.fault)).toMatch(
      /^The slow text cannot be tried: .+\.$/,
    );
  });
});
