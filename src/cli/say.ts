import { readable } from '@/core/report/readable';

/** Prints lines on standard output. What a page or a file says in them cannot steer the terminal. */
export function say(lines: string): void {
  process.stdout.write(`${readable(lines)}\n`);
}

/** Prints lines on standard error, where they are in nobody's way. */
export function tell(lines: string): void {
  process.stderr.write(`${readable(lines)}\n`);
}
