import { describe, expect, it } from 'vitest';
import { askingOf } from '@/core/observation/asking';
import type { Observation, SubmissionObservation } from '@/core/observation/observation';
import { targetId } from '@/core/target/target';
import { askTarget } from '../ask-page';
import type { AskablePage, Received, Receiver } from '../askable-page';
import type { ProbeApi } from '../probe-api';

const markup =
  '<form action=/log><input name=a required><input type=radio name=r required><input type=radio name=r><button name=go>Go</button></form>';
const boundary = '----drawn-anew';

/** A page that answers from data: what pressing the button brings about while the form is empty, and filled in. */
async function submission(
  pressed: { empty?: Received; filled?: Received; blocked?: readonly number[]; why?: string },
  receiver: 'there' | null = 'there',
): Promise<SubmissionObservation['outcome'] | undefined> {
  const arrived: Received[] = [];
  let isFilled = false;
  let blocked: readonly number[] = [];
  const api: Pick<
    ProbeApi,
    | 'reset'
    | 'chooseFiles'
    | 'focus'
    | 'sendByScript'
    | 'fill'
    | 'mayBeSent'
    | 'bringIntoSight'
    | 'whatBlocked'
    | 'readsRightToLeft'
    | 'speaksRightToLeft'
  > = {
    reset: () => {
      isFilled = false;
      blocked = [];
    },
    chooseFiles: () => undefined,
    focus: () => true,
    sendByScript: (_, method) => {
      // A script that does not ask sends whatever there is.
      if (method === 'submit' && pressed.filled) arrived.push(pressed.filled);
      else attempt();
    },
    fill: () => {
      isFilled = true;
    },
    mayBeSent: () => pressed.why ?? null,
    bringIntoSight: () => ({ x: 10, y: 10, width: 80, height: 20 }),
    whatBlocked: () => blocked.map((ordinal) => ({ ordinal, message: `No ${ordinal}.` })),
    readsRightToLeft: () => false,
    speaksRightToLeft: () => false,
  };
  function attempt() {
    const request = isFilled ? pressed.filled : pressed.empty;
    if (request) arrived.push(request);
    else blocked = pressed.blocked ?? [];
  }
  const page = {
    probe: async (method: keyof typeof api, ...given: unknown[]) =>
      (api[method] as (...all: unknown[]) => unknown)(...given),
    window: async () => ({ status: 'failed', reason: 'none' }),
    stopwatch: () => {
      const begin = performance.now();
      return () => performance.now() - begin;
    },
    click: async () => attempt(),
    press: async (key: string) => {
      if (key === 'Enter') attempt();
    },
  } as unknown as AskablePage;
  const place: Receiver = { address: 'http://here/x', take: () => arrived.splice(0) };
  const heard: Observation[] = [];
  await askTarget(
    targetId('made-up'),
    askingOf(markup, ['submission']),
    (work) => work(page, { mark: 'captured', browser: 'made up', events: 'trusted' }, receiver && place),
    { mark: 'captured', browser: 'made up', events: 'trusted' },
    (message) => {
      if (message.type === 'observation') heard.push(message.observation);
    },
    new AbortController().signal,
  );
  return (heard[0] as SubmissionObservation | undefined)?.outcome;
}

describe('what a button sends', () => {
  it('is what arrives, with the boundary named, and who blocks, each field once', async () => {
    const filled: Received = {
      method: 'POST',
      url: '/log',
      contentType: `multipart/form-data; boundary=${boundary}`,
      body: `--${boundary}\r\n--${boundary}--`,
    };
    const blocked = { status: 'blocked', by: 'a', message: 'No 0.', invalid: ['a', 'r'] };
    const sent = {
      status: 'sent',
      method: 'POST',
      url: '/log',
      contentType: 'multipart/form-data; boundary=BOUNDARY',
      body: '--BOUNDARY\r\n--BOUNDARY--',
    };
    expect(await submission({ filled, blocked: [0, 1, 2] })).toEqual({
      status: 'answered',
      facts: {
        asIs: blocked,
        filled: sent,
        others: { enter: blocked, requestSubmit: blocked, submit: sent },
      },
    });
  });
  it('is nothing where the form cannot be sent, or nothing comes', async () => {
    const nothing = (why: string) => ({ status: 'nothing', why });
    expect(await submission({ why: 'The button belongs to no form.' })).toMatchObject({
      facts: { asIs: nothing('The button belongs to no form.') },
    });
    expect(await submission({})).toMatchObject({
      facts: { filled: nothing('Nothing was sent, and no field was in the way.') },
    });
  });
  it('is not asked where nothing may leave the page', async () => {
    expect(await submission({}, null)).toEqual({
      status: 'inapplicable',
      reason: 'A page cannot be sent from within Ukko.',
    });
  });
});
