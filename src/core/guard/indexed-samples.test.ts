import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type IndexedSamples,
  indexSamples,
  sampleAt,
  sampleCount,
  withExpected,
  withoutSample,
  withTable,
} from './indexed-samples';
import { maxSamples, type Sample } from './sample';
import { readSamples, writeSamples } from './sample-table';
import { verdicts } from './verdict';

function indexed(table: string): IndexedSamples {
  const reading = indexSamples(table);
  if (reading.status === 'fault') throw new Error(`line ${reading.line}`);
  return reading.samples;
}

const added = (samples: IndexedSamples, more: string, onlyNew = false) => {
  const reading = withTable(samples, more, onlyNew);
  if (reading.status === 'fault') throw new Error(`line ${reading.line}`);
  return reading.samples;
};

const samplesOf = (samples: IndexedSamples) =>
  Array.from({ length: sampleCount(samples) }, (_, at) => sampleAt(samples, at));

const text = fc.string({
  unit: fc.constantFrom('a', 'é', '"', ',', '\t', '\n', ' ', '𝒳', 'text'),
  maxLength: 6,
});
const sample: fc.Arbitrary<Sample> = fc.record({ text, expected: fc.constantFrom(...verdicts) });
const samples = fc.array(sample, { minLength: 1, maxLength: 8 });
/** What people write by hand: with and without quotes, verdicts, names of columns, ends of lines. */
const byHand = fc.string({
  unit: fc.constantFrom('a', 'text', '"', ',', '\t', '\n', '\r\n', ',refused', ' Accepted', '\ufeff'),
  maxLength: 14,
});

describe('samples as places in their table', () => {
  it('are those that are read of it, or the same is wrong', () => {
    fc.assert(
      fc.property(fc.oneof(byHand, samples.map(writeSamples)), (table) => {
        const [whole, places] = [readSamples(table), indexSamples(table)];
        if (places.status === 'fault') expect(places).toEqual(whole);
        else expect({ status: 'read', samples: samplesOf(places.samples) }).toEqual(whole);
      }),
      { numRuns: 1000 },
    );
  });
  it('are after an edit what is read of the table that it makes', () => {
    fc.assert(
      fc.property(samples, fc.nat(), fc.constantFrom(...verdicts), (some, nat, verdict) => {
        const before = indexed(writeSamples(some));
        const at = nat % some.length;
        const expecting = withExpected(before, at, verdict);
        expect(samplesOf(expecting)).toEqual(
          some.map((one, index) => (index === at ? { ...one, expected: verdict } : one)),
        );
        expect(samplesOf(indexed(expecting.table))).toEqual(samplesOf(expecting));
        const left = withoutSample(before, at);
        expect(samplesOf(left)).toEqual(some.toSpliced(at, 1));
        expect(samplesOf(indexed(left.table))).toEqual(samplesOf(left));
        // Its places go on standing for what is there.
        expect(samplesOf(withExpected(left, 0, verdict)).slice(1)).toEqual(samplesOf(left).slice(1));
      }),
    );
  });
  it('are with others behind them what both tables say, and only what is new where that is asked', () => {
    fc.assert(
      fc.property(
        fc.oneof(byHand, samples.map(writeSamples)),
        samples,
        fc.boolean(),
        (table, more, onlyNew) => {
          const reading = indexSamples(table);
          fc.pre(reading.status === 'read');
          const before = samplesOf(reading.samples);
          const known = new Set(before.map((one) => one?.text));
          const both = added(reading.samples, writeSamples(more), onlyNew);
          expect(samplesOf(both)).toEqual([
            ...before,
            ...more.filter((one) => !onlyNew || !known.has(one.text)),
          ]);
          // What is left of two byte order marks is taken away when it is read again.
          if (before.length > 0 && !/\r|^\ufeff\ufeff/.test(table))
            expect(samplesOf(indexed(both.table))).toEqual(samplesOf(both));
        },
      ),
    );
    const none = indexed('');
    expect(added(none, 'a\trefused').table).toBe('a\trefused');
    expect(added(none, 'a', true).table).toBe('text,expected\n"a",accepted');
  });
  it('are not joined by a table in which something is wrong, nor by more than there may be', () => {
    const two = indexed('a\nb');
    expect(withTable(two, 'c\nd,perhaps', false)).toMatchObject({ status: 'fault', line: 2 });
    const many = indexed('a\n'.repeat(maxSamples - 1));
    expect(sampleCount(added(many, 'b'))).toBe(maxSamples);
    expect(withTable(many, 'b\nc', false)).toEqual({
      status: 'fault',
      line: 2,
      fault: { code: 'too many samples', most: maxSamples },
    });
  });
  it('have texts that are the same whatever is expected of them, and others where one is another', () => {
    const { texts } = indexed('a\nb,refused');
    expect(indexed('text,expected\n"a",unfinished\n\nb').texts).toBe(texts);
    expect(withExpected(indexed('a\nb'), 0, 'refused').texts).toBe(texts);
    const others = ['a', 'b\na', 'ab', 'a\nb\nc', '"a\nb"', 'a\n"b\ud800"'].map(
      (table) => indexed(table).texts,
    );
    expect(new Set([texts, withoutSample(indexed('a\nb'), 0).texts, ...others]).size).toBe(8);
    const long = (last: string) => indexed(`${'a\n'.repeat(9000)}${last}`).texts;
    expect(long('b')).not.toBe(long('c'));
  });
  it('leave what is asked beyond them alone', () => {
    const two = indexed('a\nb');
    expect([sampleAt(two, 2), sampleAt(two, -1)]).toEqual([null, null]);
    expect([withExpected(two, 2, 'refused'), withoutSample(two, -1), withoutSample(two, 2)]).toEqual([
      two,
      two,
      two,
    ]);
  });
  it('tell how far the table is read', () => {
    const heard: number[] = [];
    indexSamples('ab\ncd,refused\n', (done) => heard.push(done));
    expect(heard).toEqual([2, 13]);
  });
});
