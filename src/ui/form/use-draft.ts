import { useEffect, useRef, useState } from 'react';

/**
 * What a person writes, shown at once and not only when the markup that it goes into was read again. What comes from elsewhere (Undo,
 * another tab) takes its place.
 *
 * @returns what to show, and what takes in what is written
 */
export function useDraft(
  value: string,
  write: (text: string) => void,
): readonly [string, (text: string) => void] {
  const [draft, setDraft] = useState<string | null>(null);
  // The next letter may be written after a value was drawn and before it is taken in here.
  const newest = useRef<string | null>(null);
  const written = useRef(new Set<string>());
  const came = useRef(value);
  useEffect(() => {
    if (value === came.current) return;
    came.current = value;
    // An earlier letter of the draft arrived, and the later ones will.
    if (value !== newest.current && written.current.has(value)) return;
    newest.current = null;
    written.current.clear();
    setDraft(null);
  }, [value]);
  return [
    draft ?? value,
    (text) => {
      newest.current = text;
      written.current.add(text);
      setDraft(text);
      write(text);
    },
  ];
}
