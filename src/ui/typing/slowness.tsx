'use client';

import { Button } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Field } from '@/core/html/field';
import type { Growth } from '@/core/pattern/blow-up';
import type { SlowPattern } from '@/core/pattern/slow-pattern';
import type { SlowText } from '@/core/pattern/slow-text';
import type { Pattern } from '@/core/regexp/pattern';
import type { SlowNews } from '@/core/rules/slow-question';
import { failureText } from '@/core/words/failure-words';
import { slowPatternWords } from '@/core/words/pattern-claim-words';
import { hearNews } from '@/store/server-news';
import type { Replayer } from '@/workers/replayer';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { visible } from '../frame/visible-text';
import styles from './rule.module.css';

/** A text over which a matcher that tries every way takes too many steps, and how long the engines take over it. */
export function Slowness({ field, pattern }: { field: Field; pattern: Pattern }) {
  const of = useReplayedField(field);
  const { source, match } = pattern;
  const ask = useCallback(({ work }: Replayer) => work.slowness(of, { source, match }), [of, source, match]);
  const [replaying] = useReplay(ask);
  if (replaying.status !== 'there' || !replaying.answer) return null;
  return <Slow key={source} pattern={{ source, match }} slow={replaying.answer} />;
}

function Slow({ pattern, slow }: { pattern: Pattern; slow: SlowPattern }) {
  const { news, fault, isAsking, ask, cancel } = useEngines(pattern, slow.text);
  const { takes, text, piece, counts } = slowPatternWords(slow);
  return (
    <div className={styles.warning}>
      <p>
        A matcher that tries every way {takes} <span className="mono">{visible(text)}</span>.{' '}
        <ProvenanceMark mark="modelled" />{' '}
        <span className="soft">
          <span className="mono">{visible(piece)}</span> {counts.join(' ')}
        </span>
      </p>
      {news.map((one) => (
        <EngineTimes key={one.engine} news={one} />
      ))}
      {fault && (
        <p className={styles.fault} role="alert">
          {fault}
        </p>
      )}
      <p className={styles.deeds}>
        {isAsking ? (
          <>
            <span role="status">{news.length} of 3 engines timed…</span>
            <Button size="small" onClick={cancel}>
              Cancel
            </Button>
          </>
        ) : (
          <Button size="small" onClick={ask}>
            {news.length > 0 ? 'Time it again in the engines' : 'Time it in the engines'}
          </Button>
        )}
      </p>
    </div>
  );
}

const words: Readonly<Record<Growth['grows'], string>> = {
  doubles: 'doubles again and again',
  'with a power': 'grows far faster than the text',
  'in proportion': 'stays in proportion to the text',
};

function EngineTimes({ news }: { news: SlowNews }) {
  if (news.type === 'failed')
    return (
      <p>
        <strong>{news.engine}</strong>: {failureText(news.failure)}
      </p>
    );
  const { engine, version, growth } = news;
  return (
    <p className={styles.engineTimes}>
      <ProvenanceMark mark="measured" /> <strong title={version}>{engine}</strong>: {words[growth.grows]}{' '}
      <span className="soft">
        (
        {growth.took
          .slice(-4)
          .map(
            ([times, ms]) =>
              `${times.toLocaleString('en-GB')} times ${ms < 1 ? 'under 1' : Math.round(ms)} ms`,
          )
          .join(', ')}
        )
      </span>
    </p>
  );
}

function useEngines(pattern: Pattern, text: SlowText) {
  const [news, setNews] = useState<readonly SlowNews[]>([]);
  const [fault, setFault] = useState<string | null>(null);
  const [isAsking, setAsking] = useState(false);
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const ask = async () => {
    const abort = new AbortController();
    running.current = abort;
    setNews([]);
    setFault(null);
    setAsking(true);
    const reason = await hearNews<SlowNews>('/api/patterns', { pattern, text }, abort.signal, (one) => {
      setNews((before) => [...before, one]);
      return null;
    });
    if (!abort.signal.aborted) setFault(reason);
    if (running.current === abort) setAsking(false);
  };
  return { news, fault, isAsking, ask: () => void ask(), cancel: () => running.current?.abort() };
}
