import type { FieldId } from '@/core/form/field';
import type { Asking } from '@/core/observation/asking';
import { type Observation, type PageQuestion, pageQuestions } from '@/core/observation/observation';
import { owedAnswers } from '@/core/observation/owed-answers';
import type { Provenance } from '@/core/observation/provenance';
import type { EmitSweepMessage } from '@/core/observation/sweep-message';
import type { TargetId } from '@/core/target/target';
import type { AskablePage, Receiver } from './askable-page';
import { askBubble } from './questions/bubble';
import { askFallback } from './questions/fallback';
import { askLook } from './questions/look';
import { askMessage } from './questions/message';
import { askOpening } from './questions/opening';
import { askParts } from './questions/parts';
import type { QuestionContext } from './questions/question-context';
import { askSubmission } from './questions/submission';
import { askTyping } from './questions/typing';

const ask: Readonly<Record<PageQuestion, (context: QuestionContext) => Promise<void>>> = {
  look: askLook,
  message: askMessage,
  opening: askOpening,
  bubble: askBubble,
  parts: askParts,
  submission: askSubmission,
  fallback: askFallback,
  typing: askTyping,
};

/** Opens a page, calls `work` with it, with where it comes from and where its forms may be sent (null: nowhere), and cleans up. */
export type WithPage = (
  work: (page: AskablePage, provenance: Provenance, receiver: Receiver | null) => Promise<void>,
) => Promise<void>;

/** Thrown, by its name, when a page cannot be had or goes away; the message is for people. */
export class PageLost extends Error {
  override readonly name: string = 'PageLost';

  /** @param isSettled it would be so again, were it asked again */
  constructor(
    message: string,
    readonly isSettled = false,
  ) {
    super(message);
  }
}

/** How often a target is asked before what it still owes has failed: a busy machine loses pages that answer the second time. */
const attempts = 2;

/** Questions that take one field after the other: only what is still owed of them is asked again. The others see the page as a whole. */
const fieldByField: readonly PageQuestion[] = ['opening', 'bubble', 'fallback', 'typing'];

/**
 * Asks one target everything and emits the answers as they come. When its page is lost, what it still owes is asked once more of
 * another page, unless that would be lost as well; what it owes then is emitted as failed, with the reason. When `signal` aborts, it ends quietly. Throws only for mistakes in Ukko itself, after
 * the failed answers were emitted.
 *
 * @param unasked the provenance of answers that failed before anything could be asked.
 */
export async function askTarget(
  target: TargetId,
  asking: Asking,
  withPage: WithPage,
  unasked: Provenance,
  emit: EmitSweepMessage,
  signal: AbortSignal,
): Promise<{ readonly ended: 'finished' | 'failed' | 'cancelled' }> {
  const owed = owedAnswers(asking);
  const sent = new Set<string>();
  let provenance = unasked;

  const answer: QuestionContext['answer'] = (field, given) => {
    if (!owed.isOwed(field, given)) return;
    const observation: Observation = { field, target, provenance, at: new Date().toISOString(), ...given };
    owed.give(observation);
    emit({ type: 'observation', observation });
  };
  const picture: QuestionContext['picture'] = (one) => {
    if (sent.has(one.id)) return;
    sent.add(one.id);
    emit({ type: 'picture', picture: one });
  };

  const openings = new Map<FieldId, string>();
  const askOwed = () =>
    withPage(async (page, from, receiver) => {
      provenance = from;
      const rightToLeft = await page.probe('readsRightToLeft');
      const speaksRightToLeft = await page.probe('speaksRightToLeft');
      const context = {
        page,
        receiver,
        asking,
        signal,
        answer,
        picture,
        rightToLeft,
        speaksRightToLeft,
        openings,
      };
      const asked = pageQuestions.filter((question) => asking.questions.includes(question));
      for (const question of asked) {
        const fields = owed.fieldsOf(question);
        if (fields.size === 0) continue;
        // What a question left behind, a page of its own scripts may keep.
        if (asking.page) await page.reload();
        const left = fieldByField.includes(question)
          ? { ...asking, fields: asking.fields.filter(({ id }) => fields.has(id)) }
          : asking;
        await ask[question]({ ...context, asking: left });
      }
    });

  emit({ type: 'started', target, total: owed.total });
  for (let attempt = 1; ; attempt++) {
    try {
      signal.throwIfAborted();
      await askOwed();
      emit({ type: 'finished', target });
      return { ended: 'finished' };
    } catch (error) {
      if (signal.aborted) return { ended: 'cancelled' };
      const lost = error instanceof PageLost ? error : null;
      if (lost && !lost.isSettled && attempt < attempts) continue;
      const often = attempt > 1 ? ' It was asked twice.' : '';
      const reason = lost
        ? `${lost.message.replace(/\.?$/, '.')}${often}`
        : `Ukko stumbled while asking: ${String(error)}`;
      for (const observation of owed.failed(target, provenance, reason))
        emit({ type: 'observation', observation });
      emit({ type: 'failed', target, reason });
      if (!lost) throw error;
      return { ended: 'failed' };
    }
  }
}
