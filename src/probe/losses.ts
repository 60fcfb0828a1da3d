import type { FieldId } from '@/core/html/field';
import type { PageQuestion } from '@/core/questions/observation';

/** What was being asked when a page was lost: a question, and of which field, where it was done to one alone. */
export interface Place {
  readonly question: PageQuestion;
  readonly field: FieldId | null;
}

/** What is done after a loss: all that is owed is asked again, or all but what a place stands for, or nothing more. */
export type AfterLoss =
  | { readonly kind: 'again' }
  | { readonly kind: 'without'; readonly place: Place }
  | { readonly kind: 'end' };

/** How often one thing is asked before it has failed: a busy machine loses pages that answer the second time. */
export const attempts = 2;

/** How many pages one target may lose, each of which costs a new browser and the time in which it did not answer. */
const mostLosses = 7;

/** Keeps count of a target's losses, so that what is lost over one field costs the others nothing. */
export class Losses {
  private all = 0;
  /** Of browsers that ended, and before anything was asked: no field is to be left out for these. */
  private nowhere = 0;
  private readonly byPlace = new Map<string, number>();
  private readonly withoutField = new Set<PageQuestion>();

  /** Nothing was lost yet. */
  get none(): boolean {
    return this.all === 0;
  }

  /** @param place null when nothing had been asked yet, or when it was the browser that ended */
  after(place: Place | null): AfterLoss {
    this.all++;
    if (this.all >= mostLosses) return { kind: 'end' };
    if (!place) return { kind: ++this.nowhere < attempts ? 'again' : 'end' };
    const key = `${place.question} ${place.field ?? ''}`;
    const often = (this.byPlace.get(key) ?? 0) + 1;
    this.byPlace.set(key, often);
    return often < attempts ? { kind: 'again' } : { kind: 'without', place: this.wide(place) };
  }

  /** A question that is lost over a second field is left out as a whole: it would be over the others as well. */
  private wide({ question, field }: Place): Place {
    const isSecond = this.withoutField.has(question);
    this.withoutField.add(question);
    return isSecond ? { question, field: null } : { question, field };
  }
}
