import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { maxSamples, type Sample } from './sample';
import { firstSamples, readSamples, writeSamples } from './sample-table';
import { verdicts } from './verdict';

const read = (...samples: [string, Sample['expected']][]) => ({
  status: 'read',
  samples: samples.map(([text, expected]) => ({ text, expected })),
});

describe('a table of samples', () => {
  it.each([
    ['text,expected\n"a,b",refused\nplain\n', read(['a,b', 'refused'], ['plain', 'accepted'])],
    [' Text \nplain', read(['plain', 'accepted'])],
    ['plain\ntext', read(['plain', 'accepted'], ['text', 'accepted'])],
    ['a\n\nb', read(['a', 'accepted'], ['b', 'accepted'])],
    ['"",refused', read(['', 'refused'])],
    ['a, Refused ', read(['a', 'refused'])],
    ['a,unfinished,why', read(['a', 'unfinished'])],
    ['12,5\tunfinished', read(['12,5', 'unfinished'])],
    ['text,expected\n"a\tb",refused', read(['a\tb', 'refused'])],
    ['text\na\tb', read(['a\tb', 'accepted'])],
    ['text\texpected\na\trefused', read(['a', 'refused'])],
    ['\ufefftext\nplain', read(['plain', 'accepted'])],
    ['', read()],
  ])('%j is read', (text, expected) => {
    expect(readSamples(text)).toEqual(expected);
  });

  it.each([
    ['a,accepted\nb,perhaps', 2, { code: 'no verdict', word: 'perhaps' }],
    ['\n\nb, Perhaps', 3, { code: 'no verdict', word: ' Perhaps' }],
    ['"a', 1, { code: 'open quote' }],
    ['a,perhaps\n"c', 1, { code: 'no verdict', word: 'perhaps' }],
    ['a\nb\n"c', 3, { code: 'open quote' }],
  ])('%j: line %i is wrong', (text, line, fault) => {
    expect(readSamples(text)).toEqual({ status: 'fault', line, fault });
  });

  it('has as many as may be, and not one more', () => {
    const most = 'a\n'.repeat(maxSamples);
    const reading = readSamples(most);
    expect(reading.status === 'read' && reading.samples.length).toBe(maxSamples);
    expect(readSamples(`${most}a`)).toEqual({
      status: 'fault',
      line: maxSamples + 1,
      fault: { code: 'too many samples', most: maxSamples },
    });
  });

  it('is written with a head, texts between quotes', () => {
    expect(writeSamples([{ text: 'a"b', expected: 'refused' }])).toBe('"text",expected\n"a""b",refused');
  });

  it('comes back as it was written', () => {
    const sample = fc.record({
      text: fc.string({
        unit: fc.oneof(fc.constantFrom(...'"\t,\n'), fc.string({ unit: 'grapheme', maxLength: 1 })),
      }),
      expected: fc.constantFrom(...verdicts),
    });
    fc.assert(
      fc.property(fc.array(sample, { maxLength: 8 }), (samples) => {
        expect(readSamples(writeSamples(samples))).toEqual({ status: 'read', samples });
      }),
    );
  });

  it('gives its first samples to what need not try them all', () => {
    expect([firstSamples(undefined), firstSamples('"a')]).toEqual([[], []]);
    expect(firstSamples('a\n'.repeat(2001))).toHaveLength(2000);
    // What comes behind is not looked at.
    expect(firstSamples('a\nb\nc,perhaps', 2)).toHaveLength(2);
    expect(firstSamples('a', 0)).toEqual([]);
  });
});
