import type { Stroke } from '../script/stroke';
import type { Tapped } from './tapping';

/** Most words that are proposed at once. */
const most = 3;

/** The word that is being typed: what stands between the caret and the last character that is no letter. */
export function wordBefore(before: string): string {
  return /[\p{L}\p{M}\p{N}'’]*$/u.exec(before)?.[0] ?? '';
}

/**
 * Words that a keyboard proposes for the one that is being typed: that one as it is, and those that go on from it. A phone has
 * a dictionary of its own; these are words that the form itself knows, which is enough to see what choosing one brings in.
 * @param before the text before the caret
 * @param texts where words are taken from, the likelier ones first
 */
export function proposals(before: string, texts: readonly string[]): readonly string[] {
  const typed = wordBefore(before);
  if (typed === '') return [];
  const words = texts.flatMap((text) => text.match(/[\p{L}\p{M}'’]{2,}/gu) ?? []);
  const begins = (word: string) => word.slice(0, typed.length).toLowerCase() === typed.toLowerCase();
  // Large and small as the person has begun.
  const longer = words
    .filter((word) => word.length > typed.length && begins(word))
    .map((word) => typed + word.slice(typed.length));
  return [...new Set([typed, ...longer])].slice(0, most);
}

/** Everything that was done once a proposed word is chosen: the rest of it comes in at once, and a space behind it. */
export function chosen(now: Tapped, word: string, before: string): Tapped {
  const rest = word.slice(wordBefore(before).length);
  const brought: Stroke[] = rest === '' ? [] : [{ kind: 'text', route: 'soft keys', text: rest }];
  return {
    ...now,
    strokes: [...now.strokes, ...brought, { kind: 'key', key: ' ' }],
    layer: null,
    did: null,
  };
}
