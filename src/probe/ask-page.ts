import type { Field, FieldId } from '@/core/html/field';
import type { Failure } from '@/core/observation/failure';
import type { Picture, PictureId } from '@/core/observation/picture';
import type { Provenance } from '@/core/observation/provenance';
import type { Asking } from '@/core/questions/asking';
import { type Observation, type PageQuestion, pageQuestions } from '@/core/questions/observation';
import { type Owed, type OwedAnswers, owedAnswers } from '@/core/sweep/owed-answers';
import type { EmitSweepMessage } from '@/core/sweep/sweep-message';
import type { TargetId } from '@/core/target/target';
import type { AskablePage, Receiver } from './api/askable-page';
import { eachFieldAlone } from './each-field-alone';
import { type AfterLoss, Losses, type Place } from './losses';
import { PageLost } from './page-lost';
import { askAccessibility } from './questions/accessibility';
import { askBubble } from './questions/bubble';
import { askFallback } from './questions/fallback';
import { askLook } from './questions/look';
import { askMessage } from './questions/message';
import { askOpening } from './questions/opening';
import { askParts } from './questions/parts';
import type { Answer, QuestionContext } from './questions/question-context';
import { askSubmission } from './questions/submission';
import { askTyping } from './questions/typing';

const ask: Readonly<Record<PageQuestion, (context: QuestionContext) => Promise<void>>> = {
  look: askLook,
  message: askMessage,
  accessibility: askAccessibility,
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

/** Questions that take one field after the other: only what is still owed of them is asked again. The others see the page as a whole. */
const fieldByField: readonly PageQuestion[] = ['opening', 'bubble', 'fallback', 'typing'];

/**
 * Asks one target everything and emits the answers as they come. When its page is lost, what it still owes is asked once more of
 * another page, unless that would be lost as well; a field or a question over which it is lost twice is left out, and the others are
 * asked without it (see `Losses`). What is owed then is emitted as failed, with the reason. When `signal` aborts, it ends quietly.
 * Throws only for mistakes in Ukko itself, after the failed answers were emitted.
 *
 * @param unasked the provenance of answers that failed before anything could be asked.
 * @param known answers that are there already: only the others are asked for, and no page is opened where there are none
 */
export async function askTarget(
  target: TargetId,
  asking: Asking,
  withPage: WithPage,
  unasked: Provenance,
  emit: EmitSweepMessage,
  signal: AbortSignal,
  known: readonly Observation[] = [],
): Promise<{ readonly ended: 'finished' | 'failed' | 'cancelled' }> {
  const asked = new AskedTarget(target, asking, unasked, emit, signal, known);
  emit({ type: 'started', target, total: asked.total });
  for (;;) {
    try {
      signal.throwIfAborted();
      if (asked.total > 0) await asked.askOwed(withPage);
      emit({ type: 'finished', target });
      return { ended: 'finished' };
    } catch (error) {
      if (signal.aborted) return { ended: 'cancelled' };
      const failure = asked.endsOver(error);
      if (failure === null) continue;
      emit({ type: 'failed', target, failure });
      if (!(error instanceof PageLost)) throw error;
      return { ended: 'failed' };
    }
  }
}

/** What one target was asked so far, what it still owes, and over what its pages were lost. */
class AskedTarget {
  private readonly owed: OwedAnswers;
  private readonly sent = new Set<PictureId>();
  private readonly openings = new Map<FieldId, string>();
  private readonly losses = new Losses();
  private readonly leftOut = new Set<FieldId>();
  /** What is being asked now. */
  private place: Place | null = null;
  /** After a loss each field is done alone, and waited for, so that it is known over which one the page is lost. */
  private isCareful = false;

  constructor(
    private readonly target: TargetId,
    private readonly asking: Asking,
    private provenance: Provenance,
    private readonly emit: EmitSweepMessage,
    private readonly signal: AbortSignal,
    known: readonly Observation[],
  ) {
    this.owed = owedAnswers(asking, known);
  }

  get total(): number {
    return this.owed.total;
  }

  /** Asks a page all that is still owed. */
  askOwed(withPage: WithPage): Promise<void> {
    this.place = null;
    return withPage(async (opened, provenance, receiver) => {
      this.provenance = provenance;
      const context = await this.contextIn(opened, receiver);
      for (const question of pageQuestions)
        if (this.asking.questions.includes(question)) await this.askQuestion(question, context);
    });
  }

  /**
   * What comes of it that the page was lost, or of a mistake: what it is not to be asked again has failed.
   * @returns why nothing more is asked; null when it goes on
   */
  endsOver(error: unknown): Failure | null {
    const lost = error instanceof PageLost ? error : null;
    const place = lost?.isGone ? null : this.place;
    const isFirst = this.losses.none;
    const next: AfterLoss = lost && !lost.isSettled ? this.losses.after(place) : { kind: 'end' };
    this.isCareful ||= place !== null;
    if (next.kind === 'again') return null;
    const failure = failureOf(error, !isFirst);
    if (next.kind === 'end') {
      this.fail(failure);
      return failure;
    }
    this.leaveOut(next.place, failure, lost?.isLate ?? false);
    return null;
  }

  private async contextIn(opened: AskablePage, receiver: Receiver | null): Promise<QuestionContext> {
    const settle = async () => this.isCareful && stillThere(opened);
    const about = (field: FieldId | null) => this.setField(field);
    const page = this.isCareful ? eachFieldAlone(opened, this.asking.fields, about, settle) : opened;
    return {
      page,
      receiver,
      asking: this.asking,
      signal: this.signal,
      oneByOne: (fields) => this.oneByOne(fields, settle),
      answer: (field, given) => this.answer(field, given),
      picture: (picture) => this.sendPicture(picture),
      rightToLeft: await page.probe('readsRightToLeft'),
      speaksRightToLeft: await page.probe('speaksRightToLeft'),
      openings: this.openings,
    };
  }

  private async askQuestion(question: PageQuestion, context: QuestionContext): Promise<void> {
    const owing = this.owed.fieldsOf(question);
    if (owing.size === 0) return;
    this.place = { question, field: null };
    // What a question left behind, a page of its own scripts may keep.
    if (this.asking.page) await context.page.reload();
    const isOneByOne = fieldByField.includes(question);
    const fields = this.asking.fields.filter(({ id }) =>
      isOneByOne ? owing.has(id) : !this.leftOut.has(id),
    );
    await ask[question]({ ...context, asking: { ...this.asking, fields } });
    this.place = null;
  }

  private async *oneByOne(
    fields: readonly Field[],
    settle: () => Promise<unknown>,
  ): AsyncGenerator<Field, void, void> {
    for (const field of fields) {
      this.signal.throwIfAborted();
      this.setField(field.id);
      yield field;
      await settle();
    }
    this.setField(null);
  }

  private setField(field: FieldId | null): void {
    this.place = this.place && { ...this.place, field };
  }

  private answer(field: FieldId, given: Answer): void {
    if (!this.owed.isOwed(field, given)) return;
    const { target, provenance } = this;
    this.give({ field, target, provenance, at: new Date().toISOString(), ...given });
  }

  private sendPicture(picture: Picture): void {
    if (this.sent.has(picture.id)) return;
    this.sent.add(picture.id);
    this.emit({ type: 'picture', picture });
  }

  private give(observation: Observation): void {
    this.owed.give(observation);
    this.emit({ type: 'observation', observation });
  }

  private fail(failure: Failure, isMeant?: (one: Owed) => boolean): void {
    const { target, provenance } = this;
    const by = { target, provenance, at: new Date().toISOString() };
    for (const observation of this.owed.failed(by, failure, isMeant)) this.give(observation);
  }

  private leaveOut({ question, field }: Place, failure: Failure, isLate: boolean): void {
    if (field === null) {
      this.fail(failure, (one) => one.question === question);
      return;
    }
    this.leftOut.add(field);
    const mayHang = this.asking.page !== null && isLate;
    this.fail(
      mayHang ? { code: 'field never ends', because: failure } : failure,
      (one) => one.field === field,
    );
    // A form of which one field is left alone is blocked by that one, whoever fills it in.
    this.fail({ code: 'form not filled', because: failure }, (one) => one.question === 'submission');
  }
}

/** Why nothing came, when asking ended over `error`. */
function failureOf(error: unknown, isTwice: boolean): Failure {
  if (!(error instanceof PageLost)) return { code: 'mistake', said: String(error) };
  return isTwice ? { code: 'asked twice', because: error.failure } : error.failure;
}

/** What is done to a field may lead away from the page a moment later, ms. */
const aMoment = 100;

/** Waits for a moment, and throws when the page is no longer there. */
async function stillThere(page: AskablePage): Promise<void> {
  await new Promise((resolve) => setTimeout(resolve, aMoment));
  await page.probe('documentBox');
}
