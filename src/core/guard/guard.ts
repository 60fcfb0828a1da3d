/** One restriction rule with the stage at which it acts. Every kind of guard is data, so that it can be kept and sent. */
export type Guard = DecimalsGuard;

export type GuardStage = 'before insert';

/** A number in progress: at most so many digits after the separator, and nothing that no number starts with. */
export interface DecimalsGuard {
  readonly kind: 'decimals';
  readonly stage: 'before insert';
  readonly id: string;
  readonly on: boolean;
  /** Most digits after the decimal separator, 0 to 20. */
  readonly most: number;
}

/** An edit that is about to happen. */
export interface PendingEdit {
  readonly oldText: string;
  readonly newText: string;
  readonly inserted: string;
}

export type GuardDecision = { readonly pass: true } | { readonly pass: false; readonly guard: string };

/** The guard in a few words. */
export function guardName(guard: Guard): string {
  switch (guard.kind) {
    case 'decimals':
      return guard.most === 1 ? 'at most 1 decimal' : `at most ${guard.most} decimals`;
  }
}

/**
 * Asks the guards of the stage *before insert*, in order; the first that refuses decides. Taking text away is never
 * refused: a person must always be able to go back.
 */
export function decideBeforeInsert(guards: readonly Guard[], edit: PendingEdit): GuardDecision {
  if (edit.inserted === '') return { pass: true };
  const refusing = guards.find((guard) => guard.on && !passes(guard, edit));
  return refusing ? { pass: false, guard: refusing.id } : { pass: true };
}

function passes(guard: Guard, edit: PendingEdit): boolean {
  switch (guard.kind) {
    case 'decimals':
      return passesDecimals(guard, edit);
  }
}

/** What may stand while a decimal number is typed: a sign, digits, one separator (dot or comma), digits. */
function passesDecimals(guard: DecimalsGuard, { newText }: PendingEdit): boolean {
  const match = /^[+\-\u2212]?\d*(?:[.,](\d*))?$/.exec(newText);
  if (!match) return false;
  const decimals = match[1];
  return decimals === undefined || (guard.most > 0 && decimals.length <= guard.most);
}
