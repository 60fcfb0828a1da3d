import type { FormDocument } from '../document/form-document';
import type { Answers } from '../run/answers';
import type { Run } from '../run/run';
import type { TargetId } from '../target/target';

/** Something that is not the same in two sweeps before any answer is compared. Its sentence is made in `words/`. */
export type ChangedSetup =
  | { readonly cause: 'form'; readonly target: null; readonly what: 'markup' | 'typing' }
  | { readonly cause: 'Ukko'; readonly target: null; readonly was: string; readonly is: string }
  | {
      readonly cause: 'line-up';
      readonly target: TargetId;
      readonly name: string;
      readonly change: 'new' | 'gone' | 'other';
    }
  /** What answers for the target: a model of Ukko's, or else an engine. */
  | {
      readonly cause: 'Ukko' | 'engine';
      readonly target: TargetId;
      readonly name: string;
      readonly was: string;
      readonly is: string;
    };

export interface Setup extends Pick<Run, 'lineUp' | 'ukko'> {
  readonly form: Pick<FormDocument, 'markup' | 'typing'>;
  readonly answers: Answers;
}

/** Form, targets and versions that are not the same. */
export function changedSetup(before: Setup, after: Setup): ChangedSetup[] {
  return [...formChanges(before, after), ...lineUpChanges(before, after)];
}

function formChanges(before: Setup, after: Setup): ChangedSetup[] {
  const changes: ChangedSetup[] = [];
  if (before.form.markup !== after.form.markup) changes.push({ cause: 'form', target: null, what: 'markup' });
  if (guardsIn(before) !== guardsIn(after)) changes.push({ cause: 'form', target: null, what: 'typing' });
  if (before.ukko !== after.ukko && before.ukko !== null && after.ukko !== null)
    changes.push({ cause: 'Ukko', target: null, was: before.ukko, is: after.ukko });
  return changes;
}

function lineUpChanges(before: Setup, after: Setup): ChangedSetup[] {
  const changes: ChangedSetup[] = [];
  const [versions, newVersions] = [versionsIn(before.answers), versionsIn(after.answers)];
  for (const target of after.lineUp.targets) {
    const { id, name } = target;
    const earlier = before.lineUp.targets.find((one) => one.id === id);
    const isOther = earlier && JSON.stringify(earlier) !== JSON.stringify(target);
    if (!earlier || isOther)
      changes.push({ cause: 'line-up', target: id, name, change: earlier ? 'other' : 'new' });
    const [was, is] = [versions.get(id), newVersions.get(id)];
    if (was && is && was !== is)
      changes.push({ cause: target.ask === 'model' ? 'Ukko' : 'engine', target: id, name, was, is });
  }
  for (const { id, name } of before.lineUp.targets)
    if (!after.lineUp.targets.some((one) => one.id === id))
      changes.push({ cause: 'line-up', target: id, name, change: 'gone' });
  return changes;
}

function guardsIn({ form }: Setup): string {
  return JSON.stringify(
    Object.entries(form.typing)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([field, { guards, script, samples }]) => [field, guards, script, samples ?? '']),
  );
}

function versionsIn(answers: Answers): Map<TargetId, string> {
  const versions = new Map<TargetId, string>();
  for (const { target, provenance, outcome } of answers.values()) {
    if (outcome.status === 'failed') continue;
    if (provenance.mark === 'measured') versions.set(target, `${provenance.engine} ${provenance.version}`);
    if (provenance.mark === 'captured') versions.set(target, provenance.browser);
    if (provenance.mark === 'modelled' && !versions.has(target)) versions.set(target, provenance.model);
  }
  return versions;
}
