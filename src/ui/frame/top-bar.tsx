'use client';

import { App, Button, type MenuProps, Select } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { unnamed } from '@/core/html/form-name';
import { provenanceMarks } from '@/core/observation/provenance';
import type { RunId } from '@/core/run/run';
import { targetName } from '@/core/target/line-up';
import { failureText } from '@/core/words/failure-words';
import { figure } from '@/core/words/listed';
import { openDatabase, type StoredRun } from '@/store/database';
import { deleteForm } from '@/store/delete-form';
import { newForm, restoreDemo } from '@/store/forms';
import { isNearlyFull, type Room, room, thinPictures } from '@/store/room';
import { deleteEverything, deleteRun } from '@/store/runs';
import type { TargetProgress } from '@/store/sweep-into-run';
import type { FormExport } from '@/workers/file.worker';
import styles from './frame.module.css';
import { Help } from './help';
import { MenuButton } from './menu-button';
import { ProvenanceMark } from './provenance-mark';
import { sweepTime } from './sweep-time';
import { useDevice } from './use-device';
import { useEngines } from './use-engines';
import { useFileWork } from './use-file-work';
import { useForm } from './use-form';
import { useLineUp } from './use-line-up';
import { useRun } from './use-run';
import { selectionQuery, useSelection } from './use-selection';
import { useSweep } from './use-sweep';

const LineUpDrawer = dynamic(() => import('./line-up-drawer').then((module) => module.LineUpDrawer), {
  ssr: false,
});

const OwnPageDialog = dynamic(() => import('./own-page-dialog').then((module) => module.OwnPageDialog), {
  ssr: false,
});

const DeviceDrawer = dynamic(() => import('./device-drawer').then((module) => module.DeviceDrawer), {
  ssr: false,
});

/** What reads and writes files is large, and seldom needed. */
const files = () => import('./files');
type Files = Awaited<ReturnType<typeof files>>;

export function TopBar({ onFile }: { onFile: (file: File) => void }) {
  const { running, progress, sweep, cancel } = useSweep();
  return (
    <header className={styles.top}>
      <FormChoice />
      <LineUp />
      {running ? (
        <Button onClick={cancel}>Cancel</Button>
      ) : (
        <Button type="primary" onClick={sweep}>
          Sweep
        </Button>
      )}
      <RunChoice />
      <More onFile={onFile} />
      <RoomNote />
      <div className={styles.key}>
        {provenanceMarks.map((mark) => (
          <span key={mark}>
            <ProvenanceMark mark={mark} /> {mark}
          </span>
        ))}
        <Help about="measured, captured, modelled">
          <p>
            <b>Measured</b>: a real engine or a real keyboard on this machine did it.
          </p>
          <p>
            <b>Captured</b>: this browser, a device that you opened, or you yourself did it.
          </p>
          <p>
            <b>Modelled</b>: Ukko computed it. How often the model is right where engines can be asked stands
            beside each such answer.
          </p>
        </Help>
      </div>
      {progress.some((one) => running || one.state === 'failed') && <Progress progress={progress} />}
      <WhatCame />
    </header>
  );
}

function FormChoice() {
  const { id, name } = useForm().form;
  const [, select] = useSelection();
  const forms = useLiveQuery(() => openDatabase().forms.orderBy('changedAt').reverse().toArray(), []);
  // A form changes with every key; what is drawn here does not.
  return useMemo(
    () => (
      <Select
        aria-label="Form"
        value={id}
        style={{ width: 168 }}
        options={(forms ?? [{ id, name }]).map((one) => ({ value: one.id, label: one.name }))}
        onChange={(next) => select({ form: next, run: null, field: null, stroke: null })}
      />
    ),
    [id, name, forms, select],
  );
}

