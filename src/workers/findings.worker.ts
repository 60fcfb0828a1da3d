import { expose } from 'comlink';
import type { FormDocument } from '@/core/document/form-document';
import { answerFindings } from '@/core/finding/answer-findings';
import type { Finding } from '@/core/finding/finding';
import { type RemedyTrial, remedyTrial } from '@/core/finding/remedy-trial';
import { answersOf } from '@/core/run/answers';
import type { RunId } from '@/core/run/run';
import { openDatabase } from '@/store/database';
import { observationsOf } from '@/store/runs';
import { heldPieces } from './in-pieces';

const held = heldPieces();

/** Looks through the answers of runs where it holds nothing up; it gets them from the store itself. */
const findingsWork = {
  /** What the answers tell that a run has by now, held ready in pieces; nothing of a run that is gone. @returns the number by which they are got */
  async ofRun(id: RunId): Promise<number> {
    const database = openDatabase();
    const [run, observations] = await Promise.all([database.runs.get(id), observationsOf(database, id)]);
    const findings: readonly Finding[] = run ? answerFindings(run, answersOf(observations)) : [];
    return held.hold(findings);
  },
  nextPiece: held.next,
  trial: (form: FormDocument, finding: Finding): RemedyTrial | null => remedyTrial(form, finding),
};
export type FindingsWork = typeof findingsWork;

expose(findingsWork);
