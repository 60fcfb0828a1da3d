'use client';

import { Alert, Button, Input, Modal, Radio, Spin } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { pageAsRead } from '@/core/document/own-page';
import { formatSteps, type PageStep, readSteps } from '@/core/document/page-steps';
import type { FormFound, PageRead } from '@/core/page/page-sight';
import { failureText } from '@/core/words/failure-words';
import { stepFaultText } from '@/core/words/page-fault-words';
import { openDatabase } from '@/store/database';
import { newForm } from '@/store/forms';
import { readPage } from '@/store/read-page';
import { trustPage } from '@/store/trusted-pages';
import { markupReader } from '@/workers/markup-reader';
import styles from './own-page.module.css';
import { PageSightShown } from './page-sight';
import { HeldChoice } from './use-confirmed-form';
import { currentSelection, nothingSelected, selectionQuery, useSelection } from './use-selection';

/** Opens a page on a dev server, and lets the person lead to one of its forms and choose it. */
export function OwnPageDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [, select] = useSelection();
  const [address, setAddress] = useState('');
  const [steps, setSteps] = useState('');
  const [held, setHeld] = useState(false);
  const [read, setRead] = useState<CountedRead | null>(null);
  const [chosen, setChosen] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  const reading = useRef<AbortController | null>(null);
  const [isReading, setReading] = useState(false);
  useEffect(() => () => reading.current?.abort(), []);

  const look = async (withSteps = steps) => {
    const written = readSteps(withSteps);
    if (written.status === 'fault') {
      setFault(`Line ${written.line}: ${stepFaultText(written.fault)}`);
      return;
    }
    reading.current?.abort();
    const controller = new AbortController();
    reading.current = controller;
    setFault(null);
    setReading(true);
    const outcome = await readPage({ address: address.trim(), steps: withSteps, held }, controller.signal);
    const counted = outcome.status === 'read' ? await withCounts(outcome) : null;
    if (controller.signal.aborted) return;
    setReading(false);
    if (outcome.status === 'fault') setFault(failureText(outcome.failure));
    if (!counted) return;
    setRead(counted);
    setChosen(largest(counted.forms));
  };
  const cancel = () => {
    reading.current?.abort();
    setReading(false);
  };
  const record = (step: PageStep) => {
    const longer = `${steps.trimEnd()}${steps.trim() === '' ? '' : '\n'}${formatSteps([step])}`;
    setSteps(longer);
    void look(longer);
  };
  const take = async () => {
    const form = read?.forms[chosen];
    if (!form) return;
    const place = { address: address.trim(), form: chosen, steps, ...(held && { held }) };
    const page = pageAsRead(place, form);
    await trustPage(openDatabase(), page);
    const id = await newForm(openDatabase(), form.markup, form.title, {}, page);
    select({ ...nothingSelected, form: id });
    router.push(`/form${selectionQuery(currentSelection())}`);
    onClose();
  };
  const rewrite = (change: () => void) => {
    cancel();
    change();
    setRead(null);
    setFault(null);
  };
  return (
    <Modal
      open
      title="Open a page of yours"
      width={834}
      style={{ top: 24 }}
      onCancel={onClose}
      footer={[
        <Button
          key="look"
          type={read ? 'default' : 'primary'}
          disabled={address.trim() === '' || isReading}
          onClick={() => void look()}
        >
          Find its forms
        </Button>,
        <Button
          key="take"
          type={read ? 'primary' : 'default'}
          disabled={!read || read.forms.length === 0 || isReading}
          onClick={() => void take()}
        >
          Test this form
        </Button>,
      ]}
    >
      <div className={styles.dialog}>
        <div>
          <label htmlFor="own-page-address">Address on this machine</label>
          <Input
            id="own-page-address"
            value={address}
            placeholder="http://localhost:5173/log"
            maxLength={2000}
            onChange={({ target }) => rewrite(() => setAddress(target.value))}
            onPressEnter={() => void look()}
          />
        </div>
        <div>
          <label htmlFor="own-page-steps">
            What is done before the form is there, one step a line: write it, or press it in the picture
          </label>
          <Input.TextArea
            id="own-page-steps"
            className="mono"
            value={steps}
            autoSize={{ minRows: 2, maxRows: 4 }}
            maxLength={20_000}
            placeholder={'fill "User" "ada"\nclick "Sign in"'}
            onChange={({ target }) => rewrite(() => setSteps(target.value))}
          />
        </div>
        <HeldChoice isHeld={held} onChange={(now) => rewrite(() => setHeld(now))} />
        {isReading && (
          <p role="status">
            <Spin size="small" /> Opening the page and doing its steps…{' '}
            <Button size="small" onClick={cancel}>
              Cancel
            </Button>
          </p>
        )}
        {fault && <Alert type="error" showIcon title={fault} />}
        {!read && !isReading && !fault && (
          <p className="soft">
            Engines open the page with its own styles and scripts. What it would send is caught and not sent.
          </p>
        )}
        {read && !isReading && <Forms read={read} chosen={chosen} choose={setChosen} />}
        {read?.sight && <PageSightShown sight={read.sight} isBusy={isReading} record={record} />}
      </div>
    </Modal>
  );
}

interface CountedForm extends FormFound {
  readonly fields: number;
}

interface CountedRead extends PageRead {
  readonly forms: readonly CountedForm[];
}

async function withCounts(read: PageRead): Promise<CountedRead> {
  const forms = read.forms.map(
    async (form): Promise<CountedForm> => ({ ...form, fields: await markupReader().fieldCount(form.markup) }),
  );
  return { ...read, forms: await Promise.all(forms) };
}

/** Index of the form that asks the most: what steps lead to is seldom the search field above it. */
function largest(forms: readonly CountedForm[]): number {
  const counts = forms.map(({ fields }) => fields);
  return Math.max(0, counts.indexOf(Math.max(...counts)));
}

const fieldsText = (count: number) => (count === 1 ? 'one field' : `${count} fields`);

function Forms({
  read: { forms },
  chosen,
  choose,
}: {
  read: CountedRead;
  chosen: number;
  choose: (form: number) => void;
}) {
  if (forms.length === 0)
    return (
      <Alert
        type="info"
        showIcon
        title="The page shows no form and no field here. Press in the picture what leads to it."
      />
    );
  return (
    <Radio.Group
      aria-label="Forms of the page"
      value={chosen}
      className={styles.forms}
      options={forms.map((form, value) => ({ value, label: `${form.title} (${fieldsText(form.fields)})` }))}
      onChange={({ target }) => choose(target.value)}
    />
  );
}