/** How many targets are asked, which of them cannot be, and the way to choose others. */
function LineUp() {
  const { engines } = useEngines();
  const { lineUp } = useLineUp();
  const { listening } = useDevice();
  const [open, setOpen] = useState(false);
  const [onDevice, setOnDevice] = useState(false);
  const missing = lineUp.targets.flatMap((target) => {
    const engine = engines.find((one) => target.ask === 'engine' && one.name === target.engine);
    return engine?.status === 'missing' ? [{ target, remedy: failureText(engine.failure) }] : [];
  });
  return (
    <>
      <Button onClick={() => setOpen(true)}>Line-up: {lineUp.targets.length} targets</Button>
      {missing.map(({ target, remedy }) => (
        <span key={target.id} className={styles.missing} title={remedy}>
          {target.name} is not installed
        </span>
      ))}
      {listening && (
        <Button onClick={() => setOnDevice(true)}>
          Listening for {listening.name}
          {listening.state === 'open' && `, ${listening.answers} answers`}
        </Button>
      )}
      {open && (
        <LineUpDrawer
          onClose={() => setOpen(false)}
          onDevice={() => {
            setOpen(false);
            setOnDevice(true);
          }}
        />
      )}
      {onDevice && <DeviceDrawer onClose={() => setOnDevice(false)} />}
    </>
  );
}

function RunChoice() {
  const { runs, run } = useRun();
  const { running } = useSweep();
  const [, select] = useSelection();
  if (!run) return null;
  const ending = (one: StoredRun) =>
    one.finishedAt ? '' : running && one.id === run.id ? ', running' : ', cut short';
  return (
    <Select
      aria-label="Sweep shown"
      value={run.id}
      style={{ width: 152 }}
      options={runs.map((one) => ({ value: one.id, label: `${sweepTime(one.startedAt)}${ending(one)}` }))}
      onChange={(id) => select({ run: id })}
    />
  );
}

