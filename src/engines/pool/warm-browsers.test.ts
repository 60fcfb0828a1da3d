import { afterEach, describe, expect, it, vi } from 'vitest';
import { plainVariant } from '@/core/target/variant';
import type { Engine, EngineSession } from '../api/engine';
import type { Gate } from '../api/gate';
import { WarmBrowsers } from './warm-browsers';

const bounds = { mostWaiting: 2, mostUses: 3, longest: 1000, leastFree: 0 };

interface Told {
  readonly engine: Engine;
  /** What became of each browser that was started, in order: renewals, and whether it ended. */
  readonly sessions: { renewed: number; closed: boolean; isThere: boolean; gate?: Gate }[];
}

/** An engine whose browsers are counted. */
function counted(
  name = 'counted',
  { fails = 0, pagesFrom = null as string | null, gatesLater = false } = {},
): Told {
  const sessions: Told['sessions'] = [];
  let left = fails;
  const session = (): EngineSession => {
    const own: Told['sessions'][number] = { renewed: 0, closed: false, isThere: true };
    sessions.push(own);
    return {
      provenance: { mark: 'measured', engine: name, version: '1', protocol: 'none', unable: [] },
      open: () => Promise.reject(new Error('no pages here')),
      placeGate: (gate) => {
        own.gate = gate;
      },
      isThere: () => own.isThere,
      renew: async () => {
        own.renewed++;
      },
      close: async () => {
        own.closed = true;
      },
    };
  };
  const engine: Engine = {
    name,
    title: name,
    protocol: 'none',
    wordsPackages: {},
    pagesFrom,
    ...(gatesLater && { gatesLater }),
    find: async () => ({ status: 'found', path: '/', version: '1' }),
    launch: async () => {
      if (left-- > 0) throw new Error('did not start');
      return session();
    },
  };
  return { engine, sessions };
}

const take = async (
  pool: WarmBrowsers,
  { engine }: Told,
  variant = plainVariant,
  tellsAccessibility = true,
) => pool.take(engine, variant, { tellsAccessibility });

