import { useMemo } from 'react';
import type { Field } from '@/core/html/field';
import type { ReplayedField } from '@/workers/replay.worker';
import { useForm } from './use-form';

/** A field as a worker is told of it; another one only when the markup, the field or the language of its people is. */
export function useReplayedField({ id }: Field): ReplayedField {
  const { markup, language } = useForm().form;
  return useMemo(() => ({ markup, language, field: id }), [markup, language, id]);
}
