import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import { typingDisagreements } from '@/core/compare/typing-disagreements';
import { demoForm } from '@/core/demo/demo-forms';
import { fieldId } from '@/core/form/field';
import { typingTasks } from '@/core/form/form-document';
import { predict } from '@/core/model/predict';
import { type Asking, askingOf, planOf, type TypingTasks } from '@/core/observation/asking';
import {
  type LookObservation,
  type MessageObservation,
  type Observation,
  questions,
  type TypingObservation,
} from '@/core/observation/observation';
import { type Picture, pictureId } from '@/core/observation/picture';
import type { SweepMessage } from '@/core/observation/sweep-message';
import { graphemes } from '@/core/script/stroke';
import { habitsOf } from '@/core/target/habits';
import { targets } from '@/core/target/line-up';
import type { EngineTarget } from '@/core/target/target';
import { EngineLost } from '@/engines/engine';
import { engines } from '@/engines/engines';
import { measure } from '@/engines/measure';
import { startPageServer } from '@/engines/page-server';
import { enginesAvailable } from '../fixtures/engines';

const here = await enginesAvailable();
const engineTargets = targets.filter((target): target is EngineTarget => target.ask === 'engine');
const full = askingOf(demoForm.markup, questions, typingTasks(demoForm));

interface Heard {
  readonly messages: SweepMessage[];
  readonly observations: Observation[];
  readonly pictures: Map<string, Picture>;
}

async function ask(
  target: EngineTarget,
  asking: Asking,
  signal = new AbortController().signal,
  on?: (message: SweepMessage) => void,
): Promise<Heard> {
  const messages: SweepMessage[] = [];
  await measure(
    target,
    asking,
    (message) => {
      messages.push(message);
      on?.(message);
    },
    signal,
  );
  return {
    messages,
    observations: messages.flatMap((m) => (m.type === 'observation' ? [m.observation] : [])),
    pictures: new Map(
      messages.flatMap((m) => (m.type === 'picture' ? [[m.picture.id, m.picture] as const] : [])),
    ),
  };
}

// Profiles go to a folder of this file's own, so that what other tests start is not taken for a leftover.
const temporary = mkdtempSync(join(tmpdir(), 'ukko-engines-'));
process.env.TMPDIR = temporary;
afterAll(() => rmSync(temporary, { recursive: true }));
const profiles = () => readdirSync(temporary);

/** Process ids of browsers (not their keepers) that were started here and still run: each has its folder in its environment. */
function browsers(): number[] {
  return readdirSync('/proc').flatMap((name) => {
    const id = Number(name);
    return Number.isInteger(id) && id !== process.pid && isBrowser(id) ? [id] : [];
  });
}

function isBrowser(id: number): boolean {
  try {
    const environment = readFileSync(`/proc/${id}/environ`, 'utf8');
    return (
      environment.includes(`UKKO_KEPT_FOLDER=${temporary}`) &&
      !readFileSync(`/proc/${id}/cmdline`, 'utf8').includes('keeper.mjs')
    );
  } catch {
    return false;
  }
}

describe.skipIf(!here).each(engineTargets)('$name, asked about the demo form', (target) => {
  it('answers everything that was planned, with pictures, and leaves nothing behind', async () => {
    const { messages, observations, pictures } = await ask(target, full);
    expect(messages[0]).toEqual({ type: 'started', target: target.id, total: planOf(full).length });
    expect(messages.at(-1)).toEqual({ type: 'finished', target: target.id });
    expect(observations).toHaveLength(planOf(full).length);
    expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
    expect(
      observations.every((o) => o.provenance.mark === 'measured' && /^\d+\.\d/.test(o.provenance.version)),
    ).toBe(true);
    for (const { id, data } of pictures.values())
      expect(await pictureId(new Uint8Array(Buffer.from(data, 'base64')))).toBe(id);

    const level = observations.filter(
      (o): o is LookObservation => o.question === 'look' && o.field === 'level',
    );
    const shown = level.map((o) => (o.outcome.status === 'answered' ? o.outcome.facts.picture : null));
    expect(new Set(shown).size).toBe(4);
    expect(shown.every((id) => id && pictures.has(id))).toBe(true);
    expect(browsers()).toEqual([]);
    expect(profiles()).toEqual([]);
  });

  it('draws the same control twice as the same picture', async () => {
    const twins = '<form style="margin:20px"><p><input type=date name=a><p><input type=date name=b></form>';
    const { observations } = await ask(target, askingOf(twins, ['look']));
    const picture = (field: string, state: string) => {
      const found = observations.find((o) => o.question === 'look' && o.field === field && o.state === state);
      return found?.question === 'look' && found.outcome.status === 'answered'
        ? found.outcome.facts.picture
        : null;
    };
    for (const state of ['closed', 'focused', 'filled']) {
      expect(picture('a', state)).toMatch(/^[0-9a-f]{64}$/);
      expect(picture('a', state)).toBe(picture('b', state));
    }
  });

  it('presses a grapheme of several code points, and types emoji', async () => {
    const script = graphemes('a👍🏽é').map((one) => ({ kind: 'key', key: one }) as const);
    const asking = askingOf('<input name=a>', ['typing'], { [fieldId('a')]: { script, guards: [] } });
    const [observation] = (await ask(target, asking)).observations as TypingObservation[];
    expect(observation?.outcome.status === 'answered' && observation.outcome.facts.steps.at(-1)?.text).toBe(
      'a👍🏽é',
    );
  });

  it('runs nothing of a hostile form and still answers about its fields', async () => {
    const markup =
      '<script>document.body.remove()</script><form action="javascript:x" onsubmit="x"><input name=requestSubmit required><input name=reset><input name=submit></form>';
    const { observations } = await ask(target, askingOf(markup, ['look', 'message']));
    expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
  });

  it('that is killed in the middle loses only what was not answered yet; the next sweep works', async () => {
    let killed = false;
    const { observations, messages } = await ask(target, full, undefined, (message) => {
      if (killed || message.type !== 'observation') return;
      killed = true;
      for (const id of browsers()) process.kill(id, 'SIGKILL');
    });
    const failed = observations.filter((o) => o.outcome.status === 'failed');
    expect(observations).toHaveLength(planOf(full).length);
    expect(failed.length).toBeGreaterThan(0);
    expect(failed.length).toBeLessThan(observations.length);
    expect(messages.at(-1)).toMatchObject({
      type: 'failed',
      reason: expect.stringMatching(new RegExp(`^${target.name} (went away|did not answer)`)),
    });
    expect(browsers()).toEqual([]);
    const again = await ask(target, askingOf('<input name=a>', ['message']));
    expect(again.messages.at(-1)?.type).toBe('finished');
  });

  it('that is cancelled ends quietly and leaves nothing behind', async () => {
    const abort = new AbortController();
    const { messages } = await ask(target, full, abort.signal, (message) => {
      if (message.type === 'observation') abort.abort();
    });
    expect(messages.some((m) => m.type === 'failed' || m.type === 'finished')).toBe(false);
    expect(browsers()).toEqual([]);
  });
});

