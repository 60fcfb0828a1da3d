/** A text that grows by one piece again and again, and at last does not match. */
export interface SlowText {
  readonly before: string;
  readonly again: string;
  readonly after: string;
}

export function slowText({ before, again, after }: SlowText, times: number): string {
  return before + again.repeat(times) + after;
}
