import { readForm } from '@/core/html/read-form';
import { isTappable, type KeyboardNews } from '@/core/keyboard/keyboard-question';
import { readKeyboardQuestion } from '@/core/keyboard/keyboard-question-schema';
import { EngineLost } from '@/engines/api/engine';
import { measureKeyboards } from '@/engines/measure-keyboards';
import { ownPageFault } from '@/engines/own-page';
import { jsonLines } from '@/server/json-lines';
import { log } from '@/server/log';
import { readQuestionOf } from '@/server/read-request';
import { refused, refusedFor } from '@/server/refused';
import { register, sweeps } from '@/server/run-registry';

export const dynamic = 'force-dynamic';

/** Taps fields on a phone-sized display with a real on-screen keyboard; answers with NDJSON of `KeyboardNews`. */
export async function POST(request: Request): Promise<Response> {
  const reading = await readQuestionOf(request, readKeyboardQuestion);
  if (reading instanceof Response) return reading;
  const { markup, field, engine, page } = reading.question;
  if (field !== null && !readForm(markup).fields.some(({ id }) => id === field))
    return refused({ code: 'field unknown' }, 400);
  const fault = page && (await ownPageFault(page));
  if (fault) return refusedFor({ code: 'page fault', fault }, 400);
  const stream = jsonLines<KeyboardNews>(
    request.signal,
    (emit, signal) =>
      register(sweeps, signal, async (until) => {
        try {
          await measureKeyboards(
            engine,
            { markup, page },
            (one) => (field === null ? isTappable(one) : one.id === field),
            (answer) => emit({ type: 'answer', ...answer }),
            until,
          );
        } catch (error) {
          if (!(error instanceof EngineLost) && !until.aborted)
            log.error({ error: String(error) }, 'keyboard broke');
          emit({
            type: 'failed',
            failure: error instanceof EngineLost ? error.failure : { code: 'keyboard cut short' },
          });
        }
      }),
    (error) => log.error({ error: String(error) }, 'keyboard broke'),
  );
  return stream ?? refused(sweeps.full, 429);
}
