import { describe, expect, it } from 'vitest';
import { limits } from '../document/form-document';
import { questionFaultText } from '../words/request-fault-words';
import { readRealQuestion } from './real-question';

const question = {
  page: { address: 'http://localhost:5173/log', form: 0, steps: '' },
  markup: '<form><button>Send</button></form>',
  language: null,
  button: 'field-1',
  filled: true,
  engine: 'firefox',
};

describe('a question that sends for real', () => {
  it('names the page, the button and who presses it', () => {
    expect(readRealQuestion(question)).toEqual({ status: 'read', question });
  });
  it.each([
    ['nothing', null],
    ['no page: markup alone is never sent anywhere', { ...question, page: null }],
    ['no button', { ...question, button: '' }],
    ['an engine that is not here', { ...question, engine: 'desktop' }],
    ['no word on whether it is filled in', { ...question, filled: 'yes' }],
    ['more than that', { ...question, more: 1 }],
    ['too long a form', { ...question, markup: 'x'.repeat(limits.markup + 1) }],
  ])('with %s is refused, and says that nothing was sent', (_, data) => {
    const reading = readRealQuestion(data);
    expect(reading.status === 'fault' && questionFaultText(reading.fault)).toMatch(
      /^The form was not sent: .+\.$/,
    );
  });
});