function More({ onFile }: { onFile: (file: File) => void }) {
  const { message, modal } = App.useApp();
  const { run } = useRun();
  const { form } = useForm();
  const [, select] = useSelection();
  const work = useFileWork();
  const chooser = useRef<HTMLInputElement>(null);
  const [ownPage, setOwnPage] = useState(false);

  const give = async (
    doing: string,
    write: (written: Files, signal: AbortSignal) => Promise<string | null>,
  ) => {
    const name = await work(doing, async (signal) => write(await files(), signal));
    if (name) message.success(`Exported ${name}.`);
  };
  const giveForm = (as: FormExport) =>
    give('Writing the form', ({ exportForm }, signal) => exportForm(form, as, signal));

  const actions: Readonly<Record<string, () => unknown>> = {
    export: () => run && give('Writing the run', ({ exportRun }, signal) => exportRun(run.id, signal)),
    workspace: () => give('Writing the workspace', ({ exportWorkspace }, signal) => exportWorkspace(signal)),
    decisions: () => give('Writing the decisions', ({ exportDecisions }, signal) => exportDecisions(signal)),
    thin: async () => {
      const { pictures, bytes } = await thinPictures(openDatabase());
      message.success(
        pictures === 0
          ? 'There are no old pictures: those of the latest sweeps and baselines stay.'
          : `Deleted ${pictures} old pictures, ${megabytes(bytes)}. The answers stay.`,
      );
    },
    form: () => giveForm('form'),
    markup: () => giveForm('markup'),
    page: () => giveForm('page'),
    open: () => chooser.current?.click(),
    own: () => setOwnPage(true),
    new: async () =>
      select({ form: await newForm(openDatabase(), '', unnamed), run: null, field: null, stroke: null }),
    demo: async () => {
      await restoreDemo(openDatabase());
      if (form.id === 'skerry-tide-log' || form.id === 'hurried-tide-log') window.location.reload();
      else message.success('The demo forms are as they shipped.');
    },
    forget: async () => {
      if (run) await deleteRun(openDatabase(), run.id);
      select({ run: null });
    },
    away: () => {
      modal.confirm({
        title: `Delete ${form.name}?`,
        content: 'Its sweeps, pictures and decisions go with it. Files that you exported stay.',
        okText: 'Delete the form',
        okButtonProps: { danger: true },
        onOk: async () => {
          await deleteForm(openDatabase(), form.id);
          window.location.assign('/form');
        },
      });
    },
    everything: () => {
      modal.confirm({
        title: 'Delete everything that Ukko keeps in this browser?',
        content: 'All forms, sweeps and pictures go. Files that you exported stay.',
        okText: 'Delete everything',
        okButtonProps: { danger: true },
        onOk: async () => {
          await deleteEverything(openDatabase());
          window.location.assign('/form');
        },
      });
    },
  };
  const items: NonNullable<MenuProps['items']> = [
    { key: 'export', label: 'Export run', disabled: !run },
    { key: 'form', label: 'Export form' },
    { key: 'markup', label: 'Export markup' },
    { key: 'page', label: 'Export as a page of its own' },
    { key: 'decisions', label: 'Export decisions' },
    { key: 'workspace', label: 'Export workspace' },
    { type: 'divider' },
    { key: 'open', label: 'Open file…' },
    { key: 'own', label: 'Open a page of yours…' },
    { key: 'new', label: 'New form' },
    { key: 'demo', label: 'Restore the demo forms' },
    { type: 'divider' },
    { key: 'thin', label: 'Thin old pictures' },
    { key: 'forget', label: 'Delete this sweep', disabled: !run },
    { key: 'away', label: 'Delete this form…' },
    { key: 'everything', label: 'Delete everything…', danger: true },
  ];
  return (
    <>
      <MenuButton items={items} onChoose={(key) => void actions[key]?.()}>
        <Button>Files</Button>
      </MenuButton>
      {ownPage && <OwnPageDialog onClose={() => setOwnPage(false)} />}
      <input
        ref={chooser}
        type="file"
        hidden
        accept=".json,.html,.htm,.zip"
        aria-label="File to open"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}

/** Said in time, before a sweep finds no room for its pictures. */
function RoomNote() {
  const { runs } = useRun();
  const { running } = useSweep();
  const [left, setLeft] = useState<Room | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at anew when sweeps come, end and go
  useEffect(() => {
    void room().then(setLeft);
  }, [runs.length, running]);
  if (!left || !isNearlyFull(left)) return null;
  return (
    <span className={styles.missing} role="status">
      Room for pictures is short: {megabytes(left.quota - left.used)} left. Files has “Thin old pictures”.
    </span>
  );
}

function megabytes(bytes: number): string {
  return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
}

/** What the last sweep brought: where its answers stand, for whoever waits where none of them are seen, and what was not asked again. */
function WhatCame() {
  const { running, ended, progress, sweepAnew } = useSweep();
  const { run } = useRun();
  const [selection] = useSelection();
  const path = usePathname();
  const [seen, setSeen] = useState<RunId | null>(null);
  const isInSight = path === '/survey' || path === '/findings';
  useEffect(() => {
    if (isInSight) setSeen(ended);
  }, [isInSight, ended]);
  const isSeen = isInSight || ended === seen;
  const kept = progress.reduce((sum, one) => sum + one.kept, 0);
  const all = progress.reduce((sum, one) => sum + one.done, 0);
  if (running || ended === null || run?.id !== ended || (isSeen && kept === 0)) return null;
  return (
    <p className={styles.came} role="status">
      {!isSeen && (
        <>
          The sweep has ended. See how each target draws the fields in the{' '}
          <Link href={`/survey${selectionQuery(selection)}`}>survey</Link>, and what is wrong or differs under{' '}
          <Link href={`/findings${selectionQuery(selection)}`}>findings</Link>.{' '}
        </>
      )}
      {kept > 0 && (
        <>
          {figure(all - kept)} of {figure(all)} answers are new; the others still hold.{' '}
          <Button size="small" type="link" onClick={sweepAnew}>
            Sweep everything anew
          </Button>
        </>
      )}
    </p>
  );
}

function Progress({ progress }: { progress: readonly TargetProgress[] }) {
  const { lineUp } = useLineUp();
  return (
    <div className={styles.progress} role="status" aria-label="Progress of the sweep">
      {progress.map(({ target, done, total, field, state, failure }) => (
        <div key={target}>
          <span>{targetName(lineUp, target)}</span>
          <progress
            value={done}
            max={total || 1}
            aria-label={`${targetName(lineUp, target)}: ${done} of ${total}`}
          />
          <span>
            {failure
              ? failureText(failure)
              : state === 'asking'
                ? `${done} of ${total} · ${field ?? 'starting'}`
                : state}
          </span>
        </div>
      ))}
    </div>
  );
}
