'use client';

import { Button } from 'antd';
import type { Sample } from '@/core/guard/sample';
import type { Relation } from '@/core/pattern/compare-rules';
import type { RuleReport } from '@/core/rules/rule-report';
import { unworkedClause } from '@/core/words/unworked-words';
import styles from './rule.module.css';
import { TextChips } from './text-chips';

const relations: Readonly<Record<Relation, string>> = {
  equal: 'It accepts just what it accepted before.',
  inside: 'It accepts all that it accepted before, and more.',
  around: 'It accepts less than before, and nothing new.',
  overlapping: 'It accepts some texts that were rejected, and rejects some that were accepted.',
  apart: 'It accepts nothing of what it accepted before.',
};

/** What a change of the rule let in and shut out, against the saved one, with the samples that changed sides. */
export function RuleChange({
  report,
  samples,
  saved,
  isChanged,
  onSave,
  onBack,
  onAdd,
}: {
  report: RuleReport | null;
  samples: readonly Sample[];
  saved: string;
  isChanged: boolean;
  onSave: () => void;
  onBack: () => void;
  onAdd: (samples: readonly Sample[]) => void;
}) {
  const changed = report?.changed;
  const sides = changedSides(report, samples);
  return (
    <section className={styles.change} aria-label="What changed">
      <header>
        <h2>What changed</h2>
        <span className="soft" role="status">
          {!isChanged
            ? 'Nothing changed yet. Edit the rule below to see what it newly accepts and rejects.'
            : changed?.status === 'known'
              ? `${report?.rule.status === 'fault' ? 'It does not compile and is ignored. ' : ''}${relations[changed.answer.relation]}`
              : changed
                ? `What it newly accepts and rejects cannot be told exactly, because ${unworkedClause(changed.why)}.`
                : ''}
        </span>
        {isChanged && (
          <span className={styles.deeds}>
            <Button size="small" onClick={onSave}>
              Accept the change
            </Button>
            <Button size="small" title={saved} onClick={onBack}>
              Restore the saved rule
            </Button>
          </span>
        )}
      </header>
      {isChanged && (
        <div className={styles.sides}>
          {changed?.status === 'known' && (
            <>
              <div>
                <h3>newly accepted</h3>
                <TextChips
                  texts={changed.answer.second}
                  empty="nothing"
                  onPick={(text) => onAdd([{ text, expected: 'accepted' }])}
                />
              </div>
              <div>
                <h3>newly rejected</h3>
                <TextChips
                  texts={changed.answer.first}
                  empty="nothing"
                  onPick={(text) => onAdd([{ text, expected: 'refused' }])}
                />
              </div>
            </>
          )}
          <div>
            <h3>samples that changed sides</h3>
            {sides.length === 0 ? (
              <span className="soft">none of {samples.length}</span>
            ) : (
              <ul className={styles.sideList}>
                {sides.slice(0, 6).map(({ text, isIn }) => (
                  <li key={text} data-side={isIn ? 'in' : 'out'}>
                    {isIn ? '→ accepted now' : '← refused now'} <span className="mono">{text}</span>
                  </li>
                ))}
              </ul>
            )}
          </div>
        </div>
      )}
    </section>
  );
}

function changedSides(report: RuleReport | null, samples: readonly Sample[]) {
  return (report?.samples ?? []).flatMap(({ standing, wasAccepted }, index) => {
    const isIn = standing.verdict === 'accepted';
    const text = samples[index]?.text;
    const isKnown = wasAccepted !== null && standing.verdict !== 'not worked out';
    return text === undefined || !isKnown || wasAccepted === isIn ? [] : [{ text, isIn }];
  });
}
