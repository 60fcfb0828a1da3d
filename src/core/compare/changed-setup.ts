import type { FormDocument } from '../form/form-document';
import type { Answers } from '../observation/answers';
import type { Run } from '../observation/run';
import type { TargetId } from '../target/target';

/** Something that is not the same in two sweeps before any answer is compared, in one sentence. */
export interface ChangedSetup {
  readonly cause: 'form' | 'engine' | 'line-up' | 'Ukko';
  /** The target that it is about; null: all of them. */
  readonly target: TargetId | null;
  readonly text: string;
}

export interface Setup extends Pick<Run, 'lineUp' | 'ukko'> {
  readonly form: Pick<FormDocument, 'markup' | 'typing'>;
  readonly answers: Answers;
}

/** Form, targets and versions that are not the same. */
export function changedSetup(before: Setup, after: Setup): ChangedSetup[] {
  const changes: ChangedSetup[] = [];
  const say = (cause: ChangedSetup['cause'], target: TargetId | null, text: string) =>
    changes.push({ cause, target, text });
  if (before.form.markup !== after.form.markup) say('form', null, 'The markup of the form was changed.');
  if (guardsIn(before) !== guardsIn(after))
    say('form', null, 'What is typed into the form, or its guards, were changed.');
  if (before.ukko !== after.ukko && before.ukko !== null && after.ukko !== null)
    say('Ukko', null, `Ukko was ${before.ukko}, now it is ${after.ukko}.`);
  const [versions, newVersions] = [before, after].map(({ answers }) => versionsIn(answers));
  for (const target of after.lineUp.targets) {
    const earlier = before.lineUp.targets.find(({ id }) => id === target.id);
    if (!earlier) say('line-up', target.id, `${target.name} was not asked before.`);
    else if (JSON.stringify(earlier) !== JSON.stringify(target))
      say('line-up', target.id, `${target.name} was set up in another way.`);
    const [was, is] = [versions?.get(target.id), newVersions?.get(target.id)];
    if (was && is && was !== is)
      say(
        target.ask === 'model' ? 'Ukko' : 'engine',
        target.id,
        `${target.name} was ${was}, now it is ${is}.`,
      );
  }
  for (const target of before.lineUp.targets)
    if (!after.lineUp.targets.some(({ id }) => id === target.id))
      say('line-up', target.id, `${target.name} was asked before and is not now.`);
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
