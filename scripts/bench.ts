/**
 * npm run bench: what Ukko costs over its engines. Everything is a ratio within this one run, or a count; seconds are
 * printed beside them and depend on the machine. Needs a build. `npm run bench -- kills 20` ends an engine at a random moment so often.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { demoForm } from '@/core/demo/demo-forms';
import { pageUnderTest } from '@/core/html/page-under-test';
import { askingOf, planOf, sweepQuestions } from '@/core/questions/asking';
import type { PageQuestion } from '@/core/questions/observation';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import type { EngineTarget } from '@/core/target/target';
import { plainVariant } from '@/core/target/variant';
import { failureText } from '@/core/words/failure-words';
import type { Engine, EnginePage } from '@/engines/api/engine';
import { engines } from '@/engines/engines';
import { startPageServer } from '@/engines/network/page-server';
import { sweepEngines } from '@/engines/sweep-engines';
import { askTarget } from '@/probe/ask-page';
import { probeBundle } from '@/probe/bundle';
import { benchEdits } from './bench-edits';
import { seconds, three } from './bench-engines';
import { benchMany } from './bench-many';

const never = new AbortController().signal;

/** The driver's object under a page: what the same commands can be sent to without Ukko. */
type Driver = Record<string, (...parameters: unknown[]) => Promise<unknown>>;
interface Command {
  readonly name: string;
  readonly parameters: readonly unknown[];
}

function driverOf(page: EnginePage): { holder: Record<string, Driver>; key: string } {
  const holder = page as unknown as Record<string, Driver>;
  return { holder, key: holder.page ? 'page' : 'driver' };
}

/** Notes every command that goes to the driver from now on. */
function recorded(page: EnginePage): Command[] {
  const commands: Command[] = [];
  const { holder, key } = driverOf(page);
  const driver = holder[key] as Driver;
  holder[key] = new Proxy(driver, {
    get(target, name) {
      const value = Reflect.get(target, name) as unknown;
      if (typeof value !== 'function') return value;
      return (...parameters: unknown[]) => {
        if (sent.includes(String(name))) commands.push({ name: String(name), parameters });
        return value.apply(target, parameters) as unknown;
      };
    },
  });
  return commands;
}
const sent = [
  'goto',
  'evaluate',
  'screenshot',
  'setViewport',
  'get',
  'executeScript',
  'executeAsyncScript',
  'takeScreenshot',
];

/** Time of the look and message questions after start-up, over that of the same commands sent by a loop. */
async function overhead(engine: Engine): Promise<void> {
  const found = await engine.find();
  if (found.status === 'missing') return console.log(failureText(found.failure));
  const server = await startPageServer();
  const address = server.add(pageUnderTest(demoForm.markup));
  const { code } = await probeBundle('probe');
  const asking = askingOf(demoForm.markup, ['look', 'message']);
  const ratios: number[] = [];
  let [ukko, minimal, count] = [0, 0, 0];
  for (let round = 0; round < 3; round++) {
    const session = await engine.launch(found.path, plainVariant);
    const page = await session.open(address, code, plainVariant);
    const commands = recorded(page);
    const begin = performance.now();
    await askTarget(
      (three.find((target) => target.engine === engine.name) as EngineTarget).id,
      asking,
      (work) => work(page, session.provenance, null),
      session.provenance,
      () => undefined,
      never,
    );
    ukko = performance.now() - begin;
    await session.close();

    const other = await engine.launch(found.path, plainVariant);
    const bare = await other.open(address, code, plainVariant);
    const { holder, key } = driverOf(bare);
    const driver = holder[key] as Driver;
    const start = performance.now();
    for (const { name, parameters } of commands) await driver[name]?.(...parameters);
    minimal = performance.now() - start;
    count = commands.length;
    await other.close();
    ratios.push(ukko / minimal);
  }
  await server.close();
  const middle = ratios.sort((a, b) => a - b)[1] ?? 0;
  console.log(
    `${engine.title}: ${middle.toFixed(2)} times a loop that sends the same ${count} commands (three rounds: ${ratios.map((one) => one.toFixed(2)).join(', ')}; last ${seconds(ukko)} against ${seconds(minimal)})`,
  );
}

