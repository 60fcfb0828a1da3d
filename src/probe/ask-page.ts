import { digestOf } from '@/core/digest';
import type { Field, FieldId } from '@/core/html/field';
import type { Failure } from '@/core/observation/failure';
import type { AnswerBasis } from '@/core/observation/outcome';
import type { Picture, PictureId } from '@/core/observation/picture';
import type { Provenance } from '@/core/observation/provenance';
import type { Asking, PlannedQuestion } from '@/core/questions/asking';
import { type Observation, type PageQuestion, pageQuestions } from '@/core/questions/observation';
import { type AnswerBases, basisKept, type EarlierAnswer, type Reaching } from '@/core/sweep/answer-basis';
import { withoutHalves } from '@/core/sweep/known-answers';
import { answerKey, type Owed, type OwedAnswers, owedAnswers } from '@/core/sweep/owed-answers';
import type { EmitSweepMessage } from '@/core/sweep/sweep-message';
import type { TargetId } from '@/core/target/target';
import type { AskablePage, Receiver } from './api/askable-page';
import type { Surroundings } from './api/probe-api';
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
import { type Answer, probeField, type QuestionContext } from './questions/question-context';
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

/** Questions in which one field is nothing to another: only what is still owed of them is asked. The others see the page as a whole. */
const fieldByField: readonly PageQuestion[] = [
  'accessibility',
  'opening',
  'bubble',
  'parts',
  'fallback',
  'typing',
];

/**
 * Asks one target everything and emits the answers as they come. When its page is lost, what it still owes is asked once more of
 * another page, unless that would be lost as well; a field or a question over which it is lost twice is left out, and the others are
 * asked without it (see `Losses`). What is owed then is emitted as failed, with the reason. When `signal` aborts, it ends quietly.
 * Throws only for mistakes in Ukko itself, after the failed answers were emitted.
 *
 * @param unasked the provenance of answers that failed before anything could be asked.
 * @param known answers that are there already: only the others are asked for, and no page is opened where there are none
 * @param earlier answers of an earlier sweep, which are kept as long as they hold, and on what the new ones rest; null: nobody can tell
 */
export async function askTarget(
  target: TargetId,
  asking: Asking,
  withPage: WithPage,
  unasked: Provenance,
  emit: EmitSweepMessage,
  signal: AbortSignal,
  known: readonly Observation[] = [],
  earlier: Earlier | null = null,
): Promise<{ readonly ended: 'finished' | 'failed' | 'cancelled' }> {
  const asked = new AskedTarget(target, asking, unasked, emit, signal, known, earlier);
  emit({ type: 'started', target, total: asked.total });
  asked.keepWhatHolds();
  for (;;) {
    try {
      signal.throwIfAborted();
      if (asked.owes) await asked.askOwed(withPage);
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

/** Questions in which a person's strokes and presses reach a page, and what the engine keeps in mind of them. */
const traces: readonly PageQuestion[] = ['typing', 'submission'];

/** What is there of an earlier sweep of the same target, and what tells whether it holds. */
export interface Earlier {
  readonly answers: readonly EarlierAnswer[];
  readonly bases: AnswerBases;
}

/** What one target was asked so far, what it still owes, and over what its pages were lost. */
class AskedTarget {
  private readonly owed: OwedAnswers;
  private readonly sent = new Set<PictureId>();
  private readonly openings = new Map<FieldId, string>();
  private readonly losses = new Losses();
  private readonly leftOut = new Set<FieldId>();
  private readonly reaching = new Map<FieldId, Reaching>();
  /** What is being asked now. */
  private place: Place | null = null;
  /** After a loss each field is done alone, and waited for, so that it is known over which one the page is lost. */
  private isCareful = false;
  /** The page is not as it was at first, whatever is set back in it. */
  private hasTraces = false;

  constructor(
    private readonly target: TargetId,
    private readonly asking: Asking,
    private provenance: Provenance,
    private readonly emit: EmitSweepMessage,
    private readonly signal: AbortSignal,
    known: readonly Observation[],
    private readonly earlier: Earlier | null,
  ) {
    this.owed = owedAnswers(asking, known);
  }

  get total(): number {
    return this.owed.total;
  }

  get owes(): boolean {
    return this.owed.all().length > 0;
  }

  /** Keeps of the earlier answers what still holds, as far as it is known now. What opens and what a field is made of go together. */
  keepWhatHolds(): void {
    const { earlier, target } = this;
    if (!earlier) return;
    const there = new Map(earlier.answers.map((one) => [answerKey(one.field, one), one.basis]));
    const kept = this.owed.all().flatMap((planned) => {
      const basis = this.basisOf(planned);
      const before = there.get(answerKey(planned.field, planned));
      const kept = basis && before ? basisKept(before, basis) : null;
      return kept ? [{ ...planned, basis: kept }] : [];
    });
    const answers = withoutHalves(kept, this.owed.all());
    for (const one of answers) this.owed.give(one);
    if (answers.length > 0) this.emit({ type: 'kept', target, answers });
  }

  private basisOf(planned: PlannedQuestion): AnswerBasis | null {
    return this.earlier?.bases.of(planned, this.reaching.get(planned.field) ?? null) ?? null;
  }

  /** What reaches each field in a page that has just been opened. */
  private async readSurroundings(page: AskablePage): Promise<void> {
    const { fields } = this.asking;
    if (!this.earlier || this.reaching.size > 0) return;
    const told = await page.probe('surroundings', fields.map(probeField));
    for (const [index, reaching] of reachingOf(told).entries()) {
      const field = fields[index];
      if (field) this.reaching.set(field.id, reaching);
    }
    this.keepWhatHolds();
  }

  /** Asks a page all that is still owed. */
  askOwed(withPage: WithPage): Promise<void> {
    this.place = null;
    this.hasTraces = false;
    return withPage(async (opened, provenance, receiver) => {
      this.provenance = provenance;
      await this.readSurroundings(opened);
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
      owes: (field, asked) => this.owed.askedFor(field.id, asked) !== null,
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
    if (this.asking.page || this.hasTraces) await context.page.reload();
    this.hasTraces = traces.includes(question);
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
    const planned = this.owed.askedFor(field, given);
    if (!planned) return;
    const { target, provenance } = this;
    const basis = this.basisOf(planned);
    this.give({ field, target, provenance, at: new Date().toISOString(), ...given, ...(basis && { basis }) });
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

function reachingOf({ common, styles, fields }: Surroundings): Reaching[] {
  return fields.map((field) => {
    const own = [common, field.near, ...field.styles.map((index) => styles[index])];
    const digestWith = (...shown: readonly string[]) => digestOf(JSON.stringify([...own, ...shown]));
    return { near: digestWith(), bubble: digestWith(field.underBubble), popUp: digestWith(field.underPopUp) };
  });
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
