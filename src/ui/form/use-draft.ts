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
  const written = useRef(new Set<string>());
  const came = useRef(value);
  useEffect(() => {
    if (value === came.current) return;
    came.current = value;
    // An earlier letter of the draft arrived, and the later ones will.
    if (value !== draft && written.current.has(value)) return;
    written.current.clear();
    setDraft(null);
  }, [value, draft]);
  return [
    draft ?? value,
    (text) => {
      written.current.add(text);
      setDraft(text);
      write(text);
    },
  ];
}
