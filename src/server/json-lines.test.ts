import { describe, expect, it } from 'vitest';
import { jsonLines } from './json-lines';

type Message = { readonly n: number };
type Emit = (message: Message) => void;

const client = () => new AbortController();
const unheard = () => undefined;

/** All that comes, as text. */
async function textOf(response: Response | null): Promise<string> {
  if (!response) throw new Error('The work was not started.');
  return response.text();
}

describe('messages as lines', () => {
  it('come in their order, those from before anybody read as well', async () => {
    const response = jsonLines<Message>(
      client().signal,
      async (emit) => {
        emit({ n: 1 });
        await new Promise((resolve) => setTimeout(resolve, 5));
        emit({ n: 2 });
      },
      unheard,
    );
    expect(response?.headers.get('content-type')).toBe('application/x-ndjson; charset=utf-8');
    expect(await textOf(response)).toBe('{"n":1}\n{"n":2}\n');
  });

  it('are none where the work may not be started', () => {
    expect(jsonLines<Message>(client().signal, () => null, unheard)).toBeNull();
  });

  it('end when the work breaks, and whoever runs it is told', async () => {
    const broken: unknown[] = [];
    const response = jsonLines<Message>(
      client().signal,
      async (emit) => {
        emit({ n: 1 });
        throw new Error('broken');
      },
      (error) => broken.push(error),
    );
    expect(await textOf(response)).toBe('{"n":1}\n');
    expect(broken).toEqual([new Error('broken')]);
  });

  const untilAborted = (signals: AbortSignal[]) => (_: Emit, signal: AbortSignal) =>
    new Promise<void>((resolve) => {
      signals.push(signal);
      signal.addEventListener('abort', () => resolve(), { once: true });
    });

  it('end the work when the client goes away', async () => {
    const signals: AbortSignal[] = [];
    const gone = client();
    jsonLines<Message>(gone.signal, untilAborted(signals), unheard);
    gone.abort();
    expect(signals[0]?.aborted).toBe(true);
  });

  it('end the work when nobody reads on', async () => {
    const signals: AbortSignal[] = [];
    const response = jsonLines<Message>(client().signal, untilAborted(signals), unheard);
    await response?.body?.cancel();
    expect(signals[0]?.aborted).toBe(true);
  });

  it('that come after the end are dropped', async () => {
    let late: Emit = unheard;
    const gone = client();
    const response = jsonLines<Message>(
      gone.signal,
      (emit, signal) => {
        late = emit;
        return new Promise((resolve) => signal.addEventListener('abort', () => resolve()));
      },
      unheard,
    );
    const reader = response?.body?.getReader();
    late({ n: 1 });
    expect(new TextDecoder().decode((await reader?.read())?.value)).toBe('{"n":1}\n');
    gone.abort();
    expect(() => late({ n: 2 })).not.toThrow();
  });
});
