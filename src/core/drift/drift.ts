import { type ChangedSetup, changedSetup } from '../compare/changed-setup';
import { allDifferences } from '../compare/lens';
import type { FormDocument } from '../document/form-document';
import type { Finding } from '../finding/finding';
import type { Field } from '../html/field';
import { ownEntry } from '../html/own-entry';
import { readForm } from '../html/read-form';
import type { CountPixels, Difference } from '../questions/differences';
import type { Answers } from '../run/answers';
import type { Run } from '../run/run';
import type { Target, TargetId } from '../target/target';
import { goneAndFresh, pairsOf } from './pairs';

/** A sweep and what was found by it. */
export interface FoundRun {
  readonly run: Pick<Run, 'form' | 'lineUp' | 'ukko' | 'startedAt'>;
  readonly answers: Answers;
  readonly findings: readonly Finding[];
}

/** What may have made something new, go or change. */
export const causes = ['form', 'engine', 'line-up', 'Ukko'] as const;
export type Cause = (typeof causes)[number];

export interface Drifted {
  readonly finding: Finding;
  /** All that may be the cause; none: nothing that Ukko knows of was changed. */
  readonly because: readonly Cause[];
}

/** One target's answers about one field, where they are not those of the baseline. */
export interface AnswerDrift {
  readonly target: Target;
  readonly field: Field;
  readonly differences: readonly Difference[];
  readonly because: readonly Cause[];
}

/** What is another in a sweep than in its baseline. */
export interface Drift {
  /** When the baseline was swept; ISO 8601, UTC. */
  readonly since: string;
  /** What is not the same before any answer is compared. */
  readonly setup: readonly ChangedSetup[];
  readonly fresh: readonly Drifted[];
  readonly gone: readonly Drifted[];
  /** As they are now, and as they were. */
  readonly changed: readonly (Drifted & { readonly before: Finding })[];
  /** Ids of the findings that are as they were. */
  readonly same: readonly Finding[];
  readonly answers: readonly AnswerDrift[];
}

/**
 * What is new, gone and changed since a baseline, and what may be the cause.
 * @param pixels counts in how many px two pictures differ; null: pictures are left aside
 */
export function driftBetween(before: FoundRun, after: FoundRun, pixels: CountPixels | null = null): Drift {
  const setup = changedSetup(
    { ...before.run, answers: before.answers },
    { ...after.run, answers: after.answers },
  );
  const changedFields = fieldsChanged(before.run.form, after.run.form);
  const because = (field: Field['id'] | null, ids: readonly TargetId[]): Cause[] => {
    const concerns = (one: ChangedSetup) => one.target === null || ids.includes(one.target);
    const found = new Set(setup.filter(concerns).map(({ cause }) => cause));
    if (field !== null && !changedFields.has(field)) found.delete('form');
    return causes.filter((cause) => found.has(cause));
  };
  const pairs = pairsOf(before.findings, after.findings);
  const { gone, fresh } = goneAndFresh(before.findings, after.findings);
  // A target that has no part in it any more may be the cause as well.
  const becauseOf = (...findings: readonly [Finding, ...Finding[]]) =>
    because(
      findings[0].field?.id ?? null,
      findings.flatMap(({ targets }) => targets.map(({ target }) => target)),
    );
  const drifted = (finding: Finding): Drifted => ({ finding, because: becauseOf(finding) });
  const isSame = (finding: Finding) => {
    const earlier = pairs.get(finding);
    return earlier !== undefined && substance(earlier) === substance(finding);
  };
  return {
    since: before.run.startedAt,
    setup,
    fresh: fresh.map(drifted),
    gone: gone.map(drifted),
    changed: after.findings.flatMap((finding) => {
      const earlier = pairs.get(finding);
      if (!earlier || isSame(finding)) return [];
      return [{ finding, before: earlier, because: becauseOf(finding, earlier) }];
    }),
    same: after.findings.filter(isSame),
    answers: answerDrift(before, after, pixels, because),
  };
}

function substance({ field, claim, harm, also, script, targets }: Finding): string {
  const shown = targets.map(({ target, proofs }) => [target, proofs]);
  return JSON.stringify([field?.label ?? null, claim, harm, also, script, shown]);
}

/** Ids of fields whose own markup, guards or scripts are not what they were, new ones and gone ones among them. */
function fieldsChanged(before: FormDocument, after: FormDocument): Set<string> {
  const sourcesOf = ({ markup, typing }: FormDocument) =>
    new Map(
      readForm(markup).fields.map(({ id, label, controls, suggestions }) => [
        id as string,
        JSON.stringify([
          label,
          suggestions,
          ownEntry(typing, id),
          controls.map(({ span }) => markup.slice(span.start, span.end)),
        ]),
      ]),
    );
  const [was, is] = [sourcesOf(before), sourcesOf(after)];
  return new Set([...was.keys(), ...is.keys()].filter((id) => was.get(id) !== is.get(id)));
}

function answerDrift(
  before: FoundRun,
  after: FoundRun,
  pixels: CountPixels | null,
  because: (field: Field['id'], targets: readonly TargetId[]) => Cause[],
): AnswerDrift[] {
  const { fields } = readForm(after.run.form.markup);
  return after.run.lineUp.targets
    .filter(({ id }) => before.run.lineUp.targets.some((one) => one.id === id))
    .flatMap((target) =>
      fields.flatMap((field) => {
        const [reference, other] = [before, after].map(({ answers }) => ({ answers, target: target.id }));
        if (!reference || !other) return [];
        const differences = allDifferences(reference, other, field.id, pixels);
        if (differences.length === 0) return [];
        return [{ target, field, differences, because: because(field.id, [target.id]) }];
      }),
    );
}
