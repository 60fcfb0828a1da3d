'use client';

import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { Field } from '@/core/form/field';
import {
  type KeyboardMeasurement,
  type KeyboardQuestion,
  type PhoneEngine,
  phoneEngines,
} from '@/core/keyboard/keyboard-question';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import styles from './keyboards.module.css';

const titles: Readonly<Record<PhoneEngine, string>> = {
  chromium: 'Chromium on Linux',
  firefox: 'Firefox on Linux',
  webkit: 'WebKit on Linux',
};

type Asked =
  | { readonly status: 'asking' }
  | { readonly status: 'there'; readonly measurement: KeyboardMeasurement; readonly markup: string }
  | { readonly status: 'failed'; readonly reason: string };

/** The real engines of this machine, each on a phone-sized display with a real on-screen keyboard. */
export function MeasuredKeyboards({ field }: { field: Field }) {
  const { form } = useForm();
  const [asked, setAsked] = useState<Readonly<Partial<Record<PhoneEngine, Asked | undefined>>>>({});
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const isAsking = Object.values(asked).some((one) => one?.status === 'asking');
  const ask = async (engine: PhoneEngine) => {
    const abort = new AbortController();
    running.current = abort;
    const say = (one: Asked | undefined) => setAsked((before) => ({ ...before, [engine]: one }));
    const before = asked[engine];
    say({ status: 'asking' });
    const answer = await askServer({ markup: form.markup, field: field.id, engine }, abort.signal);
    say(answer ?? before);
  };
  const card = (engine: PhoneEngine) => {
    const one = asked[engine];
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
              {one?.status === 'there' ? 'Ask again' : 'Ask'}
            </Button>
          </p>
        )}
        {one?.status === 'failed' && (
          <p className={styles.bad} role="alert">
            {one.reason}
          </p>
        )}
        {one?.status === 'there' && (
          <Measured measurement={one.measurement} isStale={one.markup !== form.markup} label={field.label} />
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
      : { status: 'there', measurement: body, markup: question.markup };
  } catch {
    if (signal.aborted) return null;
    return {
      status: 'failed',
      reason: 'The server stopped answering. Start it again with “npm run demo”, then ask again.',
    };
  }
}

function Measured({
  measurement: { engine, version, measured, picture },
  isStale,
  label,
}: {
  measurement: KeyboardMeasurement;
  isStale: boolean;
  label: string;
}) {
  const { asked, layout, height, fieldInSight, tapped } = measured;
  const facts: readonly (readonly [string, string, boolean?])[] = [
    ['engine asked for', asked ? [asked.purpose, ...asked.hints].join(', ') : 'nothing'],
    ['layout that came up', layout ?? 'none'],
    [
      'page',
      height.before === height.with
        ? `stays ${height.before} px high`
        : `${height.before} to ${height.with} px`,
    ],
    ['field', fieldInSight ? 'still in sight' : 'out of sight', !fieldInSight],
    ['first key tapped', tapped === null ? 'there was none' : tapped.map(tapText).join(', ') || 'no event'],
  ];
  return (
    <>
      {isStale && <p className={styles.bad}>The form was changed after this was asked.</p>}
      {/* biome-ignore lint/performance/noImgElement: the picture is data, not a file to be optimized */}
      <img
        className={styles.phonePicture}
        src={`data:image/png;base64,${picture.data}`}
        width={picture.width / 2}
        height={picture.height / 2}
        alt={`${label} with the keyboard in ${engine}`}
      />
      <dl className={styles.facts}>
        {facts.map(([name, value, isBad]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd className={isBad ? styles.bad : undefined}>{value}</dd>
          </div>
        ))}
        <div>
          <dt>version</dt>
          <dd>
            {engine} {version}
          </dd>
        </div>
      </dl>
    </>
  );
}

function tapText({
  type,
  key,
  data,
}: NonNullable<KeyboardMeasurement['measured']['tapped']>[number]): string {
  const what = key ?? data;
  return what === null || what === undefined || what === '' ? type : `${type} ${what}`;
}
