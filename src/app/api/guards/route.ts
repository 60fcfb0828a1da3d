import type { Guard } from '@/core/guard/guard';
import { guardsSchema } from '@/core/guard/guard-schema';
import { readQuestion } from '@/core/reading/read-question';
import { guardModule } from '@/probe/guard-module';
import { readQuestionOf } from '@/server/read-request';

export const dynamic = 'force-dynamic';

/** Guards as one TypeScript module without dependencies. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, (body) => readQuestion(guardsSchema, body, 'guards'));
  if (reading instanceof Response) return reading;
  return new Response(await guardModule(reading.question as unknown as readonly Guard[]), {
    headers: { 'content-type': 'text/typescript; charset=utf-8', 'cache-control': 'no-store' },
  });
}