describe('warm browsers', () => {
  afterEach(() => vi.useRealTimers());

  it('lends a browser again that was given back, as new', async () => {
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    const first = await take(pool, told);
    await first.giveBack(true);
    const second = await take(pool, told);
    expect([second.session === first.session, told.sessions]).toEqual([
      true,
      [{ renewed: 1, closed: false, isThere: true }],
    ]);
    await second.giveBack(true);
    await pool.close();
    expect(told.sessions).toEqual([{ renewed: 2, closed: true, isThere: true }]);
  });

  it('lends one browser to one sweep at a time', async () => {
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    const [first, second] = [await take(pool, told), await take(pool, told)];
    expect(first.session).not.toBe(second.session);
    await first.giveBack(true);
    await second.giveBack(true);
    expect(pool.size).toBe(2);
    await pool.close();
  });

  it('ends a browser after its last use, and has another one ready', async () => {
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    for (let use = 0; use < bounds.mostUses; use++) await (await take(pool, told)).giveBack(true);
    expect([told.sessions[0]?.closed, pool.size]).toEqual([true, 1]);
    await (await take(pool, told)).giveBack(true);
    expect(told.sessions.map(({ closed }) => closed)).toEqual([true, false]);
    await pool.close();
  });

  it.each([
    ['over which something went wrong', false, true],
    ['that has gone while it waited', true, false],
  ])('never lends a browser again %s', async (_, isSound, isThere) => {
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    await (await take(pool, told)).giveBack(isSound);
    for (const one of told.sessions) one.isThere = isThere;
    const next = await take(pool, told);
    expect(told.sessions.map(({ closed }) => closed)).toEqual([true, false]);
    await next.giveBack(false);
    expect(pool.size).toBe(0);
  });

  it('keeps no browser behind a gate or of another machine', async () => {
    const pool = new WarmBrowsers(bounds);
    const [gated, remote] = [counted(), counted('remote', { pagesFrom: 'here.example' })];
    const gate = { holdsAll: false } as Gate;
    await (await pool.take(gated.engine, plainVariant, { gate })).giveBack(true);
    await (await take(pool, remote)).giveBack(true);
    pool.warm(gated.engine, plainVariant);
    const behind = await pool.take(gated.engine, plainVariant, { gate });
    expect(gated.sessions).toHaveLength(3);
    await behind.giveBack(true);
    expect([pool.size, remote.sessions[0]?.closed]).toEqual([1, true]);
    await pool.close();
  });

  it('lends one for a page behind a gate, once, where the engine takes a gate later, and has another one ready then', async () => {
    const pool = new WarmBrowsers(bounds);
    const told = counted('late', { gatesLater: true });
    const gate = { holdsAll: false } as Gate;
    pool.warm(told.engine, plainVariant, true);
    const behind = await pool.take(told.engine, plainVariant, { gate });
    expect([told.sessions.length, told.sessions[0]?.gate === gate, pool.size]).toEqual([1, true, 0]);
    await behind.giveBack(true);
    expect([told.sessions[0]?.closed, told.sessions[0]?.renewed, pool.size]).toEqual([true, 0, 1]);
    // One that holds everything has to be there when the browser starts.
    const held = await pool.take(told.engine, plainVariant, { gate: { holdsAll: true } as Gate });
    expect([told.sessions.length, pool.size]).toEqual([3, 1]);
    await held.giveBack(true);
    await pool.close();
    const early = counted('early');
    pool.warm(early.engine, plainVariant, true);
    expect(early.sessions).toEqual([]);
  });

  it('lends one that tells assistive technology more than is asked, and never one that tells less', async () => {
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    await (await take(pool, told, plainVariant, false)).giveBack(true);
    const telling = await take(pool, told, plainVariant, true);
    expect(told.sessions).toHaveLength(2);
    await telling.giveBack(true);
    await take(pool, told, plainVariant, false);
    await take(pool, told, plainVariant, false);
    expect(told.sessions).toHaveLength(2);
    await pool.close();
  });

  it('tells variants apart by what a browser is started with', async () => {
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    await (await take(pool, told)).giveBack(true);
    await (await take(pool, told, { ...plainVariant, width: 360 })).giveBack(true);
    expect(told.sessions).toHaveLength(1);
    await (await take(pool, told, { ...plainVariant, scheme: 'dark' })).giveBack(true);
    expect(told.sessions).toHaveLength(2);
    await pool.close();
  });

  it('ends the one that has waited longest when there are too many', async () => {
    const pool = new WarmBrowsers(bounds);
    const all = ['a', 'b', 'c'].map((name) => counted(name));
    for (const told of all) await (await take(pool, told)).giveBack(true);
    expect(all.map(({ sessions }) => sessions[0]?.closed)).toEqual([true, false, false]);
    await pool.close();
  });

  it('ends one that nobody came for', async () => {
    vi.useFakeTimers();
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    await (await take(pool, told)).giveBack(true);
    await vi.advanceTimersByTimeAsync(bounds.longest - 1);
    expect([pool.size, told.sessions[0]?.closed]).toEqual([1, false]);
    await vi.advanceTimersByTimeAsync(1);
    expect([pool.size, told.sessions[0]?.closed]).toEqual([0, true]);
  });

  it('keeps none where memory is short, and starts none ahead', async () => {
    const pool = new WarmBrowsers({ ...bounds, leastFree: Number.POSITIVE_INFINITY });
    const told = counted();
    pool.warm(told.engine, plainVariant);
    await (await take(pool, told)).giveBack(true);
    expect([pool.size, told.sessions.map(({ closed }) => closed)]).toEqual([0, [true]]);
  });

  it('starts one ahead, once', async () => {
    const pool = new WarmBrowsers(bounds);
    const told = counted();
    pool.warm(told.engine, plainVariant);
    pool.warm(told.engine, plainVariant);
    const lent = await take(pool, told);
    expect([told.sessions.length, pool.size]).toEqual([1, 0]);
    await lent.giveBack(true);
    await pool.close();
  });

  it('starts one for the sweep where one ahead did not start, and says why it does not', async () => {
    const pool = new WarmBrowsers(bounds);
    const [once, twice] = [counted('once', { fails: 1 }), counted('twice', { fails: 2 })];
    pool.warm(once.engine, plainVariant);
    pool.warm(twice.engine, plainVariant);
    await expect(take(pool, once)).resolves.toBeDefined();
    await expect(take(pool, twice)).rejects.toThrow('did not start');
    await pool.close();
  });

  it('keeps nothing once it is closed, whatever is given back or was still starting', async () => {
    const pool = new WarmBrowsers(bounds);
    const [lent, starting] = [counted('lent'), counted('starting')];
    const loan = await take(pool, lent);
    pool.warm(starting.engine, plainVariant);
    await pool.close();
    pool.warm(starting.engine, plainVariant);
    await loan.giveBack(true);
    expect([...lent.sessions, ...starting.sessions].map(({ closed }) => closed)).toEqual([true, true]);
    expect(pool.size).toBe(0);
  });
});
