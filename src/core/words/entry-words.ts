import type { EntryRoute, FieldEntry, LeftReason } from '../observation/field-entry';
import type { Sending } from '../questions/submission/facts';
import { reasonText, unsentText } from './reason-words';

const routeTexts: Readonly<Record<EntryRoute, string>> = {
  keys: 'by keys',
  pointer: 'by clicks',
  'file chooser': 'by the file chooser',
  script: 'by a script',
  'already there': 'already there',
};

/** How a value came into a field. */
export function routeText(route: EntryRoute): string {
  return routeTexts[route];
}

/** Why a person cannot enter anything into a field. */
export function leftText(why: LeftReason): string {
  switch (why) {
    case 'read only':
      return 'It is read-only.';
    case 'disabled':
      return 'It is disabled.';
    default:
      return reasonText({ code: why });
  }
}

/** `Filled by keys: 11 · by the file chooser: 1`: how many fields were filled by which route. */
export function routesText(entries: readonly FieldEntry[]): string {
  const counts = new Map<EntryRoute, number>();
  for (const entry of entries)
    if (entry.status === 'entered') counts.set(entry.by, (counts.get(entry.by) ?? 0) + 1);
  const told = [...counts].map(([route, count]) => `${routeText(route)}: ${count}`);
  return told.length === 0 ? 'Nothing could be filled.' : `Filled ${told.join(' · ')}`;
}

/** What came of pressing a button, in one sentence. */
export function sendingText(sending: Sending): string {
  switch (sending.status) {
    case 'sent':
      return 'They are submitted.';
    case 'blocked': {
      const by = sending.heldBy ? 'The page keeps them back' : 'A field blocks them';
      return `${by}${sending.message === null ? '' : `: “${sending.message}”`}.`;
    }
    case 'nothing':
      return unsentText(sending.why);
  }
}
