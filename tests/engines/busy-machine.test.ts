import { type ChildProcess, spawn } from 'node:child_process';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { askingOf, planOf } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import { enginesAvailable } from '../fixtures/engines';
import { ask, browsers, ownTargets, profiles } from './asking-engines';

const here = await enginesAvailable();
const asking = askingOf(
  '<form><label>Day <input type=date name=day required></label><label>Code <input name=code required pattern="[A-Z]{2}"></label><label>Island <select name=island><option>Hesten<option>Norra</select></label><button>Send</button></form>',
  ['look', 'message', 'opening', 'bubble', 'submission'],
);

/** What was answered, without when, where it was received, and the shadows of pop-ups, which Chromium draws in steps. */
const answersIn = (observations: readonly Observation[]) =>
  observations
    .map(({ at, provenance, ...one }) => {
      const told = JSON.stringify(one).replace(/\/[0-9a-f-]{36}\?/g, '/?');
      return one.question === 'look' ? told : told.replace(/"picture":"\w+"/, '"picture":"there"');
    })
    .sort((a, b) => a.localeCompare(b));

describe.skipIf(!here)('beside four programs that never rest', () => {
  const loops: ChildProcess[] = [];
  beforeAll(() => {
    for (let loop = 0; loop < 4; loop++)
      loops.push(spawn(process.execPath, ['-e', 'for (;;);'], { stdio: 'ignore' }));
  });
  afterAll(() => {
    for (const loop of loops) loop.kill('SIGKILL');
  });

  it('three engines answer everything, and the same as alone', async () => {
    const busy = await ask(ownTargets, asking);
    for (const loop of loops) loop.kill('SIGKILL');
    const alone = await ask(ownTargets, asking);
    expect(busy.observations).toHaveLength(planOf(asking).length * ownTargets.length);
    expect(busy.messages.filter(({ type }) => type === 'finished')).toHaveLength(ownTargets.length);
    expect(answersIn(busy.observations)).toEqual(answersIn(alone.observations));
    expect(browsers()).toEqual([]);
    expect(profiles()).toEqual([]);
  }, 400_000);
});
