import { Alert, App, Button, Spin } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { Field } from '@/core/html/field';
import { phoneEngines } from '@/core/keyboard/keyboard-question';
import type { RealAnswer, RealSending } from '@/core/page/real-sending';
import type { Target } from '@/core/target/target';
import { failureText } from '@/core/words/failure-words';
import { sendPage } from '@/store/send-page';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useConfirmedForm } from '../frame/use-confirmed-form';
import { useForm } from '../frame/use-form';
import { pictureAddress } from '../frame/use-picture';
import styles from './submission.module.css';

/** Lets an engine press a button of a page of one's own with nothing held back, once a person has said so. */
export function SendForReal({ button, target, filled }: { button: Field; target: Target; filled: boolean }) {
  const { form } = useForm();
  const confirmed = useConfirmedForm();
  const { modal } = App.useApp();
  const [isSending, setSending] = useState(false);
  const [answer, setAnswer] = useState<RealAnswer | null>(null);
  const sending = useRef<AbortController | null>(null);
  useEffect(() => () => sending.current?.abort(), []);
  const { page } = form;
  const engine = phoneEngines.find((name) => target.ask === 'engine' && target.engine === name);
  if (!page || !engine) return null;
  const send = async () => {
    const { page } = (await confirmed()) ?? {};
    if (!page) return;
    const controller = new AbortController();
    sending.current = controller;
    setAnswer(null);
    setSending(true);
    const { markup, language = null } = form;
    const question = { page, markup, language, button: button.id, filled, engine };
    const outcome = await sendPage(question, controller.signal);
    if (controller.signal.aborted) return;
    setSending(false);
    setAnswer(outcome);
  };
  const cancel = () => {
    sending.current?.abort();
    setSending(false);
    setAnswer({ status: 'fault', failure: { code: 'sending cancelled' } });
  };
  const confirm = () =>
    modal.confirm({
      title: `Send “${button.label}” for real?`,
      content: `${target.name} opens ${page.address}, does its steps, ${filled ? 'fills the form in' : 'leaves the form as it is'} and presses “${button.label}”. Your server gets what is sent, and keeps it.`,
      okText: 'Send it',
      onOk: () => void send(),
    });
  return (
    <section aria-label="Sent for real">
      <h2>For real</h2>
      <p className="soft">So far everything was caught. What does your server make of it?</p>
      {isSending ? (
        <p role="status">
          <Spin size="small" /> {target.name} opens the page and presses “{button.label}”…{' '}
          <Button size="small" onClick={cancel}>
            Cancel
          </Button>
        </p>
      ) : (
        <Button onClick={confirm}>Send for real…</Button>
      )}
      {answer?.status === 'fault' && <Alert type="error" showIcon title={failureText(answer.failure)} />}
      {answer?.status === 'sent' && <WhatCame sending={answer.sending} label={button.label} />}
    </section>
  );
}

function WhatCame({ sending, label }: { sending: RealSending; label: string }) {
  const { requests, led, blocked, picture, engine, version, at } = sending;
  return (
    <div className={styles.real}>
      <p className={styles.provenance}>
        <ProvenanceMark mark="measured" /> {engine} {version}, {new Date(at).toLocaleTimeString('en-GB')}
      </p>
      <ul className={styles.came}>
        {blocked && <li>Nothing was sent: the form stops with “{blocked.message}”</li>}
        {requests.map(({ method, url, status, answer }, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: requests have no name, and the list never changes
          <li key={index}>
            <span className="mono">
              {method} {new URL(url).pathname}
            </span>{' '}
            was answered with <b>{status ?? 'nothing'}</b>
            {answer && <pre className={styles.answer}>{answer}</pre>}
          </li>
        ))}
        {led && (
          <li>
            The page leads to <span className="mono">{led.address}</span>
            {led.title && `, “${led.title}”`}
            {led.status !== null && `, with ${led.status}`}
          </li>
        )}
        {!blocked && requests.length === 0 && !led && <li>Nothing was sent, and the page stayed.</li>}
      </ul>
      {picture && (
        // biome-ignore lint/performance/noImgElement: it is data of this browser, there is nothing to optimise
        <img
          className={styles.after}
          src={pictureAddress(picture)}
          width={picture.width / 2}
          height={picture.height / 2}
          alt={`The page after “${label}” was pressed`}
        />
      )}
    </div>
  );
}
