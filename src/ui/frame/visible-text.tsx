import { Fragment, type ReactNode } from 'react';

const shown: Readonly<Record<string, string>> = {
  ' ': '·',
  '\t': '→',
  '\n': '↵',
  '\u00a0': '⍽',
  '\u202f': '⍽',
};

/** How much of a long text is shown, UTF-16 code units. */
const longest = 300;

/** A text under test, or the beginning of a long one: monospaced, invisible characters made visible, an empty one said to be empty. */
export function VisibleText({ text, empty = 'empty' }: { text: string; empty?: string }) {
  if (text === '') return <span className="soft">{empty}</span>;
  return (
    <span className="mono">
      {visible(text.slice(0, longest))}
      {text.length > longest && `… ${text.length.toLocaleString('en-GB')} code units`}
    </span>
  );
}

/** What needs a sign: spaces that have one, and whatever Unicode calls control, format, unassigned or a lone surrogate. */
const unseen = /([ \t\n\u00a0\u202f]|\p{C})/u;

/** Text with signs in place of invisible characters; what is seen anyway stays in as few pieces as can be. */
export function visible(text: string): ReactNode {
  const parts = text.split(unseen);
  if (parts.length === 1) return text;
  return parts.map((part, index) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: the parts of a text have no other name than their place
    <Fragment key={index}>
      {index % 2 === 0 ? part : <span className="unseen">{shown[part] ?? `U+${hex(part)}`}</span>}
    </Fragment>
  ));
}

function hex(character: string): string {
  return (character.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0');
}
