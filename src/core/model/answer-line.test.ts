import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lineFaultText } from '../words/line-fault-words';
import { answerLine } from './answer-line';

const ask = (question: unknown) => answerLine(JSON.stringify(question), new Date());

describe('a line of a batch', () => {
  it('is answered as the standard and as engines have it', () => {
    expect(
      ask({
        ask: 'validity',
        target: 'chromium',
        html: '<input id="t" type="email" required>',
        setValue: 'a@b',
      }),
    ).toEqual({
      typeReflected: 'email',
      value: 'a@b',
      valid: true,
      flags: [],
      willValidate: true,
    });
    expect(
      ask({
        ask: 'validity',
        target: 'standard',
        html: '<input id="t" type="checkbox" required>',
        setValue: null,
      }),
    ).toEqual({
      typeReflected: 'checkbox',
      value: 'on',
      valid: false,
      flags: ['valueMissing'],
      willValidate: true,
      checked: false,
    });
    expect(
      ask({
        ask: 'submission',
        target: 'firefox',
        html: '<form action=/log><button id=send></button></form>',
        by: '#send',
      }),
    ).toMatchObject({
      method: 'GET',
      url: '/log?',
      blockedBy: null,
    });
  });
  it.each([
    ['{', /not valid JSON/],
    ['[]', /object/],
    [
      '{"ask":"weather","target":"standard","html":""}',
      /at ask: one of “validity”, “submission” and “typing”/,
    ],
    ['{"ask":"validity","target":"netscape","html":""}', /“standard”, “chromium”, “firefox” and “webkit”/],
    ['{"ask":"validity","target":"standard"}', /at html: the value is missing/],
    ['{"ask":"validity","target":"standard","html":3}', /at html: a text is expected/],
    ['{"ask":"validity","target":"standard","html":"<input>"}', /id “t”/],
    [
      '{"ask":"validity","target":"standard","html":"<input id=t>","setValue":5}',
      /at setValue: a text is expected/,
    ],
    ['{"ask":"validity","target":"standard","html":"<input id=t>","thenAttrs":{"a":1}}', /thenAttrs/],
    ['{"ask":"submission","target":"standard","html":"<form></form>"}', /"by"/],
    ['{"ask":"submission","target":"standard","html":"<form></form>","by":"#go"}', /#go/],
  ])('that is bad says so: %s', (line, words) => {
    const answer = answerLine(line, new Date());
    expect('fault' in answer && lineFaultText(answer.fault)).toMatch(words);
  });
  it('is not led astray by names that objects have of their own', () => {
    for (const name of ['hasOwnProperty', 'toString', '__proto__', 'constructor'])
      expect(answerLine(`{"${name}":1}`, new Date())).toHaveProperty('fault');
  });
  it('never throws, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.string().map((html) =>
            JSON.stringify({
              ask: 'validity',
              target: 'webkit',
              html: `<input id=t ${html}>`,
              setValue: html,
            }),
          ),
        ),
        (line) => {
          expect(answerLine(line, new Date())).toBeTypeOf('object');
        },
      ),
    );
  });
});
