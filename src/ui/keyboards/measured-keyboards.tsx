'use client';

import { Button } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Guard } from '@/core/guard/guard';
import type { Field } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import {
  isTappable,
  type KeyboardNews,
  type KeyboardQuestion,
  type PhoneEngine,
  phoneEngines,
} from '@/core/keyboard/keyboard-question';
import type { Trap } from '@/core/keyboard/trap';
import { type UnheardKey, unheardKey } from '@/core/keyboard/unheard-key';
import { untold } from '@/core/questions/keyboard/facts';
import { answerTo } from '@/core/run/answers';
import { type TargetId, targetId } from '@/core/target/target';
import { failureText } from '@/core/words/failure-words';
import { guardName } from '@/core/words/guard-words';
import { hearNews } from '@/store/server-news';
import type { Replayer } from '@/workers/replayer';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useConfirmedForm } from '../frame/use-confirmed-form';
import { useForm } from '../frame/use-form';
import { useKeepAnswers } from '../frame/use-keep-answers';
import { useReplay } from '../frame/use-replay';
import { useReplayedField } from '../frame/use-replayed-field';
import { useRun } from '../frame/use-run';
import { visible } from '../frame/visible-text';
import { KeyboardFactsShown } from './keyboard-facts-shown';
import styles from './keyboards.module.css';
import { TrapNote } from './trap-note';

const titles: Readonly<Record<PhoneEngine, string>> = {
  chromium: 'Chromium on Linux',
  firefox: 'Firefox on Linux',
  webkit: 'WebKit on Linux',
};

type Asked =
  | { readonly status: 'asking'; readonly done: number; readonly total: number; readonly next: string }
  | { readonly status: 'failed'; readonly reason: string };

/** The real engines of this machine, each on a phone-sized display with a real on-screen keyboard. */
export function MeasuredKeyboards({ field, guards }: { field: Field; guards: readonly Guard[] }) {
  const { form, reading } = useForm();
  const confirmed = useConfirmedForm();
  const { run, answers } = useRun();
  const keepAnswers = useKeepAnswers();
  const [asked, setAsked] = useState<Readonly<Partial<Record<PhoneEngine, Asked | undefined>>>>({});
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const isAsking = Object.values(asked).some((one) => one?.status === 'asking');
  const ask = async (engine: PhoneEngine, fields: readonly Field[]) => {
    const asked = await confirmed();
    if (!asked) return;
    const abort = new AbortController();
    running.current = abort;
    const say = (one: Asked | undefined) => setAsked((before) => ({ ...before, [engine]: one }));
    const asking = (done: number) =>
      say({ status: 'asking', done, total: fields.length, next: fields[done]?.label ?? '' });
    asking(0);
    let done = 0;
    const [only] = fields;
    const question: KeyboardQuestion = {
      markup: asked.markup,
      field: fields.length === 1 && only ? only.id : null,
      engine,
      page: asked.page ?? null,
    };
    const reason = await hearNews<KeyboardNews>('/api/keyboards', question, abort.signal, async (news) => {
      if (news.type === 'failed') return failureText(news.failure);
      await keepAnswers([news.observation], [news.picture]);
      asking(++done);
      return null;
    });
    say(reason === null || abort.signal.aborted ? undefined : { status: 'failed', reason });
  };
  const traps = useLayoutTraps(field, guards);
  const tappable = reading.fields.filter(isTappable);
  const card = (engine: PhoneEngine) => {
    const one = asked[engine];
    const known = answerTo(answers, 'keyboard', targetId(engine), field.id);
    const facts = known?.outcome.status === 'answered' ? known.outcome.facts : null;
    return (
      <article key={engine} className={styles.card} aria-label={titles[engine]}>
        <header className={styles.head}>
          <ProvenanceMark mark="measured" /> <strong>{titles[engine]}</strong>
          <span className={styles.brings}>
            A real engine and a real keyboard of Linux; not those of another maker’s phone.
          </span>
        </header>
        {one?.status === 'asking' ? (
          <p className={styles.picker} role="status">
            {one.done === 0
              ? `Starting ${titles[engine].replace(' on Linux', '')} on a phone-sized display and tapping ${one.next}…`
              : `${one.done} of ${one.total} asked, tapping ${one.next}…`}{' '}
            <Button size="small" onClick={() => running.current?.abort()}>
              Cancel
            </Button>
          </p>
        ) : (
          <p>
            <Button size="small" disabled={isAsking} onClick={() => void ask(engine, [field])}>
              {facts ? 'Ask again' : 'Ask'}
            </Button>{' '}
            <Button size="small" disabled={isAsking} onClick={() => void ask(engine, tappable)}>
              Ask for all fields
            </Button>
          </p>
        )}
        {one?.status === 'failed' && (
          <p className={styles.bad} role="alert">
            {one.reason}
          </p>
        )}
        {known && facts && one?.status !== 'asking' && (
          <>
            {run?.form.markup !== form.markup && (
              <p className={styles.bad}>The form was changed after this was asked.</p>
            )}
            <UnheardNote unheard={unheardKey(guards, facts.tapped)} />
            <TrapNote trap={traps.find(([target]) => target === targetId(engine))?.[1] ?? null} />
            <KeyboardFactsShown facts={facts} provenance={known.provenance} label={field.label} />
          </>
        )}
      </article>
    );
  };
  return <div className={styles.measured}>{phoneEngines.map(card)}</div>;
}

/** A guard that hears nothing of what a finger taps here. */
function UnheardNote({ unheard }: { unheard: UnheardKey | null }) {
  if (!unheard) return null;
  return (
    <p className={styles.trap}>
      “{guardName(unheard.guard)}” goes by keydown. Of{' '}
      <kbd className={styles.lacked}>{visible(unheard.key)}</kbd> the page heard none that names it:{' '}
      {unheard.heard.join(', ')}.
    </p>
  );
}

const noTraps: readonly (readonly [TargetId, Trap | null])[] = [];

/** What the layouts that really came up cannot produce of what the field’s rule accepts. */
function useLayoutTraps(field: Field, guards: readonly Guard[]) {
  const { form } = useForm();
  const of = useReplayedField(field);
  const { answers } = useRun();
  const samples = ownEntry(form.typing, field.id)?.samples ?? '';
  const layouts = phoneEngines.flatMap((engine) => {
    const outcome = answerTo(answers, 'keyboard', targetId(engine), field.id)?.outcome;
    const layout = outcome?.status === 'answered' ? outcome.facts.layout : null;
    return layout && layout !== untold ? [[targetId(engine), layout] as const] : [];
  });
  const told = JSON.stringify(layouts);
  const ask = useCallback(
    ({ work }: Replayer) => work.layoutTraps(of, guards, samples, JSON.parse(told) as [TargetId, string][]),
    [of, guards, samples, told],
  );
  const [replaying] = useReplay(ask);
  return replaying.status === 'there' ? replaying.answer : noTraps;
}
