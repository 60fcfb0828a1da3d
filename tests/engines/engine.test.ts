import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import fc from 'fast-check';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { typingDisagreements } from '@/core/compare/typing-disagreements';
import { demoForm } from '@/core/demo/demo-forms';
import { fieldId } from '@/core/form/field';
import { typingTasks } from '@/core/form/form-document';
import { predict } from '@/core/model/predict';
import { type Asking, askingOf, planOf, type TypingTasks } from '@/core/observation/asking';
import type {
  LookObservation,
  MessageObservation,
  Observation,
  TypingObservation,
} from '@/core/observation/observation';
import { type Picture, pictureId } from '@/core/observation/picture';
import type { SweepMessage } from '@/core/observation/sweep-message';
import { graphemes } from '@/core/script/stroke';
import { habitsOf } from '@/core/target/habits';
import { targets } from '@/core/target/line-up';
import { type EngineTarget, engineTarget } from '@/core/target/target';
import { plainVariant } from '@/core/target/variant';
import { changeBetweenPictures } from '@/engines/crop';
import { EngineLost } from '@/engines/engine';
import { engineNamed, engines } from '@/engines/engines';
import { freePort } from '@/engines/free-port';
import { endKept, keeping, startKept } from '@/engines/kept';
import { measure } from '@/engines/measure';
import { startPageServer } from '@/engines/page-server';
import { enginesAvailable } from '../fixtures/engines';

// Whole sweeps, in real browsers, on whatever machine this is.
vi.setConfig({ testTimeout: 120_000, hookTimeout: 60_000 });

const here = await enginesAvailable();
const own = targets.filter(
  (target): target is EngineTarget => target.ask === 'engine' && target.withheld === null,
);
/** chromedriver, as if it stood in the next room: an address in the engines file, and nothing else known of it. */
const remote = engineTarget('next-room', 'Next room', 'A W3C WebDriver endpoint.');
const engineTargets = [...own, remote];
const full = askingOf(demoForm.markup, ['look', 'message', 'typing'], typingTasks(demoForm));

/** One of each thing that can open, and a bubble with a title in it. */
const openable = `<form style="font:15px Liberation Sans;margin:20px">
<p><input type=date name=date required min=2026-01-01 max=2026-12-31>
<p><input type=number name=level value=3 max=8>
<p><input type=range name=sea min=0 max=9 value=3>
<p><input type=color name=colour value="#2f6f73">
<p><select name=island><option>Hesten<option>Lomholm</select>
<p><input name=bird list=birds><datalist id=birds><option>eider<option>gannet</datalist>
<p><input name=serial pattern="[A-Z]{3}" title="Three capitals">
<p><meter name=tide min=0 max=9 low=3 high=6 optimum=8 value=4></meter>
<p><input type=checkbox name=publish><input type=password name=pin pattern="[0-9]{4}"><input type=search name=find>
</form>`;

type FactsOf<Q extends Observation['question']> = Extract<
  Observation,
  { question: Q }
>['outcome'] extends infer O
  ? O extends { facts: infer F }
    ? F
    : never
  : never;

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
    [target],
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

const nextRoom = here ? await startRemote() : null;
afterAll(() => nextRoom?.end());

