import { object, type Schema } from 'yup';
import { ownPageSchema, type PagePlace } from '@/core/document/own-page';
import type { PageReading } from '@/core/page/page-sight';
import { readQuestion } from '@/core/reading/read-question';
import { EngineLost } from '@/engines/api/engine';
import { ownPageFault, readOwnPage } from '@/engines/own-page';
import { log } from '@/server/log';
import { readQuestionOf } from '@/server/read-request';
import { refused } from '@/server/refused';
import { register, sweeps } from '@/server/run-registry';

export const dynamic = 'force-dynamic';

const schema = object({
  address: ownPageSchema.fields.address,
  steps: ownPageSchema.fields.steps,
  held: ownPageSchema.fields.held,
})
  .strict()
  .noUnknown();

function readPage(value: unknown) {
  return readQuestion(schema as Schema<PagePlace>, value, 'page of one’s own');
}

function answerOf(reading: PageReading): Response {
  return Response.json(reading, { headers: { 'cache-control': 'no-store' } });
}

/** Opens a page of the developer's own and answers with the forms in it. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, readPage);
  if (reading instanceof Response) return reading;
  const fault = await ownPageFault(reading.question);
  if (fault) return answerOf({ status: 'fault', failure: { code: 'page fault', fault } });
  let answer: Response | null = null;
  const work = register(sweeps, request.signal, async (signal) => {
    try {
      answer = answerOf({ status: 'read', ...(await readOwnPage(reading.question, signal)) });
    } catch (error) {
      if (error instanceof EngineLost) answer = answerOf({ status: 'fault', failure: error.failure });
      else {
        log.error({ error: String(error) }, 'a page could not be read');
        answer = refused({ code: 'page not read' }, 500);
      }
    }
  });
  if (!work) return refused(sweeps.full, 429);
  await work;
  return answer ?? refused({ code: 'page cut short' }, 500);
}
