import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { FormReading } from '@/core/html/field';
import { inPeoplesLanguage } from '@/core/html/peoples-language';
import { readForm } from '@/core/html/read-form';
import { isLongMarkup, readLong } from '@/workers/markup-reader';

/**
 * What markup is, read at once where it is short; null as long as a worker reads it.
 *
 * @param language of people, where the markup states none
 */
export function useReading(markup: string | null, language?: string): FormReading | null {
  const reading = useWrittenReading(markup);
  return reading && inPeoplesLanguage(reading, language);
}

function useWrittenReading(markup: string | null): FormReading | null {
  const [far, setFar] = useState<{ readonly markup: string; readonly reading: FormReading } | null>(null);
  const isLong = markup !== null && isLongMarkup(markup);
  const near = useMemo(() => (markup === null || isLong ? null : readForm(markup)), [markup, isLong]);
  const wanted = useRef<string | null>(null);
  const isReading = useRef(false);
  useEffect(() => {
    wanted.current = isLong ? markup : null;
    if (isReading.current) return;
    const read = async () => {
      isReading.current = true;
      try {
        // What was written over before it was read is not read.
        for (let next = wanted.current; next !== null; next = wanted.current) {
          const reading = await readLong(next);
          if (wanted.current !== next) continue;
          // A whole page is drawn by it: in pieces, between which it answers.
          startTransition(() => setFar({ markup: next, reading }));
          wanted.current = null;
        }
      } finally {
        isReading.current = false;
      }
    };
    void read();
  }, [markup, isLong]);
  return near ?? (far !== null && far.markup === markup ? far.reading : null);
}
