import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readForm } from '@/core/html/read-form';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import { engines } from '@/engines/engines';
import { probeBundle } from '@/probe/bundle';
import { probeField } from '@/probe/questions/question-context';
import { enginesAvailable } from '../fixtures/engines';

/** Every kind with a value that no other one has, and what may be told of it as shown: in a text box alone, its own. */
const kinds: readonly (readonly [markup: string, shown: RegExp | null])[] = [
  ['<input name=text value=Oulu>', /^Oulu$/],
  ['<input name=password type=password value=secret>', /^[•●*]{6}$/],
  ['<input name=empty type=password>', /^$/],
  ['<input name=email type=email value=a@b.test>', /^a@b\.test$/],
  ['<input name=number type=number value=1.5>', /^1[.,]5$/],
  ['<input name=hint placeholder="As in the log">', /^As in the log$/],
  ['<textarea name=textarea>Calm</textarea>', /^Calm$/],
  ['<input name=date type=date value=2026-03-14>', null],
  ['<input name=time type=time value=10:11>', null],
  ['<input name=datetime type=datetime-local value=2026-03-14T10:11>', null],
  ['<input name=color type=color value="#2f6f73">', null],
  ['<input name=range type=range value=3>', null],
  ['<input name=checkbox type=checkbox>', null],
  ['<input name=radio type=radio>', null],
  ['<input name=file type=file>', null],
  // A text box in engines that do not know the kind.
  ['<input name=month type=month value=2026-04>', /^2026-04$/],
  ['<input name=week type=week value=2026-W21>', /^2026-W21$/],
];
const orders = fc.sample(fc.shuffledSubarray([...kinds], { minLength: kinds.length }), 3);

describe.skipIf(!(await enginesAvailable())).each(Object.keys(engines))('texts that %s shows', (name) => {
  const engine = engines[name as keyof typeof engines];
  let page = '';
  const server = createServer((_, response) => response.setHeader('content-type', 'text/html').end(page));
  beforeAll(() => new Promise<void>((done) => server.listen(0, '127.0.0.1', done)));
  afterAll(() => {
    server.closeAllConnections();
    server.close();
  });

  it('are those of the field itself, in whatever order fields stand', async () => {
    const found = await engine.find();
    if (found.status === 'missing') throw new Error(failureText(found.failure));
    const session = await engine.launch(found.path, plainVariant, {});
    try {
      const { code } = await probeBundle('probe');
      for (const order of orders) {
        page = `<!doctype html><form>${order.map(([markup]) => markup).join('')}</form>`;
        const { port } = server.address() as AddressInfo;
        const opened = await session.open(`http://127.0.0.1:${port}/`, code, plainVariant);
        const { fields } = readForm(page);
        const shown = await opened.probe('textsShown', fields.map(probeField));
        for (const [at, [markup, own]] of order.entries()) {
          const text = shown[at] ?? null;
          if (own === null) expect([markup, text]).toEqual([markup, null]);
          else if (text !== null || !/month|week/.test(markup))
            expect([markup, text ?? '']).toEqual([markup, expect.stringMatching(own)]);
        }
      }
    } finally {
      await session.close();
    }
  });
});
