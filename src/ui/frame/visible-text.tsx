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

/** Text with signs in place of invisible characters; what is read out loud stays the text itself. */
export function visible(text: string): ReactNode {
  return [...text].map((character, index) => {
    const sign = shown[character] ?? (/\p{C}/u.test(character) ? `U+${hex(character)}` : null);
    return (
      // biome-ignore lint/suspicious/noArrayIndexKey: the characters of a text have no other name than their place
      <Fragment key={index}>
        {sign === null ? character : <span style={{ opacity: 0.55 }}>{sign}</span>}
      </Fragment>
    );
  });
}

function hex(character: string): string {
  return (character.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0');
}
