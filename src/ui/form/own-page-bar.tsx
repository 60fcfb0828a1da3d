'use client';

import { App, Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { pageAsRead } from '@/core/document/own-page';
import { failureText } from '@/core/words/failure-words';
import { readPage } from '@/store/read-page';
import { useConfirmedForm } from '../frame/use-confirmed-form';
import { useForm } from '../frame/use-form';
import styles from './form-view.module.css';

/** Where the markup was read from, and a way to read it again. */
export function OwnPageBar() {
  const { form, edit } = useForm();
  const confirmed = useConfirmedForm();
  const { message } = App.useApp();
  const [isReading, setReading] = useState(false);
  const reading = useRef<AbortController | null>(null);
  useEffect(() => () => reading.current?.abort(), []);
  const { page } = form;
  if (!page) return null;
  const again = async () => {
    const { page } = (await confirmed()) ?? {};
    if (!page) return;
    setReading(true);
    const controller = new AbortController();
    reading.current = controller;
    const outcome = await readPage(page, controller.signal);
    if (controller.signal.aborted) return;
    setReading(false);
    const found = outcome.status === 'read' ? outcome.forms[page.form] : null;
    if (outcome.status === 'fault') message.error(failureText(outcome.failure), 8);
    else if (!found) message.error('The page has fewer forms now. Open it again under Files.', 8);
    else {
      edit({ markup: found.markup, page: pageAsRead(page, found) }, 'read again');
      message.success(found.markup === form.markup ? 'The form is as it was.' : 'The form was read again.');
    }
  };
  return (
    <p className={styles.page}>
      <span>
        Read from <span className="mono">{page.address}</span>. Engines open the page itself; an edit here
        makes it markup of its own.
      </span>
      {isReading ? (
        <Button
          size="small"
          onClick={() => {
            reading.current?.abort();
            setReading(false);
          }}
        >
          Cancel
        </Button>
      ) : (
        <Button size="small" onClick={() => void again()}>
          Read again
        </Button>
      )}
    </p>
  );
}
