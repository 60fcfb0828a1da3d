/** Says why nothing was done, and sets the exit code for that. */
export function refuse(sentence: string): void {
  process.stderr.write(`${sentence}\n`);
  process.exitCode = 2;
}
