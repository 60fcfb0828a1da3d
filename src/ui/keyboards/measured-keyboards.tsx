'use client';

import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { Field, FieldId } from '@/core/form/field';
import {
  type KeyboardMeasurement,
  type KeyboardQuestion,
  type PhoneEngine,
  phoneEngines,
} from '@/core/keyboard/keyboard-question';
import { answerTo } from '@/core/observation/answers';
import type { KeyboardObservation } from '@/core/observation/observation';
import type { Picture } from '@/core/observation/picture';
import type { Provenance } from '@/core/observation/provenance';
import { targetId } from '@/core/target/target';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { useKeepAnswers } from '../frame/use-keep-answers';
import { useRun } from '../frame/use-run';
import { KeyboardFactsShown } from './keyboard-facts-shown';
import styles from './keyboards.module.css';

const titles: Readonly<Record<PhoneEngine, string>> = {
  chromium: 'Chromium on Linux',
  firefox: 'Firefox on Linux',
  webkit: 'WebKit on Linux',
};

type Asked =
  | { readonly status: 'asking' }
  | { readonly status: 'there'; readonly measurement: KeyboardMeasurement }
  | { readonly status: 'failed'; readonly reason: string };

/** The real engines of this machine, each on a phone-sized display with a real on-screen keyboard. */
export function MeasuredKeyboards({ field }: { field: Field }) {
  const { form } = useForm();
  const { run, answers, pictures } = useRun();
  const keepAnswers = useKeepAnswers();
  const [asked, setAsked] = useState<Readonly<Partial<Record<PhoneEngine, Asked | undefined>>>>({});
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const isAsking = Object.values(asked).some((one) => one?.status === 'asking');
  const ask = async (engine: PhoneEngine) => {
    const abort = new AbortController();
    running.current = abort;
    const say = (one: Asked | undefined) => setAsked((before) => ({ ...before, [engine]: one }));
    say({ status: 'asking' });
    const answer = await askServer({ markup: form.markup, field: field.id, engine }, abort.signal);
    if (answer?.status === 'there') await keepAnswers(...observed(field.id, engine, answer.measurement));
    say(answer?.status === 'failed' ? answer : undefined);
  };
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
            Starting {titles[engine].replace(' on Linux', '')} on a phone-sized display and tapping{' '}
            {field.label}…{' '}
            <Button size="small" onClick={() => running.current?.abort()}>
              Cancel
            </Button>
          </p>
        ) : (
          <p>
            <Button size="small" disabled={isAsking} onClick={() => void ask(engine)}>
              {facts ? 'Ask again' : 'Ask'}
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
            <KeyboardFactsShown
              facts={facts}
              provenance={known.provenance}
              picture={facts.picture ? pictures.get(facts.picture) : undefined}
              label={field.label}
            />
          </>
        )}
      </article>
    );
  };
  return <div className={styles.measured}>{phoneEngines.map(card)}</div>;
}

/** Null when it was cancelled. */
async function askServer(question: KeyboardQuestion, signal: AbortSignal): Promise<Asked | null> {
  try {
    const response = await fetch('/api/keyboards', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(question),
      signal,
    });
    const body = (await response.json()) as KeyboardMeasurement | { error: string };
    return 'error' in body
      ? { status: 'failed', reason: body.error }
      : { status: 'there', measurement: body };
  } catch {
    if (signal.aborted) return null;
    return {
      status: 'failed',
      reason: 'The server stopped answering. Start it again with “npm run demo”, then ask again.',
    };
  }
}

/** What was measured, as an answer to keep. */
function observed(
  field: FieldId,
  engine: PhoneEngine,
  measurement: KeyboardMeasurement,
): [readonly [KeyboardObservation], readonly [Picture]] {
  const provenance: Provenance = {
    mark: 'measured',
    engine: measurement.engine,
    version: measurement.version,
    protocol: 'a finger, on a phone-sized display with a real on-screen keyboard',
    unable: [],
  };
  const outcome = { status: 'answered', facts: measurement.measured } as const;
  const asked = { field, target: targetId(engine), provenance, at: new Date().toISOString() };
  return [[{ ...asked, question: 'keyboard', outcome }], [measurement.picture]];
}
