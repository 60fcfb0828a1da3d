import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readLines, refusalOf } from './read-lines';

function streamOf(chunks: readonly Uint8Array<ArrayBuffer>[]): ReadableStream<Uint8Array<ArrayBuffer>> {
  return new ReadableStream({
    start(controller) {
      for (const chunk of chunks) controller.enqueue(chunk);
      controller.close();
    },
  });
}

async function linesOf(chunks: readonly Uint8Array<ArrayBuffer>[]): Promise<string[]> {
  const lines: string[] = [];
  for await (const line of readLines(streamOf(chunks))) lines.push(line);
  return lines;
}

describe('lines of a stream', () => {
  it('are the same wherever the network cuts it, in the middle of a character as well', async () => {
    const line = fc.string({ unit: 'grapheme', minLength: 1 }).filter((text) => !text.includes('\n'));
    await fc.assert(
      fc.asyncProperty(
        fc.array(line, { maxLength: 8 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 20 }),
        fc.boolean(),
        async (lines, cuts, ends) => {
          const bytes = new TextEncoder().encode(lines.join('\n') + (ends ? '\n' : ''));
          const chunks: Uint8Array<ArrayBuffer>[] = [];
          for (let at = 0, cut = 0; at < bytes.length; cut++) {
            const length = cuts[cut % cuts.length] ?? 1;
            chunks.push(bytes.slice(at, at + length));
            at += length;
          }
          expect(await linesOf(chunks)).toEqual(lines);
        },
      ),
    );
  });

  it('are none of an empty stream, and empty ones are left out', async () => {
    expect(await linesOf([])).toEqual([]);
    expect(await linesOf([new TextEncoder().encode('\n\na\n\n')])).toEqual(['a']);
  });
});

describe('a refusal', () => {
  it('is in the words of the server, or none', async () => {
    const failure = { code: 'server refused', refusal: { code: 'sweeps full', most: 4 } };
    expect(await refusalOf(Response.json({ failure, error: 'Wait.' }, { status: 429 }))).toEqual(failure);
    expect(await refusalOf(Response.json({ failure: { code: 'other' } }))).toBeNull();
    expect(await refusalOf(Response.json(['no']))).toBeNull();
    expect(await refusalOf(new Response('<html>'))).toBeNull();
  });
});
