import type { OwnPage } from '../document/own-page';
import type { FieldId } from '../html/field';
import type { Picture } from '../observation/picture';
import { type Asking, type PlannedQuestion, planOf } from '../questions/asking';
import type { Observation, PageQuestion } from '../questions/observation';
import type { ResumeFault } from '../reading/request-fault';
import type { Run } from '../run/run';
import type { EngineTarget, Target, TargetId } from '../target/target';
import { askingOfTarget } from './asking-of-target';
import { answerKey, type GivenAnswer } from './owed-answers';

/** Answers that are there from an earlier sweep of the same form, by target; they are not asked for again. */
export type KnownAnswers = ReadonlyMap<TargetId, readonly Observation[]>;

/** What one question learns and another one needs of the same field: they are asked together. */
const together: readonly PageQuestion[] = ['opening', 'parts'];

/** Whether a run is of this form, asked by this version of Ukko; null: it is. */
export function resumeFault(
  run: Pick<Run, 'form' | 'ukko'>,
  { markup, page, language }: Pick<Asking, 'markup' | 'page' | 'language'>,
  ukko: string,
): ResumeFault | null {
  if (run.form.markup !== markup || placeOf(run.form.page) !== placeOf(page)) return 'another form';
  // What fields are filled with depends on it.
  if ((run.form.language ?? null) !== language) return 'another language';
  return run.ukko === ukko ? null : 'another Ukko';
}

/** Where a page of one's own is, and what is done before its form is there; empty where there is none. */
const placeOf = (page: OwnPage | null | undefined) =>
  page ? [page.address, page.form, page.steps].join('\n') : '';

/**
 * The answers of a run that still hold, of these engines: those that did not fail, by an engine of the version that is there now.
 * @param versions of the engines of targets as they are now; a target that is not among them is asked anew
 */
export function knownAnswers(
  { observations }: Pick<Run, 'observations'>,
  asking: Asking,
  targets: readonly EngineTarget[],
  versions: ReadonlyMap<TargetId, string>,
): KnownAnswers {
  return new Map(
    targets.map((target) => {
      const own = observations.filter(
        (one) => one.target === target.id && isOf(one, versions.get(target.id)),
      );
      return [target.id, answersKept(own, askingOfTarget(asking, target))];
    }),
  );
}

function isOf({ provenance, outcome }: Observation, version: string | undefined): boolean {
  return outcome.status !== 'failed' && provenance.mark === 'measured' && provenance.version === version;
}

function answersKept(answers: readonly Observation[], asking: Asking): Observation[] {
  const plan = planOf(asking);
  const planned = new Set(plan.map((one) => answerKey(one.field, one)));
  return withoutHalves(
    answers.filter((one) => planned.has(answerKey(one.field, one))),
    plan,
  );
}

/**
 * Answers without those to questions that are asked together with another one that is missing.
 * @param plan all that is asked
 */
export function withoutHalves<Given extends GivenAnswer & { readonly field: FieldId }>(
  answers: readonly Given[],
  plan: readonly PlannedQuestion[],
): Given[] {
  const there = new Set(answers.map((one) => answerKey(one.field, one)));
  const isMissing = (one: PlannedQuestion) => !there.has(answerKey(one.field, one));
  const halves = plan.filter((one) => together.includes(one.question) && isMissing(one));
  const incomplete = new Set(halves.map(({ field }) => field));
  return answers.filter(
    ({ field, question }) => !(incomplete.has(field) && together.some((other) => other === question)),
  );
}

/** The pictures that answers show. */
export function picturesOf(
  answers: readonly Observation[],
  pictures: readonly Picture[],
): readonly Picture[] {
  const shown = new Set(
    answers.flatMap(({ outcome }) =>
      outcome.status === 'answered' && 'picture' in outcome.facts ? [outcome.facts.picture] : [],
    ),
  );
  return pictures.filter(({ id }) => shown.has(id));
}

/** Answers that a sweep of these targets gives in all. */
export function answersPlanned(targets: readonly Target[], asking: Asking): number {
  const counts = targets.map((target) => {
    if (target.ask === 'engine') return planOf(askingOfTarget(asking, target)).length;
    return target.ask === 'model' ? planOf(asking).length : 0;
  });
  return counts.reduce((sum, count) => sum + count, 0);
}
