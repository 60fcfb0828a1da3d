import { readRealQuestion } from '@/core/page/real-question';
import type { RealAnswer } from '@/core/page/real-sending';
import { EngineLost } from '@/engines/api/engine';
import { ownPageFault } from '@/engines/own-page';
import { sendOwnPage } from '@/engines/send-own-page';
import { log } from '@/server/log';
import { readQuestionOf } from '@/server/read-request';
import { refused } from '@/server/refused';
import { register, sweeps } from '@/server/run-registry';

export const dynamic = 'force-dynamic';

function answerOf(answer: RealAnswer): Response {
  return Response.json(answer, { headers: { 'cache-control': 'no-store' } });
}

/** Lets an engine send the form of a developer's own page for real, once. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, readRealQuestion);
  if (reading instanceof Response) return reading;
  const fault = await ownPageFault(reading.question.page);
  if (fault) return answerOf({ status: 'fault', failure: { code: 'page fault', fault } });
  let answer: RealAnswer = { status: 'fault', failure: { code: 'sending cut short' } };
  const work = register(sweeps, request.signal, async (signal) => {
    try {
      answer = { status: 'sent', sending: await sendOwnPage(reading.question, signal) };
    } catch (error) {
      if (error instanceof EngineLost) answer = { status: 'fault', failure: error.failure };
      else log.error({ error: String(error) }, 'sending for real broke');
    }
  });
  if (!work) return refused(sweeps.full, 429);
  await work;
  return answerOf(answer);
}