async function startRemote() {
  const kept = await keeping('/usr/bin/chromedriver');
  const port = await freePort();
  const keeper = startKept(kept, [`--port=${port}`]);
  const file = join(mkdtempSync(join(tmpdir(), 'ukko-engines-file-')), 'engines.json');
  const args = ['--no-sandbox', '--headless', '--disable-dev-shm-usage', '--disable-background-networking'];
  const endpoint = {
    name: remote.engine,
    title: remote.name,
    address: `http://127.0.0.1:${port}`,
    capabilities: { browserName: 'chrome', 'goog:chromeOptions': { binary: '/usr/bin/chromium', args } },
  };
  writeFileSync(file, JSON.stringify({ endpoints: [endpoint] }));
  process.env.UKKO_ENGINES = file;
  for (let attempt = 0; attempt < 100; attempt++) {
    if ((await (await engineNamed(remote.engine)).find()).status === 'found') break;
    await wait(50);
  }
  return {
    folder: kept.folder,
    end: async () => {
      await endKept(keeper, kept);
      rmSync(join(file, '..'), { recursive: true });
    },
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

/** A browser that goes with its display has gone by itself when its turn comes. */
function kill(id: number): void {
  try {
    process.kill(id, 'SIGKILL');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error;
  }
}

function isBrowser(id: number): boolean {
  try {
    const environment = readFileSync(`/proc/${id}/environ`, 'utf8');
    return (
      [temporary, nextRoom?.folder].some(
        (folder) => folder && environment.includes(`UKKO_KEPT_FOLDER=${folder}`),
      ) && !/keeper\.mjs|chromedriver/.test(readFileSync(`/proc/${id}/cmdline`, 'utf8'))
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
    expect(new Set(shown).size).toBe(5);
    expect(shown.every((id) => id && pictures.has(id))).toBe(true);
    expect(browsers()).toEqual([]);
    expect(profiles()).toEqual([]);
  });

  it('opens what can be opened, shows bubbles, and tells the parts from what they do', async () => {
    const asking = askingOf(openable, ['opening', 'bubble', 'parts']);
    const { observations, pictures } = await ask(target, asking);
    expect(observations).toHaveLength(planOf(asking).length);
    expect(observations.filter((o) => o.outcome.status === 'failed')).toEqual([]);
    const facts = <Q extends Observation['question']>(question: Q, field: string) => {
      const found = observations.find((o) => o.question === question && o.field === field);
      return (found?.outcome.status === 'answered' ? found.outcome.facts : null) as FactsOf<Q> | null;
    };
    const parts = (field: string) => facts('parts', field)?.parts.map(({ part }) => part);
    expect(parts('sea')).toContain('slider');
    expect(parts('colour')).toContain('swatch');
    expect(parts('publish')).toContain('check mark');
    expect(parts('tide')).toContain('bar');
    expect(parts('level')).toContain('spin button');
    expect(parts('serial')).toEqual(['text box']);
    expect(['level', 'sea', 'pin'].map((field) => facts('parts', field)?.shows)).toEqual([
      'text',
      'picture',
      'nothing',
    ]);
    expect(facts('parts', 'date')?.order).toEqual(['month', 'day', 'year']);
    if (target === remote) {
      expect(observations.filter((o) => o.question === 'opening').map((o) => o.outcome.status)).not.toContain(
        'answered',
      );
      return;
    }
    for (const field of ['date', 'colour', 'island', 'bird']) {
      const opened = facts('opening', field);
      expect(opened?.opened, field).toMatch(/click/);
      expect(opened?.picture && pictures.has(opened.picture)).toBe(true);
      expect(opened?.popUp?.height).toBeGreaterThan(15);
    }
    expect(parts('island')).toContain('list');
    for (const field of ['date', 'serial']) expect(facts('bubble', field)?.shown, field).toBe(true);
    expect(facts('bubble', 'serial')?.showsTitle).toBe(true);
    expect(browsers()).toEqual([]);
    expect(profiles()).toEqual([]);
  });

  it('draws a text box, and types into it, where a kind is withheld', async () => {
    const withheld: EngineTarget = {
      ...target,
      withheld: { kinds: ['date'], attributes: ['required'], source: 'a test' },
    };
    const script = [...'14.3.'].map((key) => ({ kind: 'key', key }) as const);
    const asking = askingOf(
      '<form><input type=date name=a required value=2026-03-14></form>',
      ['look', 'message', 'typing'],
      {
        [fieldId('a')]: { script, guards: [] },
      },
    );
    const { observations } = await ask(withheld, asking);
    const [closed] = observations.filter(
      (o): o is LookObservation => o.question === 'look' && o.state === 'closed',
    );
    expect(closed?.outcome).toMatchObject({
      status: 'answered',
      facts: { typeReflected: 'text', sent: ['a=2026-03-14'] },
    });
    const typed = observations.find((o): o is TypingObservation => o.question === 'typing');
    expect(typed?.outcome.status === 'answered' && typed.outcome.facts.steps.at(-1)?.value).toContain(
      '14.3.',
    );
  });

  it('tries the plans for a kind that it does not know, types into them, and says what is sent', async () => {
    const withheld: EngineTarget = {
      ...target,
      withheld: { kinds: ['date'], attributes: [], source: 'a test' },
    };
    const markup = '<form><label>On <input type=date name=on></label><input name=other value=x></form>';
    const sentBy = async (one: EngineTarget) => {
      const { observations } = await ask(one, askingOf(markup, ['fallback']));
      expect(observations).toHaveLength(1);
      const [answer] = observations;
      if (answer?.question !== 'fallback' || answer.outcome.status !== 'answered')
        throw new Error('no plans');
      expect(answer.outcome.facts.plans.every(({ picture }) => picture !== null)).toBe(true);
      return answer.outcome.facts.plans.map(({ plan, native, loaded, sent }) => [plan, native, loaded, sent]);
    };
    expect(await sentBy(withheld)).toEqual([
      ['leave it', false, false, ['on=14.3.2026']],
      ['hint and pattern', false, false, ['on=2026-03-14']],
      ['selects', false, true, ['on-day=14', 'on-month=03', 'on-year=2026']],
      ['scripted picker', false, true, ['on=2026-03-14']],
    ]);
    const known = await sentBy(target);
    expect(known.map(([plan, native, loaded]) => [plan, native, loaded])).toEqual([
      ['leave it', true, false],
      ['hint and pattern', true, false],
      ['selects', true, true],
      ['scripted picker', true, false],
    ]);
  });

  it('says what the styles of the form put beside a field, and which states are in effect', async () => {
    const markup = `<style>input:user-invalid + span::after { content: "mend \\"me\\"" }</style>
      <form><input name=a required placeholder=here><span></span></form>`;
    const { observations } = await ask(target, askingOf(markup, ['look']));
    const look = (state: string) => {
      const found = observations.find(
        (o): o is LookObservation => o.question === 'look' && o.state === state,
      );
      return found?.outcome.status === 'answered' ? found.outcome.facts : null;
    };
    expect(look('closed')?.marks).toEqual([]);
    expect(look('invalid')?.marks).toEqual([{ by: 'span::after', text: 'mend "me"' }]);
    expect(look('invalid')?.pseudoClasses).toEqual(
      expect.arrayContaining([':invalid', ':user-invalid', ':required']),
    );
    expect(look('closed')?.pseudoClasses).toContain(':placeholder-shown');
    expect(look('filled')?.pseudoClasses).not.toContain(':placeholder-shown');
    expect(look('disabled')?.pseudoClasses).toContain(':disabled');
    expect(look('closed')?.contrast?.text).toBeGreaterThan(10);
    // Not every engine tells the colour of a placeholder; one that is told is paler than the text.
    const { text, placeholder } = look('closed')?.contrast ?? {};
    if (placeholder) expect(placeholder).toBeLessThan(text ?? 0);
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

  const inTwoSweeps = async () => {
    const sweep = async () => {
      const { observations, pictures } = await ask(target, askingOf(demoForm.markup, ['look']));
      return observations.flatMap((o) => {
        const id = o.question === 'look' && o.outcome.status === 'answered' ? o.outcome.facts.picture : null;
        return id && o.question === 'look' && o.state !== 'indeterminate'
          ? [{ name: `${o.field} ${o.state}`, picture: pictures.get(id) }]
          : [];
      });
    };
    const [first, second] = [await sweep(), await sweep()];
    expect(second.map(({ name }) => name)).toEqual(first.map(({ name }) => name));
    const others = first.filter(({ picture }, index) => {
      const other = second[index]?.picture;
      if (!picture || !other || picture.id === other.id) return false;
      const change = changeBetweenPictures(picture, other);
      // WebKit rounds a single dot of a slider in about one of 400 pictures.
      return change !== null && change.width * change.height > 1;
    });
    expect(others.map(({ name }) => name)).toEqual([]);
  };
  // The endpoint in the next room is this machine's Chromium once more.
  if (target !== remote) it('draws the same form in two sweeps as the same pictures', inTwoSweeps);

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
      for (const id of browsers()) kill(id);
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
    await expect(engines.chromium.launch('/bin/false', plainVariant)).rejects.toBeInstanceOf(EngineLost);
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
