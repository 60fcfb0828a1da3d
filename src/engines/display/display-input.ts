import { type ChildProcessByStdio, spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';
import { commandTimeout, withDeadline } from '../api/deadline';

type Program = ChildProcessByStdio<Writable, Readable, null>;

/** Tells of the pointer in one line: it ends every command, so that the line says that the command has been done. */
const done = 'getmouselocation';

/**
 * Moves the pointer and presses keys of a display, by one program that is told line by line: to start a program for each command takes
 * fifty times as long. It ends by itself when nobody is there any more to tell it anything.
 */
export class DisplayInput {
  private running: Program | null = null;
  private waiting: { resolve(): void; reject(error: Error): void } | null = null;
  private last: Promise<unknown> = Promise.resolve();

  /** @param program xdotool */
  constructor(
    private readonly program: string,
    private readonly env: NodeJS.ProcessEnv,
  ) {}

  /** Does one command after those before it. Rejects where the program ends, or does not answer in time. */
  do(...command: readonly string[]): Promise<void> {
    const told = this.last.then(() => withDeadline(this.tell(command), commandTimeout, 'The pointer'));
    this.last = told.catch(() => this.close());
    return told;
  }

  close(): void {
    this.running?.kill('SIGKILL');
    this.ended(this.running);
  }

  private tell(command: readonly string[]): Promise<void> {
    const program = this.running ?? this.started();
    return new Promise((resolve, reject) => {
      this.waiting = { resolve, reject };
      program.stdin.write(`${[...command, done].join(' ')}\n`);
    });
  }

  private started(): Program {
    const program = spawn(this.program, ['-'], { env: this.env, stdio: ['pipe', 'pipe', 'ignore'] });
    program.stdin.on('error', () => undefined);
    program.on('error', () => this.ended(program));
    program.on('exit', () => this.ended(program));
    createInterface({ input: program.stdout }).on('line', () => this.answered());
    this.running = program;
    return program;
  }

  private answered(): void {
    const { waiting } = this;
    this.waiting = null;
    waiting?.resolve();
  }

  private ended(program: Program | null): void {
    if (program !== this.running) return;
    const { waiting } = this;
    [this.running, this.waiting] = [null, null];
    waiting?.reject(new Error('What moves the pointer has ended.'));
  }
}
