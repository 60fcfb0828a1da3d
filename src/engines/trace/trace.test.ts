import { describe, expect, it } from 'vitest';
import type { EnginePage } from '../api/engine';
import { type Span, traceFile } from './trace';
import { tracedPage } from './traced-page';

describe('a trace', () => {
  it('takes down each command to a page and to its window, with what it answers and what it throws', async () => {
    const spans: Span[] = [];
    const window = { status: 'there', appearing: async () => null, viewport: { width: 8, height: 6 } };
    const page = {
      hasKeyboard: true,
      stopwatch: () => () => 1,
      probe: async (method: string) => `${method} answered`,
      press: async () => {
        throw new Error('no key');
      },
      window: async () => window,
    } as unknown as EnginePage;
    const traced = tracedPage(page, 'chromium', (span) => spans.push(span));
    expect([await traced.probe('describe', []), traced.hasKeyboard, traced.stopwatch()()]).toEqual([
      'describe answered',
      true,
      1,
    ]);
    await expect(traced.press('a')).rejects.toThrow('no key');
    const shown = await traced.window();
    expect(
      shown.status === 'there' && [shown.viewport.width, await shown.appearing({} as never, {} as never, 0)],
    ).toEqual([8, null]);
    expect(spans.map(({ target, kind, name }) => `${target} ${kind} ${name}`)).toEqual([
      'chromium command describe',
      'chromium command press',
      'chromium command window',
      'chromium command window appearing',
    ]);
    for (const { begin, end } of spans) expect(end).toBeGreaterThanOrEqual(begin);
  });

  it('is written as complete events in µs, each target a process of its own', () => {
    const span = (target: string, kind: Span['kind'], begin: number, end: number): Span => ({
      target,
      name: `${kind} of ${target}`,
      kind,
      begin,
      end,
    });
    const { traceEvents } = JSON.parse(
      traceFile([span('a', 'command', 100, 101.5), span('b', 'answer', 102, 110)]),
    ) as { traceEvents: Record<string, unknown>[] };
    expect(traceEvents.filter(({ ph }) => ph === 'X')).toEqual([
      { ph: 'X', name: 'command of a', cat: 'command', pid: 0, tid: 1, ts: 0, dur: 1500 },
      { ph: 'X', name: 'answer of b', cat: 'answer', pid: 1, tid: 0, ts: 2000, dur: 8000 },
    ]);
    expect(traceEvents.filter(({ name }) => name === 'process_name').map(({ args }) => args)).toEqual([
      { name: 'a' },
      { name: 'b' },
    ]);
  });
});
