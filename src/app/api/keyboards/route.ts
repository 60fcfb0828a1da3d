import { type KeyboardMeasurement, readKeyboardQuestion } from '@/core/keyboard/keyboard-question';
import { EngineLost } from '@/engines/engine';
import { measureKeyboards } from '@/engines/measure-keyboards';
import { log } from '@/server/log';
import { readBody } from '@/server/read-body';
import { register, sweeps } from '@/server/run-registry';

export const dynamic = 'force-dynamic';

/** Taps one field on a phone-sized display with a real on-screen keyboard; answers with a `KeyboardMeasurement`. */
export async function POST(request: Request): Promise<Response> {
  const body = await readBody(request);
  if (body.status === 'fault') return Response.json({ error: body.text }, { status: body.code });
  const reading = readKeyboardQuestion(body.value);
  if (reading.status === 'fault') return Response.json({ error: reading.text }, { status: 400 });
  const { markup, field, engine } = reading.question;
  let measurement: KeyboardMeasurement | null = null;
  const ended = register(sweeps, request.signal, async (signal) => {
    const sweep = await measureKeyboards(engine, markup, ({ id }) => id === field, undefined, signal);
    const [answer] = sweep.answers;
    if (answer)
      measurement = {
        engine: sweep.engine,
        version: sweep.version,
        measured: answer.measured,
        picture: answer.picture,
      };
  });
  if (!ended) return Response.json({ error: sweeps.full }, { status: 429 });
  try {
    await ended;
  } catch (error) {
    if (!(error instanceof EngineLost) && !request.signal.aborted)
      log.error({ error: String(error) }, 'keyboard broke');
    const reason = error instanceof EngineLost ? error.message : 'The keyboard was not asked to the end.';
    return Response.json({ error: reason }, { status: 503 });
  }
  return measurement
    ? Response.json(measurement, { headers: { 'cache-control': 'no-store' } })
    : Response.json({ error: 'The form has no such field.' }, { status: 400 });
}
