import { describe, expect, it } from 'vitest';
import type { Unsent } from '@/core/observation/reason';
import { askingOf } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import type { SubmissionObservation } from '@/core/questions/submission/facts';
import { targetId } from '@/core/target/target';
import type { AskablePage, Received, Receiver } from '../api/askable-page';
import type { ProbeApi } from '../api/probe-api';
import { askTarget } from '../ask-page';

const markup =
  '<form action=/log><input name=a required><input type=radio name=r required><input type=radio name=r><button name=go>Go</button></form>';
const boundary = '----drawn-anew';

/** A page that answers from data: what pressing the button brings about while the form is empty, and filled in; some clicks miss it. */
async function submission(
  pressed: {
    empty?: Received;
    filled?: Received;
    blocked?: readonly number[];
    why?: Unsent;
    misses?: readonly number[];
  },
  receiver: 'there' | null = 'there',
): Promise<SubmissionObservation['outcome'] | undefined> {
  const arrived: Received[] = [];
  let isFilled = false;
  let clicks = 0;
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
    // Every look takes a while.
    stopwatch: () => {
      let elapsed = 0;
      return () => {
        elapsed += 100;
        return elapsed;
      };
    },
    click: async () => {
      clicks += 1;
      if (!pressed.misses?.includes(clicks)) attempt();
    },
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
    const nothing = (why: Unsent) => ({ status: 'nothing', why });
    expect(await submission({ why: { code: 'no form' } })).toMatchObject({
      facts: { asIs: nothing({ code: 'no form' }) },
    });
    expect(await submission({})).toMatchObject({
      facts: { filled: nothing({ code: 'no request' }) },
    });
  });
  it('is asked again before it is told that nothing was sent', async () => {
    const empty: Received = { method: 'GET', url: '/log?a=', contentType: null, body: '' };
    const filled = { ...empty, url: '/log?a=1' };
    const missed = await submission({ empty, filled, misses: [1, 3] });
    expect(missed).toMatchObject({
      facts: { asIs: { status: 'sent', url: '/log?a=' }, filled: { status: 'sent', url: '/log?a=1' } },
    });
    expect(await submission({ empty, filled, misses: [1, 2] })).toMatchObject({
      facts: { asIs: { status: 'nothing' }, filled: { status: 'sent' } },
    });
  });
  it('is not asked where nothing may leave the page', async () => {
    expect(await submission({}, null)).toEqual({
      status: 'inapplicable',
      reason: { code: 'page submits nothing' },
    });
  });
});
