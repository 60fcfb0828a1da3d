'use client';

import { Alert, Button, Drawer, Input, QRCode, Switch, Upload } from 'antd';
import { useId, useState } from 'react';
import { maxDeviceFile } from '@/core/device/device-message';
import { refusedText } from '@/store/read-lines';
import styles from './device-drawer.module.css';
import { download } from './download';
import { type Listening, useDevice } from './use-device';
import { useForm } from './use-form';

/** A phone or tablet that the person has at hand: by a link on the local network, or by a file there and back. */
export function DeviceDrawer({ onClose }: { onClose: () => void }) {
  const { form } = useForm();
  const { listening, fault, listen, stop, open } = useDevice();
  const [name, setName] = useState(listening?.name ?? 'My phone');
  const [said, setSaid] = useState<{ readonly isBad: boolean; readonly text: string } | null>(null);
  const id = useId();
  const isNamed = name.trim() !== '';
  const bad = (text: string) => setSaid({ isBad: true, text });
  return (
    <Drawer open title="A real device" size={480} onClose={onClose}>
      <div className={styles.name}>
        <label htmlFor={id}>Its name in the line-up</label>
        <Input
          id={id}
          value={name}
          maxLength={60}
          disabled={listening !== null}
          onChange={(event) => setName(event.target.value)}
        />
      </div>
      <h3>By a link</h3>
      <p className={styles.switch}>
        <Switch
          aria-label="Listen on the local network"
          checked={listening !== null}
          disabled={!isNamed}
          onChange={(on) => (on ? listen(name.trim()) : stop())}
        />
        <span aria-hidden="true">Listen on the local network</span>
      </p>
      <p className="soft">
        While this is on, one device on your network can open one page: this form, with a script that asks the
        browser and notes what you type. Nothing else of Ukko can be reached. It goes off when you switch it
        off, close Ukko, or after an hour.
      </p>
      {fault && <Alert type="error" role="alert" title={fault} className={styles.alert} />}
      {listening?.address && <Link listening={listening} address={listening.address} />}
      <h3>By a file</h3>
      <p className="soft">
        Carry the page over, open it on the device, type, save its answers there, and carry them back.
      </p>
      <div className={styles.files}>
        <Button
          onClick={async () => {
            const why = await savePage(form.name, form.markup);
            if (why) bad(why);
          }}
        >
          Save the page…
        </Button>
        <Upload
          accept=".json"
          showUploadList={false}
          disabled={!isNamed}
          beforeUpload={async (file) => {
            if (file.size > maxDeviceFile) {
              bad('The file is larger than 64 MB. Ask the device about fewer fields at a time.');
              return Upload.LIST_IGNORE;
            }
            const taken = await open(name.trim(), await file.text());
            if (typeof taken === 'string') bad(taken);
            else setSaid({ isBad: false, text: `${taken} answers of ${name.trim()} joined the line-up.` });
            return Upload.LIST_IGNORE;
          }}
        >
          <Button disabled={!isNamed}>Open its answers…</Button>
        </Upload>
      </div>
      {said && (
        <Alert
          type={said.isBad ? 'error' : 'success'}
          role={said.isBad ? 'alert' : 'status'}
          title={said.text}
          className={styles.alert}
        />
      )}
    </Drawer>
  );
}

function Link({ listening, address }: { listening: Listening; address: string }) {
  const { state, answers, last, name, onNetwork } = listening;
  return (
    <div className={styles.link}>
      <QRCode
        value={address}
        size={168}
        type="svg"
        color="#000"
        bgColor="#fff"
        aria-label={`QR code of ${address}`}
      />
      <div>
        <p className={styles.address}>
          <code>{address}</code>
        </p>
        <p className="soft">
          {onNetwork
            ? 'It works once, for the first device that opens it.'
            : 'This machine is on no network: only it can open the address.'}
        </p>
        <p role="status">
          {state === 'waiting' && 'Nobody has opened it yet.'}
          {state === 'open' &&
            (answers === 0
              ? 'Opened. Waiting for its first answers…'
              : `${answers} answers, the last about ${last}.`)}
          {state === 'silent' &&
            `${name} has been silent for some seconds: its page was closed, or its screen is off. Its ${answers} answers are kept.`}
        </p>
      </div>
    </div>
  );
}

/** @returns why there is no page, or null */
async function savePage(form: string, markup: string): Promise<string | null> {
  try {
    const response = await fetch('/api/devices/page', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ form, markup }),
    });
    if (!response.ok) return refusedText(response, 'The page could not be made. Reload Ukko and try again.');
    download(await response.text(), 'device-page.html', 'text/html');
    return null;
  } catch {
    return 'The server stopped answering. Start it again with “npm run demo”, then save the page.';
  }
}
