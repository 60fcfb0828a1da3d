import { useEffect, useMemo, useState } from 'react';
import type { FormReading } from '@/core/form/field';
import { readForm } from '@/core/form/read-form';
import { isLongMarkup, markupReader } from '@/workers/markup-reader';

/** What markup is, read at once where it is short; null as long as a worker reads it. */
export function useReading(markup: string | null): FormReading | null {
  const [far, setFar] = useState<{ readonly markup: string; readonly reading: FormReading } | null>(null);
  const isLong = markup !== null && isLongMarkup(markup);
  const near = useMemo(() => (markup === null || isLong ? null : readForm(markup)), [markup, isLong]);
  useEffect(() => {
    if (markup === null || !isLong) return;
    let left = false;
    void markupReader()
      .readForm(markup)
      .then((reading) => {
        if (!left) setFar({ markup, reading });
      });
    return () => {
      left = true;
    };
  }, [markup, isLong]);
  return near ?? (far !== null && far.markup === markup ? far.reading : null);
}
