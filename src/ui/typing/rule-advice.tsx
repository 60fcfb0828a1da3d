'use client';

import { Button, Select } from 'antd';
import type { Guard } from '@/core/guard/guard';
import type { Sample } from '@/core/guard/sample';
import type { Field } from '@/core/html/field';
import type { SourceSpan } from '@/core/pattern/parts';
import { type Purpose, purposes } from '@/core/purpose/purpose';
import type { RuleReport } from '@/core/rules/rule-report';
import { patternWarningWords } from '@/core/words/pattern-warning-words';
import { purposeNames, writingNoteWords } from '@/core/words/purpose-words';
import { unworkedClause } from '@/core/words/unworked-words';
import { visible } from '../frame/visible-text';
import styles from './rule.module.css';
import { Slowness } from './slowness';
import { TextChips } from './text-chips';

/** What is probably not meant, what people enter that is refused, and how it goes together with what acts while one types. */
export function RuleAdvice({
  field,
  report,
  match,
  source,
  purpose,
  onPurpose,
  onSource,
  onPick,
  onAdd,
  onGuard,
}: {
  field: Field;
  report: RuleReport | null;
  match: 'whole' | 'part';
  source: string;
  purpose: Purpose | null;
  onPurpose: (purpose: Purpose | null) => void;
  onSource: (source: string) => void;
  onPick: (span: SourceSpan) => void;
  onAdd: (samples: readonly Sample[]) => void;
  onGuard: (guard: Guard) => void;
}) {
  const accepted = (text: string) => onAdd([{ text, expected: 'accepted' }]);
  const refused = (text: string) => onAdd([{ text, expected: 'refused' }]);
  return (
    <section className={styles.advice} aria-label="What to look at">
      {report?.warnings.map((warning) => {
        const { sort, span, witness, remedy } = warning;
        return (
          <div key={`${sort} ${span?.start}`} className={styles.warning}>
            <p>
              {patternWarningWords(warning)}
              {witness !== null && witness !== '' && (
                <>
                  {' '}
                  <span className="mono">{visible(witness)}</span>{' '}
                  {sort === 'is ignored' ? 'is accepted in some browsers alone' : 'is accepted by it'}.
                </>
              )}
            </p>
            <p className={styles.deeds}>
              {span && (
                <Button size="small" onClick={() => onPick(span)}>
                  Show
                </Button>
              )}
              {remedy !== null && (
                <Button size="small" title={remedy} onClick={() => onSource(remedy)}>
                  Mend
                </Button>
              )}
            </p>
          </div>
        );
      })}
      <Slowness field={field} pattern={{ source, match }} />
      <div className={styles.piece}>
        <div className={styles.pieceHead}>
          <h3>People enter</h3>
          <Select
            size="small"
            aria-label="What people enter here"
            value={purpose ?? ''}
            style={{ width: 210 }}
            options={[
              { value: '', label: 'nothing that is known' },
              ...purposes.map((one) => ({ value: one, label: purposeNames[one] })),
            ]}
            onChange={(one) => onPurpose(one === '' ? null : (one as Purpose))}
          />
        </div>
        {report?.entries && (
          <dl>
            <div>
              <dt>refused, though people mean it</dt>
              <dd>
                <TextChips
                  texts={report.entries.refused.map(({ text }) => text)}
                  notes={report.entries.refused.map(({ note }) => writingNoteWords[note])}
                  empty="none"
                  onPick={accepted}
                />
              </dd>
            </div>
            <div>
              <dt>accepted, though it means nothing</dt>
              <dd>
                <TextChips
                  texts={report.entries.accepted.map(({ text }) => text)}
                  notes={report.entries.accepted.map(({ note }) => writingNoteWords[note])}
                  empty="none"
                  onPick={refused}
                />
              </dd>
            </div>
          </dl>
        )}
      </div>
      {report && source !== '' && (
        <div className={styles.piece}>
          <div className={styles.pieceHead}>
            <h3>While one types</h3>
            {report.lenient !== null && report.lenient !== source && (
              <Button
                size="small"
                title={report.lenient}
                onClick={() =>
                  onGuard({
                    kind: 'pattern',
                    id: crypto.randomUUID(),
                    on: true,
                    stage: 'before insert',
                    source: report.lenient ?? '',
                    match: 'whole',
                  })
                }
              >
                Add the live rule that fits
              </Button>
            )}
          </div>
          <LiveNote report={report} />
          {report.lenient !== null && <p className={`mono ${styles.lenient}`}>{report.lenient}</p>}
        </div>
      )}
      {report?.native?.status === 'known' && source !== '' && (
        <div className={styles.piece}>
          <h3>The browser’s own check besides</h3>
          <dl>
            <div>
              <dt>refused by the browser alone</dt>
              <dd>
                <TextChips texts={report.native.answer.first} empty="none" onPick={refused} />
              </dd>
            </div>
            <div>
              <dt>refused by the rule alone</dt>
              <dd>
                <TextChips texts={report.native.answer.second} empty="none" onPick={accepted} />
              </dd>
            </div>
          </dl>
        </div>
      )}
      {report?.older?.status === 'known' && report.older.answer.relation !== 'equal' && (
        <div className={styles.warning}>
          <p>
            With the older u flag, as in code that has not changed, it reads otherwise. Accepted by one
            reading alone:
          </p>
          <TextChips
            texts={[...report.older.answer.first, ...report.older.answer.second]}
            empty="none"
            onPick={accepted}
          />
        </div>
      )}
      {report?.partial.status === 'known' && report.partial.answer.second.length > 0 && source !== '' && (
        <div className={styles.piece}>
          <h3>
            {match === 'part'
              ? 'It matches a part of the text, so it also accepts'
              : 'Matched against a part of the text, as scripts often do, it would also accept'}
          </h3>
          <TextChips texts={report.partial.answer.second} empty="nothing more" onPick={refused} />
        </div>
      )}
      <p className="soft">{field.label}: a text that is picked here becomes a sample.</p>
    </section>
  );
}

function LiveNote({ report }: { report: RuleReport }) {
  const { live } = report;
  if (live === null) return <p className="soft">No guard acts while one types.</p>;
  if (live.status === 'unknown')
    return <p className="soft">Cannot be told exactly, because {unworkedClause(live.why)}.</p>;
  const { blocked, idle } = live.answer;
  if (!blocked && idle === null)
    return <p>While typing, the guards accept the beginnings of valid values and nothing else.</p>;
  return (
    <>
      {blocked && (
        <p className={styles.fault}>
          <span className="mono">{visible(blocked.value)}</span> is valid and cannot be typed in order: the
          guards stop it at{' '}
          {blocked.beginning === '' ? (
            'nothing at all'
          ) : (
            <span className="mono">{visible(blocked.beginning)}</span>
          )}
          .
        </p>
      )}
      {idle !== null && (
        <p>
          <span className="mono">{visible(idle)}</span> is accepted while typing, though no valid value begins
          with it.
        </p>
      )}
    </>
  );
}
