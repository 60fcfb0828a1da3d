const format = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
});

/** When a sweep began, in the person's own time: day, month in words, hour and minute. */
export function sweepTime(iso: string): string {
  return format.format(new Date(iso));
}