async function sweepTime(name: string, questions: readonly PageQuestion[]): Promise<number> {
  const asking = askingOf(demoForm.markup, questions);
  const failures: string[] = [];
  const firstAnswers = new Map<string, number>();
  const begin = performance.now();
  await sweepEngines(
    three,
    asking,
    (message: SweepMessage) => {
      if (message.type === 'failed') failures.push(failureText(message.failure));
      if (message.type === 'observation' && !firstAnswers.has(message.observation.target))
        firstAnswers.set(message.observation.target, performance.now() - begin);
    },
    never,
  );
  const took = performance.now() - begin;
  console.log(
    `${name}, three engines side by side: ${seconds(took)}, first answers after ${[...firstAnswers.values()].map(seconds).join(', ')}${failures.length > 0 ? `; failed: ${failures.join(' ')}` : ''}`,
  );
  return took;
}

async function cancelTime(): Promise<void> {
  const times: number[] = [];
  for (const after of [300, 1500, 4000, 8000]) {
    const abort = new AbortController();
    const sweep = sweepEngines(
      three,
      askingOf(demoForm.markup, sweepQuestions),
      () => undefined,
      abort.signal,
    );
    await wait(after);
    const begin = performance.now();
    abort.abort();
    await sweep.catch(() => undefined);
    times.push(performance.now() - begin);
  }
  console.log(`Cancel, 0.3, 1.5, 4 and 8 s after the beginning: ${times.map(seconds).join(', ')}`);
  await wait(6000);
  console.log(`Left behind after that: ${left().length} processes`);
}

/** Browsers, drivers and displays that were started by this process: each has its folder in its environment. */
function left(): number[] {
  return readdirSync('/proc').flatMap((name) => {
    const id = Number(name);
    try {
      const own = readFileSync(`/proc/${id}/environ`, 'utf8').includes('UKKO_KEPT_FOLDER=');
      return own && !readFileSync(`/proc/${id}/cmdline`, 'utf8').includes('keeper.mjs') ? [id] : [];
    } catch {
      return [];
    }
  });
}

/** Sweeps in which one engine is killed at a random moment: what was answered stays, the rest is named as failed. */
async function kills(rounds: number): Promise<void> {
  const asking = askingOf(demoForm.markup, ['look', 'message']);
  const owed = planOf(asking).length * three.length;
  let [lost, failedTargets, others] = [0, 0, 0];
  for (let round = 0; round < rounds; round++) {
    const answered = new Set<string>();
    const failed = new Set<string>();
    const sweep = sweepEngines(
      three,
      asking,
      (message) => {
        if (message.type === 'failed') failed.add(message.target);
        if (message.type !== 'observation') return;
        const { target, question, field } = message.observation;
        answered.add(
          [target, question, field, 'state' in message.observation ? message.observation.state : ''].join(),
        );
      },
      never,
    );
    await wait(Math.random() * 9000);
    const victims = left();
    const victim = victims[Math.floor(Math.random() * victims.length)];
    if (victim !== undefined)
      try {
        process.kill(victim, 'SIGKILL');
      } catch {
        // It went by itself in this very moment.
      }
    await sweep;
    lost += owed - answered.size;
    failedTargets += failed.size;
    if (failed.size > 1) others++;
    await wait(300);
    const behind = left();
    console.log(
      `kill ${round + 1}: ${answered.size} of ${owed} answers or named failures, failed targets: ${[...failed].join(', ') || 'none'}, left behind: ${behind.length}`,
    );
  }
  console.log(
    `${rounds} kills: ${lost} answers lost without a word, ${failedTargets} targets failed, ${others} times more than one, ${left().length} processes left`,
  );
}

const [what, count] = process.argv.slice(2);
if (what === 'kills') await kills(Number(count ?? 20));
else if (what === 'edits') await benchEdits(Number(count ?? 20));
else if (what === 'many') await benchMany(Number(count ?? 300));
else if (what === 'replay') await import('./bench-replay');
else if (what === 'views') await import('./bench-views');
else if (what === 'blocks') await import('./bench-blocks');
else if (what === 'survey') await import('./bench-survey');
else if (what === 'patterns') await import('./bench-patterns');
else if (what === 'overhead') for (const engine of Object.values(engines)) await overhead(engine);
else {
  for (const engine of Object.values(engines)) await overhead(engine);
  const short = await sweepTime('Look and message', ['look', 'message']);
  const long = await sweepTime('Everything', sweepQuestions);
  console.log(`Everything takes ${(long / short).toFixed(1)} times look and message`);
  await benchEdits();
  await benchMany();
  await cancelTime();
  await import('./bench-replay');
  await import('./bench-patterns');
  await import('./bench-views');
  await import('./bench-blocks');
  await import('./bench-survey');
}
