'use client';

import { Alert, Button, Input, Modal, Radio, Spin } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { readForm } from '@/core/form/read-form';
import type { FormFound } from '@/core/page/own-page';
import { readSteps } from '@/core/page/page-steps';
import { openDatabase } from '@/store/database';
import { newForm } from '@/store/forms';
import { readPage } from '@/store/read-page';
import { currentSelection, nothingSelected, selectionQuery, useSelection } from './use-selection';

/** Opens a page on a dev server, and lets the person choose which of its forms is under test. */
export function OwnPageDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [, select] = useSelection();
  const [address, setAddress] = useState('');
  const [steps, setSteps] = useState('');
  const [forms, setForms] = useState<readonly FormFound[] | null>(null);
  const [chosen, setChosen] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  const reading = useRef<AbortController | null>(null);
  const [isReading, setReading] = useState(false);
  useEffect(() => () => reading.current?.abort(), []);

  const look = async () => {
    const read = readSteps(steps);
    if (read.status === 'fault') {
      setFault(`Line ${read.line}: ${read.text}`);
      return;
    }
    setFault(null);
    setReading(true);
    const controller = new AbortController();
    reading.current = controller;
    const outcome = await readPage({ address: address.trim(), steps }, controller.signal);
    if (controller.signal.aborted) return;
    setReading(false);
    if (outcome.status === 'fault') setFault(outcome.text);
    else {
      setForms(outcome.forms);
      setChosen(0);
    }
  };
  const take = async () => {
    const form = forms?.[chosen];
    if (!form) return;
    const page = { address: address.trim(), form: chosen, steps };
    const id = await newForm(openDatabase(), form.markup, form.title, {}, page);
    select({ ...nothingSelected, form: id });
    router.push(`/form${selectionQuery(currentSelection())}`);
    onClose();
  };
  const again = () => {
    setForms(null);
    setFault(null);
  };
  return (
    <Modal
      open
      title="Open a page of yours"
      onCancel={onClose}
      footer={
        forms
          ? [
              <Button key="again" onClick={again}>
                Another page
              </Button>,
              <Button key="take" type="primary" onClick={() => void take()}>
                Test this form
              </Button>,
            ]
          : [
              <Button
                key="look"
                type="primary"
                disabled={address.trim() === '' || isReading}
                onClick={() => void look()}
              >
                Find its forms
              </Button>,
            ]
      }
    >
      {forms ? (
        <Radio.Group
          aria-label="Forms of the page"
          value={chosen}
          style={{ display: 'grid', gap: 6, maxHeight: 320, overflow: 'auto' }}
          options={forms.map(({ title, markup }, value) => ({
            value,
            label: `${title} (${readForm(markup).fields.length} fields)`,
          }))}
          onChange={({ target }) => setChosen(target.value)}
        />
      ) : (
        <div style={{ display: 'grid', gap: 10 }}>
          <div>
            <label htmlFor="own-page-address">Address on this machine</label>
            <Input
              id="own-page-address"
              value={address}
              placeholder="http://localhost:5173/log"
              maxLength={2000}
              onChange={({ target }) => setAddress(target.value)}
              onPressEnter={() => void look()}
            />
          </div>
          <div>
            <label htmlFor="own-page-steps">What is done before the form is there, one step a line</label>
            <Input.TextArea
              id="own-page-steps"
              className="mono"
              value={steps}
              rows={4}
              maxLength={20_000}
              placeholder={'fill "User" "ada"\nclick "Sign in"\nwait "New entry"'}
              onChange={({ target }) => setSteps(target.value)}
            />
          </div>
          <p className="soft" style={{ margin: 0 }}>
            Engines open the page with its own styles and scripts. What it would send is caught and not sent.
          </p>
          {isReading && (
            <p role="status" style={{ margin: 0 }}>
              <Spin size="small" /> Opening the page and looking for its forms…
            </p>
          )}
        </div>
      )}
      {fault && <Alert type="error" showIcon title={fault} style={{ marginTop: 10 }} />}
    </Modal>
  );
}
