import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import type { Sample, SamplesReading } from '@/core/guard/sample';
import { readSamples, writeSamples } from '@/core/guard/sample-table';
import { verdicts } from '@/core/guard/verdict';
import { FaultySample, samplesIn } from './sample-stream';

const folder = mkdtempSync(join(tmpdir(), 'ukko-samples-'));
const file = join(folder, 'samples.csv');
afterAll(() => rmSync(folder, { recursive: true }));

async function streamed(text: string): Promise<SamplesReading> {
  writeFileSync(file, text);
  const samples: Sample[] = [];
  try {
    for await (const piece of samplesIn(file)) samples.push(...piece);
    return { status: 'read', samples };
  } catch (error) {
    if (!(error instanceof FaultySample)) throw error;
    return { status: 'fault', line: error.line, fault: error.fault };
  }
}

describe('a table of samples that is read piece by piece', () => {
  it.each([
    'text,expected\n"a,b",refused\nplain\n',
    ' Text \nplain',
    'plain\ntext',
    'a\n\nb',
    '12,5\tunfinished',
    '',
    'a,accepted\nb,perhaps',
    '"a',
    'a\nb\n"c',
    'a,perhaps\n"c',
  ])('%j is what it is as a whole', async (text) => {
    expect(await streamed(text)).toEqual(readSamples(text));
  });

  it('is what it is as a whole, however long it is', async () => {
    const sample = fc.record({
      text: fc.string({ unit: 'grapheme' }).filter((text) => !text.includes('\r')),
      expected: fc.constantFrom(...verdicts),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(sample, { maxLength: 6, minLength: 1 }), async (some) => {
        // Of several pieces of the file, cut in the middle of rows and of characters.
        const samples = Array.from({ length: 60_000 }, (_, index) => some[index % some.length] as Sample);
        expect(await streamed(writeSamples(samples))).toEqual({ status: 'read', samples });
      }),
      { numRuns: 8 },
    );
  });

  it('names the line in which a later piece is wrong', async () => {
    const rows = Array.from({ length: 40_000 }, (_, index) => `${'x'.repeat(index % 9)},accepted`);
    expect(await streamed([...rows, 'a,perhaps'].join('\n'))).toEqual({
      status: 'fault',
      line: 40_001,
      fault: { code: 'no verdict', word: 'perhaps' },
    });
  });

  it('says what the system says of one that is not there', async () => {
    await expect(samplesIn(join(folder, 'none.csv')).next()).rejects.toThrow('ENOENT');
  });
});
