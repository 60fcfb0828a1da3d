import type { FormId } from '@/core/document/form-document';
import { defaultLineUp, type LineUp } from '@/core/target/line-up';
import type { Target, TargetId } from '@/core/target/target';
import type { UkkoDatabase } from './database';

/** The targets chosen for a form; those of the demo when nobody chose. */
export async function lineUpOf(database: UkkoDatabase, form: FormId): Promise<LineUp> {
  const stored = await database.lineUps.get(form);
  return stored ? { targets: stored.targets, reference: stored.reference } : defaultLineUp;
}

export async function saveLineUp(database: UkkoDatabase, form: FormId, lineUp: LineUp): Promise<void> {
  await database.lineUps.put({ ...lineUp, formId: form });
}

/** Targets that the person made, for all forms. */
export function ownTargets(database: UkkoDatabase): Promise<Target[]> {
  return database.targets.toArray();
}

export async function saveTarget(database: UkkoDatabase, target: Target): Promise<void> {
  await database.targets.put(target);
}

/** Takes a target of the person's own away; sweeps that asked it keep it. */
export async function forgetTarget(database: UkkoDatabase, target: TargetId): Promise<void> {
  await database.targets.delete(target);
}
