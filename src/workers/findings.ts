import { type Remote, wrap } from 'comlink';
import type { Finding } from '@/core/finding/finding';
import type { RunId } from '@/core/run/run';
import type { FindingsWork } from './findings.worker';
import { gotInPieces } from './in-pieces';

let worker: Remote<FindingsWork> | null = null;

/** The one worker of this window that looks through answers; made on first use. What was asked for first is answered first. */
export function findingsWorker(): Remote<FindingsWork> {
  worker ??= wrap<FindingsWork>(
    new Worker(new URL('./findings.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

/** What the answers tell that a run has by now. */
export async function findingsOfAnswers(run: RunId): Promise<readonly Finding[]> {
  const work = findingsWorker();
  const held = await work.ofRun(run);
  return (await gotInPieces(() => work.nextPiece(held))) as Finding[];
}
