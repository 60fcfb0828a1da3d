import type { Guard } from '@/core/guard/guard';
import { guardsSchema } from '@/core/guard/guard-schema';
import { readQuestion } from '@/core/reading/read-question';
import { questionFaultText } from '@/core/words/request-fault-words';
import { guardModule } from '@/probe/guard-module';
import { readBody } from '@/server/read-body';

export const dynamic = 'force-dynamic';

/** Guards as one TypeScript module without dependencies. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return new Response(body.text, { status: body.code });
  const reading = readQuestion(guardsSchema, body.value, 'guards');
  if (reading.status === 'fault') return new Response(questionFaultText(reading.fault), { status: 400 });
  return new Response(await guardModule(reading.question as unknown as readonly Guard[]), {
    headers: { 'content-type': 'text/typescript; charset=utf-8', 'cache-control': 'no-store' },
  });
}
