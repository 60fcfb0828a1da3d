import type { FieldId } from '../html/field';
import type { PlannedQuestion } from '../questions/asking';
import type { PageQuestion, Question } from '../questions/observation';
import type { SweepMessage } from './sweep-message';

/** How far the asking of one target is. */
export interface TargetPace {
  /** Answers that are there, those of an earlier sweep among them, and answers in all. */
  readonly done: number;
  readonly total: number;
  /** What was answered last; null as long as nothing was. */
  readonly last: { readonly question: Question; readonly field: FieldId } | null;
  /** ms until the rest is answered, as far as it goes on as it went; null as long as nobody can tell. */
  readonly left: number | null;
}

/** How long one answer takes beside those to other questions: looks of a whole page are one picture, bubbles come one by one. */
const efforts: Readonly<Record<PageQuestion, number>> = {
  look: 1,
  message: 0.1,
  accessibility: 0.2,
  typing: 8,
  submission: 12,
  opening: 10,
  bubble: 15,
  parts: 4,
  fallback: 10,
};

/** Less of the work than this says nothing of how long the rest takes. */
const telling = 0.03;

/** Follows what is said of one target, and tells how far it is. */
export class SweepPace {
  private readonly efforts: number;
  private done = 0;
  private asked = 0;
  private kept = 0;
  private last: TargetPace['last'] = null;

  /**
   * @param plan all that the target is asked
   * @param began when its asking began, ms
   */
  constructor(
    private readonly plan: readonly PlannedQuestion[],
    private readonly began: number,
  ) {
    this.efforts = sum(plan.map(({ question }) => efforts[question]));
  }

  hear(message: SweepMessage): void {
    if (message.type === 'kept') {
      this.done += message.answers.length;
      this.kept += sum(message.answers.map(({ question }) => efforts[question]));
    }
    if (message.type !== 'observation') return;
    const { question, field } = message.observation;
    this.done++;
    this.last = { question, field };
    if (question in efforts) this.asked += efforts[question as PageQuestion];
  }

  /** @param now in ms, by the same clock */
  at(now: number): TargetPace {
    const whole = this.efforts - this.kept;
    const share = whole > 0 ? this.asked / whole : 1;
    return {
      done: this.done,
      total: this.plan.length,
      last: this.last,
      left: share < telling ? null : Math.max(0, ((now - this.began) * (1 - share)) / share),
    };
  }
}

const sum = (all: readonly number[]) => all.reduce((total, one) => total + one, 0);
