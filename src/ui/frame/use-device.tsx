'use client';

import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import type { DeviceMessage } from '@/core/device/device-message';
import type { DeviceNews } from '@/core/device/device-news';
import type { DeviceRequest } from '@/core/device/device-request';
import { maxTargets } from '@/core/target/line-up';
import { type DeviceTarget, targetId } from '@/core/target/target';
import { deviceFaultText } from '@/core/words/request-fault-words';
import { openDatabase } from '@/store/database';
import { saveTarget } from '@/store/line-ups';
import { readLines, refusedText } from '@/store/read-lines';
import { useForm } from './use-form';
import { useKeepAnswers } from './use-keep-answers';
import { useLineUp } from './use-line-up';
import { useSteady } from './use-steady';

/** A listener that is on. */
export interface Listening {
  readonly name: string;
  readonly state: 'starting' | 'waiting' | 'open' | 'silent';
  readonly address: string | null;
  readonly onNetwork: boolean;
  /** How many answers came, and of which field the last one was. */
  readonly answers: number;
  readonly last: string | null;
}

export interface DeviceWorkspace {
  readonly listening: Listening | null;
  /** What went wrong last, in one sentence. */
  readonly fault: string | null;
  listen(name: string): void;
  stop(): void;
  /** Takes answers out of a file that was carried over. @returns how many, or why none */
  open(name: string, content: string): Promise<number | string>;
}

const DeviceContext = createContext<DeviceWorkspace | null>(null);
const serverGone = 'The server stopped answering. Start it again with “npm run demo”, then listen again.';

/** Listens for a real device as long as the person has that switched on, in whichever view; its answers join the run. */
export function DeviceProvider({ children }: { children: ReactNode }) {
  const { form, reading } = useForm();
  const { lineUp } = useLineUp();
  const [listening, setListening] = useState<Listening | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const abort = useRef<AbortController | null>(null);
  const take = useTakeAnswers();
  const change = useCallback(
    (part: Partial<Listening>) => setListening((before) => before && { ...before, ...part }),
    [],
  );
  const stop = useCallback(() => {
    abort.current?.abort();
    abort.current = null;
    setListening(null);
  }, []);
  useEffect(() => stop, [stop]);
  // The device has the form as it was: its answers would be held against another one.
  const given = useRef(form.markup);
  useEffect(() => {
    if (!abort.current || given.current === form.markup) return;
    stop();
    setFault(
      'The form was changed, so Ukko stopped listening. Listen again to give the device the new form.',
    );
  }, [form.markup, stop]);

  const hear = useSteady(async (target: DeviceTarget, news: DeviceNews) => {
    switch (news.type) {
      case 'listening':
        return change({ state: 'waiting', address: news.address, onNetwork: news.onNetwork });
      case 'opened':
        return change({ state: 'open' });
      case 'silent':
        return change({ state: 'silent' });
      case 'refused':
        return setFault(news.text);
      case 'message': {
        const why = await take(target, news.message);
        if (why) setFault(why);
        const last = news.message.observations.at(-1)?.field;
        const label = reading.fields.find(({ id }) => id === last)?.label ?? null;
        setListening(
          (before) =>
            before && {
              ...before,
              state: 'open',
              answers: before.answers + news.message.observations.length,
              last: label,
            },
        );
      }
    }
  });

  // A device that comes again under its name is the one that was there before.
  const targetFor = (name: string): DeviceTarget =>
    lineUp.targets.find((one): one is DeviceTarget => one.ask === 'device' && one.name === name) ??
    deviceTarget(name);

  const listen = useSteady((name: string) => {
    stop();
    setFault(null);
    const controller = new AbortController();
    abort.current = controller;
    given.current = form.markup;
    setListening({ name, state: 'starting', address: null, onNetwork: true, answers: 0, last: null });
    const target = targetFor(name);
    void newsOf({ form: form.name, markup: form.markup }, controller.signal, (news) =>
      hear(target, news),
    ).then((why) => {
      if (controller.signal.aborted) return;
      stop();
      if (why) setFault(why);
    });
  });

  const open = useSteady(async (name: string, content: string) => {
    const { readDeviceFile } = await deviceMessages();
    const read = readDeviceFile(content);
    if (read.status === 'fault') return deviceFaultText(read.fault);
    const why = await take(targetFor(name), read.message);
    return why ?? read.message.observations.length;
  });

  const workspace = useMemo(
    (): DeviceWorkspace => ({ listening, fault, listen, stop, open }),
    [listening, fault, listen, stop, open],
  );
  return <DeviceContext value={workspace}>{children}</DeviceContext>;
}

/** Checking what devices send needs much that nobody else here does. */
const deviceMessages = () => import('@/core/device/device-message');

/** Keeps what a device answered, and puts the device into the line-up. @returns why some of it was not taken, or null */
function useTakeAnswers(): (target: DeviceTarget, message: DeviceMessage) => Promise<string | null> {
  const { lineUp, choose } = useLineUp();
  const { reading } = useForm();
  const keepAnswers = useKeepAnswers();
  return useSteady(async (target, message) => {
    const known = new Set<string>(reading.fields.map(({ id }) => id));
    const answers = (await deviceMessages()).answersOf(message, target.id);
    const ours = answers.filter(({ field }) => known.has(field));
    await keepAnswers(ours, message.pictures);
    const named = { ...target, note: `${target.note} It said of itself: ${message.browser}.` };
    const isIn = lineUp.targets.some(({ id }) => id === target.id);
    if (!isIn && lineUp.targets.length >= maxTargets)
      return `The line-up holds ${maxTargets} targets already. Take one out; the device’s answers are kept.`;
    if (!isIn) {
      await saveTarget(openDatabase(), named);
      choose({ ...lineUp, targets: [...lineUp.targets, named] });
    }
    return ours.length < answers.length
      ? `${answers.length - ours.length} answers are about fields that this form does not have, and were left out.`
      : null;
  });
}

function deviceTarget(name: string): DeviceTarget {
  return {
    id: targetId(`own-device-${crypto.randomUUID().slice(0, 8)}`),
    name,
    ask: 'device',
    note: 'A real device: what it says of itself was found out by a script, what was typed was typed by a person.',
  };
}

/** @returns why it ended, when nobody ended it */
async function newsOf(
  request: DeviceRequest,
  signal: AbortSignal,
  hear: (news: DeviceNews) => Promise<void>,
): Promise<string | null> {
  try {
    const response = await fetch('/api/devices', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(request),
      signal,
    });
    if (!response.ok || !response.body) return refusedText(response, serverGone);
    let last: DeviceNews | null = null;
    for await (const line of readLines(response.body)) {
      last = JSON.parse(line) as DeviceNews;
      await hear(last);
    }
    return last?.type === 'refused'
      ? last.text
      : 'Ukko stopped listening after an hour. Listen again for a new link.';
  } catch {
    return serverGone;
  }
}

export function useDevice(): DeviceWorkspace {
  const workspace = useContext(DeviceContext);
  if (!workspace) throw new Error('useDevice needs a DeviceProvider around it.');
  return workspace;
}
