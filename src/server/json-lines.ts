/**
 * Messages as a stream of JSON, one object a line, from work that goes on until it ends or the client goes away.
 *
 * @param begin starts the work; null when it may not be started
 * @returns null when the work was not started
 */
export function jsonLines<Message>(
  clientSignal: AbortSignal,
  begin: (emit: (message: Message) => void, signal: AbortSignal) => Promise<void> | null,
  onBroken: (error: unknown) => void,
): Response | null {
  const gone = new AbortController();
  const signal = AbortSignal.any([clientSignal, gone.signal]);
  const encoder = new TextEncoder();
  const waiting: Message[] = [];
  let send: ((message: Message) => void) | null = null;
  const ended = begin((message) => (send ? send(message) : waiting.push(message)), signal);
  if (!ended) return null;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      send = (message) => {
        if (!signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(message)}\n`));
      };
      for (const message of waiting.splice(0)) send(message);
      ended.catch(onBroken).finally(() => {
        if (!signal.aborted) controller.close();
      });
    },
    cancel() {
      gone.abort();
    },
  });
  return new Response(stream, {
    headers: {
      'content-type': 'application/x-ndjson; charset=utf-8',
      'cache-control': 'no-store, no-transform',
      'x-content-type-options': 'nosniff',
    },
  });
}
