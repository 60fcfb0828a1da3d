'use client';

import { Button } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Growth } from '@/core/pattern/blow-up';
import { type SlowText, slowText } from '@/core/pattern/slow-text';
import type { Pattern } from '@/core/regexp/pattern';
import type { SlowNews } from '@/core/rules/slow-question';
import { failureText } from '@/core/words/failure-words';
import { hearNews } from '@/store/server-news';
import type { Replayer } from '@/workers/replayer';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useReplay } from '../frame/use-replay';
import { visible } from '../frame/visible-text';
import styles from './rule.module.css';

/** The browser's own matcher is timed: one run of it may never end, ms. */
const longest = 3000;
/** Measuring takes its time: it begins when nothing was typed for a while, ms. */
const rest = 400;

function useRested(value: string): string {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), rest);
    return () => clearTimeout(timer);
  }, [value]);
  return rested;
}

/** A text over which the matcher of this browser takes ever longer, and how long those of the engines take over it. */
export function Slowness({ source, match }: { source: string; match: Pattern['match'] }) {
  const rested = useRested(source);
  const ask = useCallback(({ work }: Replayer) => work.slowness({ source: rested, match }), [rested, match]);
  const [replaying] = useReplay(ask, longest);
  if (rested !== source || replaying.status !== 'there' || !replaying.answer) return null;
  return <Slow key={source} pattern={{ source, match }} growth={replaying.answer} />;
}

function Slow({ pattern, growth: { text, took, grows } }: { pattern: Pattern; growth: Growth }) {
  const { news, fault, isAsking, ask, cancel } = useEngines(pattern, text);
  const [times = 0, ms = 0] = took.at(-1) ?? [];
  return (
    <div className={styles.warning}>
      <p>
        A matcher that tries every way takes very long over{' '}
        <span className="mono">{visible(slowText(text, 8))}</span>: with{' '}
        <span className="mono">{visible(text.again)}</span> repeated {times.toLocaleString('en-GB')} times
        this browser took {Math.round(ms)} ms,{' '}
        {grows === 'doubles'
          ? 'and a few more double that, again and again'
          : 'and twice as many take far more than twice as long'}
        .
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
