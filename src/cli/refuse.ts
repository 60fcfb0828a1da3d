import { tell } from './say';

/** Says why nothing was done, and sets the exit code for that. */
export function refuse(sentence: string): void {
  tell(sentence);
  process.exitCode = 2;
}
