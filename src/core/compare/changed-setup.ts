import type { FormDocument } from '../form/form-document';
import type { Answers } from '../observation/answers';
import type { LineUp } from '../target/line-up';
import type { TargetId } from '../target/target';

export interface Setup {
  readonly form: Pick<FormDocument, 'markup'>;
  readonly lineUp: LineUp;
  readonly answers: Answers;
}

/** What is not the same in two sweeps before any answer is compared: form, targets, versions. One sentence each. */
export function changedSetup(before: Setup, after: Setup): string[] {
  const changes: string[] = [];
  if (before.form.markup !== after.form.markup) changes.push('The markup of the form was changed.');
  const [versions, newVersions] = [versionsIn(before.answers), versionsIn(after.answers)];
  for (const target of after.lineUp.targets) {
    const earlier = before.lineUp.targets.find(({ id }) => id === target.id);
    if (!earlier) changes.push(`${target.name} was not asked before.`);
    else if (JSON.stringify(earlier) !== JSON.stringify(target))
      changes.push(`${target.name} was set up in another way.`);
    const [was, is] = [versions.get(target.id), newVersions.get(target.id)];
    if (was && is && was !== is) changes.push(`${target.name} was ${was}, now it is ${is}.`);
  }
  for (const target of before.lineUp.targets)
    if (!after.lineUp.targets.some(({ id }) => id === target.id))
      changes.push(`${target.name} was asked before and is not now.`);
  return changes;
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
