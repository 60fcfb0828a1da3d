import type { AccessibilityFacts, AccessibilityObservation } from '@/core/questions/accessibility/facts';
import { unansweredText } from '@/core/words/reason-words';
import styles from './survey.module.css';

/** What a cell shows under the *accessibility* lens: how assistive technology is told to name the field, and as what. */
export function AccessibilityContent({ told }: { told: AccessibilityObservation | undefined }) {
  if (!told) return <span className={styles.note}>not asked</span>;
  if (told.outcome.status !== 'answered')
    return <span className={styles.note}>{unansweredText(told.outcome)}</span>;
  const { name, role, description } = told.outcome.facts;
  return (
    <>
      {name === '' ? <span className="soft">no name</span> : <span>“{name}”</span>}
      <span className={styles.note}>{[role ?? 'no role', ...statesTold(told.outcome.facts)].join(', ')}</span>
      {description && <span className={styles.note}>described by “{description}”</span>}
    </>
  );
}

/** The states that are told, as words. */
export function statesTold({ required, invalid }: AccessibilityFacts): string[] {
  return [required ? 'required' : '', invalid ? 'invalid' : ''].filter(Boolean);
}
