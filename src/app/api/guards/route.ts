import { ValidationError } from 'yup';
import type { Guard } from '@/core/guard/guard';
import { guardsSchema } from '@/core/guard/guard-schema';
import { guardModule } from '@/probe/guard-module';
import { readBody } from '@/server/read-body';

export const dynamic = 'force-dynamic';

/** Guards as one TypeScript module without dependencies. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return new Response(body.text, { status: body.code });
  try {
    const guards = guardsSchema.validateSync(body.value) as unknown as readonly Guard[];
    return new Response(await guardModule(guards), {
      headers: { 'content-type': 'text/typescript; charset=utf-8', 'cache-control': 'no-store' },
    });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return new Response(`These guards cannot be read: ${error.message}.`, { status: 400 });
  }
}
