'use client';

import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import type { Sample } from '@/core/guard/sample';
import type { Verdict } from '@/core/guard/verdict';
import type { RuleReport, SampleStanding, SoughtStanding } from '@/core/rules/rule-report';
import { unworkedClause } from '@/core/words/unworked-words';
import type { Replayer } from '@/workers/replayer';
import { useReplay } from '../frame/use-replay';
import { visible } from '../frame/visible-text';
import styles from './rule.module.css';
import { verdictSigns } from './verdict-signs';

/** Most rows that are drawn; the Samples part has them all. */
const mostShown = 200;

type AskStanding = (text: string) => (replayer: Replayer) => Promise<TriedText | null>;

/** The samples under the rule: how far each gets, what would finish it, and where it dies. One lights its way through the rule. */
export function RuleSamples({
  report,
  samples,
  count,
  standingOf,
  lit,
  onLight,
  onAdd,
}: {
  report: RuleReport | null;
  /** The first of them. */
  samples: readonly Sample[];
  /** How many there are. */
  count: number;
  /** Asks how a text that is being typed stands to the rule; one and the same as long as the rule is. */
  standingOf: AskStanding;
  lit: string | null;
  onLight: (text: string | null) => void;
  onAdd: (samples: readonly Sample[]) => void;
}) {
  const [tried, setTried] = useState('');
  const add = (expected: Verdict) => {
    if (tried === '') return;
    onAdd([{ text: tried, expected }]);
    setTried('');
  };
  return (
    <section className={styles.tried} aria-label="Samples under the rule">
      <div className={styles.try}>
        <Input
          size="small"
          className="mono"
          aria-label="Try a text"
          placeholder="try a text: it lights the rule as you type"
          value={tried}
          onChange={(event) => {
            setTried(event.target.value);
            onLight(event.target.value === '' ? null : event.target.value);
          }}
          onPressEnter={() => add('accepted')}
        />
        <Button size="small" disabled={tried === ''} onClick={() => add('accepted')}>
          Should be accepted
        </Button>
        <Button size="small" disabled={tried === ''} onClick={() => add('refused')}>
          Should not
        </Button>
      </div>
      {tried !== '' && <TriedStanding text={tried} standingOf={standingOf} />}
      {samples.length === 0 ? (
        <p className="soft">
          No samples yet. Write texts that should be accepted and some that should not, or add samples from
          the rule.
        </p>
      ) : (
        <ul className={styles.rows}>
          {samples.slice(0, mostShown).map((sample, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: two samples may have the same text
            <li key={`${index} ${sample.text}`}>
              <SampleRow
                sample={sample}
                found={report?.samples[index] ?? null}
                isLit={lit === sample.text}
                onLight={() => onLight(lit === sample.text ? null : sample.text)}
              />
            </li>
          ))}
        </ul>
      )}
      {count > mostShown && (
        <p className="soft">{(count - mostShown).toLocaleString('en-GB')} more in the part Samples.</p>
      )}
    </section>
  );
}

interface TriedText {
  readonly text: string;
  readonly found: SampleStanding;
}

/** How far the text gets that is being typed. */
function TriedStanding({ text, standingOf }: { text: string; standingOf: AskStanding }) {
  const ask = useMemo(() => standingOf(text), [standingOf, text]);
  const [trying] = useReplay(ask);
  // An answer about the text as it was is none; its row stays, so that nothing below it moves.
  const found = trying.status === 'there' && trying.answer?.text === text ? trying.answer.found : null;
  return (
    <p className={styles.triedStanding} role="status">
      <StandingMark text={text} standing={found?.standing} />
      <span className="soft">{found && standingWords(found)}</span>
    </p>
  );
}

function SampleRow({
  sample: { text, expected },
  found,
  isLit,
  onLight,
}: {
  sample: Sample;
  found: SampleStanding | null;
  isLit: boolean;
  onLight: () => void;
}) {
  const standing = found?.standing;
  const verdict = standing?.verdict;
  const isSurprise =
    verdict !== undefined &&
    verdict !== 'not worked out' &&
    (verdict === 'accepted') !== (expected === 'accepted');
  const side =
    found === null ||
    found.wasAccepted === null ||
    verdict === 'not worked out' ||
    found.wasAccepted === (verdict === 'accepted')
      ? null
      : verdict === 'accepted'
        ? '→'
        : '←';
  return (
    <button type="button" className={styles.sampleRow} aria-pressed={isLit} onClick={onLight}>
      <StandingMark text={text} standing={standing} />
      <span className={isSurprise ? styles.surprise : 'soft'}>
        {side && `${side} `}
        {found && standingWords(found)}
        {isSurprise && `, expected ${expected}`}
      </span>
    </button>
  );
}

/** How far a text gets: what is struck out was never reached, what is dotted would finish it. */
function StandingMark({ text, standing }: { text: string; standing: SoughtStanding | undefined }) {
  return (
    <>
      <span aria-hidden="true" data-verdict={standing?.verdict}>
        {standing ? verdictSigns[standing.verdict] : '·'}
      </span>
      <span className="mono">
        {standing?.verdict === 'refused' && standing.at < text.length ? (
          <>
            {visible(text.slice(0, standing.at))}
            <s>{visible(text.slice(standing.at))}</s>
          </>
        ) : (
          visible(text)
        )}
        {standing?.verdict === 'unfinished' && <span className={styles.rest}>{visible(standing.rest)}</span>}
      </span>
    </>
  );
}

function standingWords({ standing, searched, together }: SampleStanding): string {
  return [
    standing.verdict === 'not worked out'
      ? `not worked out: ${unworkedClause(standing.why)}`
      : standing.verdict,
    searched ? ', as far as was tried' : '',
    together ? `; with all rules of the field ${together.verdict}` : '',
  ].join('');
}
