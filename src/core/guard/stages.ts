import { caretAfterRewrite } from './caret-after-rewrite';
import { isInSet } from './character-set';
import { type Guard, type GuardDecision, isStrict, type PendingEdit, remedyOf } from './guard';
import { holds, mayStand, mended } from './rule';

/** A key press that a guard may stop. */
export interface KeyPress {
  /** UI Events KeyboardEvent key Values. */
  readonly key: string;
  /** Control, Alt or Meta is down. */
  readonly isShortcut: boolean;
  /** What the text would be if the key put its character in. */
  readonly newText: string;
}

/** Text with a selection, offsets in UTF-16 code units. */
export interface SelectedText {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

export interface Rewriting extends SelectedText {
  /** The guards that changed something, by id. */
  readonly by: readonly string[];
  /** A guard that would never have come to an end; the text is left as it was. */
  readonly endless: string | null;
}

function activeAt(guards: readonly Guard[], stage: Guard['stage']): Guard[] {
  return guards.filter((guard) => guard.on && guard.stage === stage);
}

const pass = { pass: true } as const;

/** What soft keyboards, input methods and dead keys are named: there is nothing to decide by. */
const namelessKeys = ['Unidentified', 'Process', 'Dead'];

/** A key that no guard was told to let pass is stopped, unless it is a character that its rule lets stand. */
export function decideKey(guards: readonly Guard[], press: KeyPress): GuardDecision {
  if (namelessKeys.includes(press.key)) return pass;
  const isCharacter = !press.isShortcut && Array.from(press.key).length === 1;
  const stopping = activeAt(guards, 'key').find((guard) => {
    const named = guard.keys ?? [];
    if (press.isShortcut ? named.includes('Shortcut') : named.includes(press.key)) return false;
    return !isCharacter || !letsKey(guard, press);
  });
  return stopping ? { pass: false, guard: stopping.id } : pass;
}

function letsKey(guard: Guard, { key, newText }: KeyPress): boolean {
  if (guard.kind === 'allow') return isInSet(guard.set, key);
  if (guard.kind === 'deny') return !isInSet(guard.set, key);
  // A pattern on keys is held against the key itself: that is what such handlers do.
  return mayStand(guard, guard.kind === 'pattern' ? key : newText);
}

/**
 * Asks the guards of the stage *before insert*, in order; the first that refuses decides. Taking text away is never
 * refused: a person must always be able to go back.
 */
export function decideBeforeInsert(guards: readonly Guard[], edit: PendingEdit): GuardDecision {
  if (edit.inserted === '') return pass;
  const refusing = activeAt(guards, 'before insert').find((guard) => {
    // What stood there before is not this edit's fault.
    const asked = guard.kind === 'allow' || guard.kind === 'deny' ? edit.inserted : edit.newText;
    return !mayStand(guard, asked);
  });
  return refusing ? { pass: false, guard: refusing.id } : pass;
}

/** Rounds after which rewriting is taken to go on for ever. */
const mostRounds = 20;

/** What the guards of the stage *after input* make of a text; they run in order, again and again until nothing changes. */
export function rewriteAfterInput(guards: readonly Guard[], old: SelectedText, now: SelectedText): Rewriting {
  return rewrite(activeAt(guards, 'after input'), old, now);
}

/** What the guards of the stage *on leaving* make of a text. @param old the text when the field got the focus */
export function rewriteOnLeaving(guards: readonly Guard[], old: SelectedText, now: SelectedText): Rewriting {
  return rewrite(activeAt(guards, 'on leaving'), old, now);
}

function rewrite(guards: readonly Guard[], old: SelectedText, now: SelectedText): Rewriting {
  const grows = now.text.length >= old.text.length;
  const by: string[] = [];
  let text: string = now.text;
  let wentBack = false;
  for (let round = 0; ; round++) {
    const before = text;
    for (const guard of guards) {
      const next = rewritten(guard, text, old.text, grows);
      if (next === text) continue;
      if (round === mostRounds) return { ...now, by: [], endless: guard.id };
      if (!by.includes(guard.id)) by.push(guard.id);
      wentBack = remedyOf(guard) === 'go back';
      text = next;
    }
    if (text === before) break;
  }
  const { start, end } = wentBack && text === old.text ? old : movedTo(text, now);
  return { text, start, end, by, endless: null };
}

function movedTo(text: string, now: SelectedText): SelectedText {
  if (text === now.text) return now;
  const start = caretAfterRewrite(now.text, now.start, text);
  return { text, start, end: now.end === now.start ? start : caretAfterRewrite(now.text, now.end, text) };
}

function rewritten(guard: Guard, text: string, old: string, grows: boolean): string {
  switch (remedyOf(guard)) {
    case 'mend':
      return mended(guard, text, grows);
    case 'go back':
      return (guard.stage === 'on leaving' ? holds(guard, text) : mayStand(guard, text)) ? text : old;
    case 'refuse':
      return text;
  }
}

/** The first guard, in order, whose rule the text does not hold to when it is to be sent; null when all agree. */
export function refusesToSend(guards: readonly Guard[], text: string): Guard | null {
  return guards.find((guard) => guard.on && isStrict(guard) && !holds(guard, text)) ?? null;
}
