'use client';

import { useMemo } from 'react';
import type { Field } from '@/core/html/field';
import { bringsText, comesUp } from '@/core/keyboard/comes-up';
import { correctedHabits } from '@/core/keyboard/correction';
import { traitsOf } from '@/core/keyboard/input-traits';
import { type KeyboardObservation, untold } from '@/core/questions/keyboard/facts';
import type { TargetId } from '@/core/target/target';
import { unansweredText } from '@/core/words/reason-words';
import { useCorrections } from '../frame/use-corrections';
import { useTypedLanguage } from '../frame/use-typed-language';
import styles from './survey.module.css';

/** What a cell shows under the *keyboard* lens: what a real keyboard did, or else what the model says comes up. */
export function KeyboardContent({
  known,
  field,
  target,
}: {
  known: KeyboardObservation | undefined;
  field: Field;
  target: TargetId;
}) {
  if (!known) return <Modelled field={field} target={target} />;
  if (known.outcome.status !== 'answered')
    return <span className={styles.note}>{unansweredText(known.outcome)}</span>;
  const { layout, height, fieldInSight } = known.outcome.facts;
  return (
    <>
      <span>{layout === untold ? 'a keyboard of its own' : (layout ?? 'no keyboard')}</span>
      <span className={styles.note}>
        {height.before === height.with ? 'page stays' : `page ${height.before} to ${height.with} px`}
        {!fieldInSight && ', field out of sight'}
      </span>
    </>
  );
}

function Modelled({ field, target }: { field: Field; target: TargetId }) {
  const language = useTypedLanguage(field);
  const corrections = useCorrections();
  const up = useMemo(() => {
    const habits = correctedHabits(target, corrections);
    return habits && field.kind !== 'widget' && comesUp(habits, traitsOf(field), language);
  }, [field, target, language, corrections]);
  if (!up) return <span className={styles.note}>not asked</span>;
  return (
    <>
      <span title={up.known.source}>{bringsText(up.brings)}</span>
      <span className={styles.note}>{up.known.sure}</span>
    </>
  );
}
