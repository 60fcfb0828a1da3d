import type { MarkupNote, Span } from '../html/field';
import { type NoteFact, type NoteKind, noteKinds } from '../html/markup-note';

/** A note on the markup as people read it; `line` counts from 1. */
export interface ToldNote {
  readonly kind: NoteKind;
  readonly text: string;
  readonly line: number;
  readonly span: Span;
}

export function toldNote(note: MarkupNote): ToldNote {
  const { line, span } = note;
  return { kind: noteKinds[note.code], text: noteText(note), line, span };
}

function noteText(fact: NoteFact): string {
  switch (fact.code) {
    case 'script':
      return 'Ukko keeps this script in the markup and does not run it.';
    case 'base address':
      return 'Ukko keeps this base address in the markup and does not follow it.';
    case 'linked resource':
      return 'Ukko keeps this link in the markup and does not load it.';
    case 'meta instruction':
      return 'Ukko keeps this meta element in the markup and does not follow it.';
    case 'event handler':
      return `Ukko keeps the script in ${fact.attribute} and does not run it.`;
    case 'script address':
      return `Ukko keeps the script address in ${fact.attribute} and does not run it.`;
    case 'resource':
      return `Ukko does not load what ${fact.attribute} refers to.`;
    case 'unknown attribute':
      return `Ukko does not know the attribute ${fact.attribute} and keeps it.`;
    case 'template':
      return 'A template is kept and not drawn.';
    case 'custom element':
      return `Ukko keeps the custom element ${fact.element} and does not run its script.`;
    case 'too deep':
      return `The markup is nested more than ${fact.most} elements deep. Ukko reads it up to here. Close what is left open, or paste the form alone.`;
    case 'too many elements':
      return `The markup has more than ${fact.most.toLocaleString('en-GB')} elements and texts. Ukko reads it up to here. Paste the form alone.`;
    case 'parse error':
      return fact.error === 'missing-doctype'
        ? 'The page has no doctype. Ukko adds one, so that engines do not draw it in quirks mode.'
        : `Parse error: ${fact.error.replaceAll('-', ' ')}.`;
  }
}
