import { once } from 'node:events';
import { createInterface } from 'node:readline';
import { withDeadline } from './deadline';
import { endKept, keeping, startKept } from './kept';

/** An X display without a monitor. */
export interface Display {
  /** As DISPLAY names it. */
  readonly name: string;
  close(): Promise<void>;
}

/** Starts a virtual display of this size, px. `program` is the path of Xvfb. */
export async function startDisplay(program: string, width: number, height: number): Promise<Display> {
  const kept = await keeping(program);
  const keeper = startKept(kept, [
    '-displayfd',
    '1',
    '-screen',
    '0',
    `${width}x${height}x24`,
    '-nolisten',
    'tcp',
    '-noreset',
  ]);
  try {
    if (!keeper.stdout) throw new Error('no output');
    const lines = createInterface({ input: keeper.stdout });
    const [number] = (await withDeadline(once(lines, 'line'), 10_000, 'The virtual display')) as [string];
    lines.close();
    return { name: `:${number}`, close: () => endKept(keeper, kept) };
  } catch (error) {
    await endKept(keeper, kept);
    throw error;
  }
}
