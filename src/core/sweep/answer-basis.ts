import { digestOf } from '../digest';
import type { FieldId } from '../html/field';
import { ownEntry } from '../html/own-entry';
import { pageUnderTest } from '../html/page-under-test';
import type { AnswerBasis } from '../observation/outcome';
import type { Asking, PlannedQuestion } from '../questions/asking';
import type { PageQuestion } from '../questions/observation';
import type { TargetId } from '../target/target';
import type { Variant } from '../target/variant';
import { ukkoVersion } from '../version';

/** An answer that is there from an earlier sweep, by what it rests on. */
export interface EarlierAnswer extends PlannedQuestion {
  readonly basis: AnswerBasis;
}

/** The same of each target. */
export type EarlierAnswers = ReadonlyMap<TargetId, readonly EarlierAnswer[]>;

/** Digests of what reaches a field in its page, see `Surroundings`: by itself, and by what a picture shows of what comes up at it. */
export interface Reaching {
  readonly near: string;
  readonly bubble: string;
  readonly popUp: string;
}

/** How much of a page an answer depends on: what reaches the field in one of these ways, or everything. */
type Reach = keyof Reaching | 'page';

const reaches: Readonly<Record<PageQuestion, Reach>> = {
  look: 'near',
  message: 'near',
  accessibility: 'near',
  opening: 'popUp',
  bubble: 'bubble',
  parts: 'near',
  // A form is sent with all its fields, or held up by any of them.
  submission: 'page',
  fallback: 'near',
  typing: 'near',
};

/** Who is asked. */
export interface AskedEngine {
  readonly engine: string;
  readonly version: string;
  readonly variant: Variant;
}

/** Tells on what the answers of one engine about one page rest. A page of the developer's own may change whenever it is asked for. */
export interface AnswerBases {
  /** @param reaching of the field; null as long as its page was not opened */
  of(planned: PlannedQuestion, reaching: Reaching | null): AnswerBasis;
}

/** @param html what is shown to the engine */
export function answerBases(
  asking: Asking,
  { engine, version, variant }: AskedEngine,
  html = pageUnderTest(asking.markup),
): AnswerBases {
  const who = [ukkoVersion, engine, version, variant];
  const page = digestOf(JSON.stringify([who, html]));
  return {
    of({ question, field, state }, reaching) {
      const asked = [question, state, asking.language, askedWith(asking, question, field)];
      const reach = reachOf(asking, question, field);
      return {
        page: digestOf(JSON.stringify([page, field, asked])),
        field:
          reach === 'page' || reaching === null
            ? null
            : digestOf(JSON.stringify([who, asked, reaching[reach]])),
      };
    },
  };
}

/** What else it depends on what comes of a question. */
function askedWith({ scripts, questions }: Asking, question: PageQuestion, field: FieldId): unknown {
  if (question === 'typing') return ownEntry(scripts, field);
  // What opened tells of what a field is made of.
  return question === 'parts' && questions.includes('opening');
}

/** Enter tries to send the form (HTML Standard, "Implicit submission"). */
function reachOf({ scripts }: Asking, question: PageQuestion, field: FieldId): Reach {
  const strokes = question === 'typing' ? (ownEntry(scripts, field)?.script ?? []) : [];
  const sends = strokes.some((stroke) => 'key' in stroke && ['Enter', '\n'].includes(stroke.key));
  return sends ? 'page' : reaches[question];
}

/**
 * On what an earlier answer rests now; null where it no longer holds: neither the page nor what reaches the field is the same.
 * @param now what is known by now of what it would rest on
 */
export function basisKept(earlier: AnswerBasis, now: AnswerBasis): AnswerBasis | null {
  if (earlier.page === now.page) return { page: now.page, field: now.field ?? earlier.field };
  return earlier.field !== null && earlier.field === now.field ? now : null;
}
