/** A piece of a sweep's time; both times in ms by `performance.now()`. */
export interface Span {
  /** The target that was waited for. */
  readonly target: string;
  /** What was done: a command to the page or to its window, or an answer from the one before on. */
  readonly name: string;
  readonly kind: 'command' | 'answer';
  readonly begin: number;
  readonly end: number;
}

/** Takes down what a sweep spends its time on. */
export type Trace = (span: Span) => void;

/**
 * What spans are as a file in the open Trace Event Format, which trace viewers draw: complete events (`"ph": "X"`), times in µs from the
 * first one on, each target a process with one row for its answers and one for its commands.
 */
export function traceFile(spans: readonly Span[]): string {
  const start = Math.min(...spans.map(({ begin }) => begin));
  const targets = [...new Set(spans.map(({ target }) => target))];
  const rows = ['answer', 'command'] as const;
  const named = targets.flatMap((name, pid) => [
    { ph: 'M', name: 'process_name', pid, tid: 0, args: { name } },
    ...rows.map((row, tid) => ({ ph: 'M', name: 'thread_name', pid, tid, args: { name: `${row}s` } })),
  ]);
  const events = spans.map(({ target, name, kind, begin, end }) => ({
    ph: 'X',
    name,
    cat: kind,
    pid: targets.indexOf(target),
    tid: rows.indexOf(kind),
    ts: Math.round((begin - start) * 1000),
    dur: Math.round((end - begin) * 1000),
  }));
  return `${JSON.stringify({ displayTimeUnit: 'ms', traceEvents: [...named, ...events] })}\n`;
}