const modelled = engineTargets.filter((target) => habitsOf(target.id) !== null);

describe.skipIf(!here).each(modelled)('$name and the model of it', (target) => {
  it('agrees with the model about validity and its own words, on the demo form', async () => {
    const asking = askingOf(demoForm.markup, ['message']);
    const { observations } = await ask(target, asking);
    const facts = (list: Observation[]) => list.map((o) => [o.field, (o as MessageObservation).outcome]);
    expect(facts(observations)).toEqual(facts(predict(target.id, asking, '')));
  });

  it('agrees with the model about what becomes of random strokes, events included', async () => {
    const key = fc.oneof(
      { weight: 8, arbitrary: fc.constantFrom(...'0123456789.-+eE,x '.split('')) },
      { weight: 1, arbitrary: fc.constantFrom('é', '２', '😀') },
      {
        weight: 3,
        arbitrary: fc.constantFrom('Backspace', 'Delete', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'Escape'),
      },
    );
    const kinds = fc.constantFrom(
      'type=number',
      'type=text',
      'type=text maxlength=4',
      'type=tel value=12',
      'type=search',
      'type=number value=-1.5',
      'readonly value=7',
    );
    const cases = fc.sample(fc.tuple(kinds, fc.array(key, { minLength: 3, maxLength: 9 })), {
      numRuns: 60,
      seed: Date.now(),
    });
    const markup = `<form>${cases.map(([kind], index) => `<input ${kind} name=n${index}>`).join('')}</form>`;
    const guards = [{ kind: 'decimals', stage: 'before insert', id: 'g', on: true, most: 2 }] as const;
    const scripts = Object.fromEntries(
      cases.map(([, keys], index) => [
        `n${index}`,
        {
          script: [...keys, 'Tab'].map((one) => ({ kind: 'key', key: one })),
          guards: index % 3 === 0 ? guards : [],
        },
      ]),
    ) as TypingTasks;
    const asking = askingOf(markup, ['typing'], scripts);
    const { observations } = await ask(target, asking);
    const replay = (o: Observation | undefined) => {
      const outcome = (o as TypingObservation | undefined)?.outcome;
      if (outcome?.status !== 'answered') throw new Error(`not answered: ${JSON.stringify(outcome)}`);
      return outcome.facts;
    };
    const model = predict(target.id, asking, '');
    const disagreements = observations.flatMap((measured, index) => {
      const found = typingDisagreements(replay(model[index]), replay(measured)).flat();
      return found.length > 0
        ? [{ markup: cases[index]?.[0], keys: cases[index]?.[1].join(' '), found }]
        : [];
    });
    expect(disagreements.map((one) => JSON.stringify(one))).toEqual([]);
  });
});

describe('engines that are not here', () => {
  it('say how to get them, and what was asked of them is marked failed', async () => {
    const before = process.env.UKKO_CHROMIUM;
    process.env.UKKO_CHROMIUM = '/nowhere/chromium';
    try {
      expect(await engines.chromium.find()).toMatchObject({
        status: 'missing',
        remedy: expect.stringContaining('apt-get install chromium'),
      });
      const [target] = engineTargets;
      if (!target) throw new Error('no engine target');
      const { observations, messages } = await ask(target, askingOf('<input name=a>', ['message']));
      expect(observations.map((o) => o.outcome.status)).toEqual(['failed']);
      expect(messages.at(-1)).toMatchObject({
        type: 'failed',
        reason: expect.stringContaining('not on this machine'),
      });
    } finally {
      if (before === undefined) delete process.env.UKKO_CHROMIUM;
      else process.env.UKKO_CHROMIUM = before;
    }
  });

  it('are told from mistakes of Ukko', async () => {
    await expect(engines.chromium.launch('/bin/false')).rejects.toBeInstanceOf(EngineLost);
  });
});

describe('the page server', () => {
  it('gives a page at its own address only, under a policy that lets nothing load or leave', async () => {
    const server = await startPageServer();
    try {
      const address = server.add('<input>');
      const page = await fetch(address);
      expect([page.status, await page.text()]).toEqual([200, '<input>']);
      expect(page.headers.get('content-security-policy')).toMatch(/^default-src 'none'.*form-action 'none'/);
      expect((await fetch(new URL('/', address))).status).toBe(404);
      expect(new URL(address).hostname).toBe('127.0.0.1');
    } finally {
      await server.close();
    }
  });
});
