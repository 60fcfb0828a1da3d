import type { CharacterSet } from './character-set';
import type { Guard } from './guard';

/** What makes a guard's rule the same one after an edit elsewhere: its kind, and what it is told, as texts. */
export function guardIdentity(guard: Guard): readonly string[] {
  switch (guard.kind) {
    case 'allow':
    case 'deny':
      return [guard.kind, ...membersOf(guard.set)];
    case 'length':
      return [guard.kind, `${guard.most}`, guard.unit];
    case 'decimals':
      return [guard.kind, `${guard.whole ?? ''}`, `${guard.most}`];
    case 'range':
      return [guard.kind, `${guard.min ?? ''}`, `${guard.max ?? ''}`];
    case 'pattern':
      return [guard.kind, guard.match, guard.source];
    // Of a list of words, words come and go.
    case 'words':
      return [guard.kind, guard.sense];
    case 'date':
      return [guard.kind, guard.format];
    case 'check digit':
      return [guard.kind, guard.method];
    case 'case':
      return [guard.kind, guard.to];
    case 'mask':
      return [guard.kind, guard.mask];
  }
}

function membersOf({ classes, own }: CharacterSet): string[] {
  return own === '' ? [...classes] : [...classes, own];
}
