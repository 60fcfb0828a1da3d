import { afterAll, describe, expect, it } from 'vitest';
import { askingOf } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import { plainVariant } from '@/core/target/variant';
import type { EnginePage } from '@/engines/api/engine';
import { ownEngines } from '@/engines/engines';
import { type PageServer, startPageServer } from '@/engines/network/page-server';
import { WarmBrowsers } from '@/engines/pool/warm-browsers';
import { sweepEngines } from '@/engines/sweep-engines';
import { probeBundle } from '@/probe/bundle';
import { startPage } from '../fixtures/served-page';
import { browsers, ownTargets } from './asking-engines';

const field = { kind: 'text', ordinals: [0] } as const;
const button = { kind: 'submit', ordinals: [1] } as const;
const page = `<!doctype html><form method=post><input name=station autocomplete=on><button>Send</button></form>`;

/** What a page finds of those before it. */
const found = `(() => ({
  cookie: document.cookie,
  stored: { ...localStorage },
  session: { ...sessionStorage },
  named: window.name,
  zoom: devicePixelRatio,
  width: innerWidth,
  value: document.querySelector('input').value,
}))()`;

const left = `(() => {
  document.cookie = 'left=behind';
  localStorage.left = sessionStorage.left = 'behind';
  window.name = 'left behind';
})()`;

describe.each(ownEngines().map((engine) => [engine.title, engine] as const))('a warm %s', (_, engine) => {
  const pool = new WarmBrowsers();
  afterAll(async () => {
    await pool.close();
    expect(browsers()).toEqual([]);
  });

  /** In the one browser of the pool, from a server of its own, as a sweep does. */
  async function withPage<Result>(
    work: (page: EnginePage, server: PageServer) => Promise<Result>,
  ): Promise<Result> {
    const lent = await pool.take(engine, plainVariant, {});
    const server = await startPageServer();
    const { code } = await probeBundle('probe');
    const opened = await lent.session.open(server.add(page), code, plainVariant);
    const result = await work(opened, server);
    await server.close();
    await lent.giveBack(true);
    expect(pool.size).toBe(1);
    return result;
  }

  it('finds nothing of what the page before it left, and suggests nothing that was sent there', async () => {
    const isNew = await withPage((opened) => opened.evaluate(found));
    await withPage(async (opened, server) => {
      await opened.evaluate(left);
      const receiver = server.receiver();
      for (const text of ['Tern Rock', 'Tern Holm']) {
        await opened.probe('reset');
        await opened.probe('focus', field);
        for (const key of text) await opened.press(key);
        expect(await opened.probe('mayBeSent', button, receiver.address)).toBeNull();
        const place = await opened.probe('bringIntoSight', button);
        if (place) await opened.click?.(Math.round(place.x + 5), Math.round(place.y + 5));
        await expect
          .poll(() => receiver.take().map(({ body }) => body), { timeout: 5000 })
          .toEqual([`station=${text.replace(' ', '+')}`]);
      }
    });
    const [isLater, suggested] = await withPage(async (opened) => {
      const told = await opened.evaluate(found);
      const window = await opened.window();
      const control = await opened.probe('bringIntoSight', field);
      if (window.status !== 'there' || !control) throw new Error('no window');
      await opened.probe('focus', field);
      await opened.press('T');
      return [told, await window.appearing(control, { kind: 'key', key: 'Down' }, 900)];
    });
    expect([isLater, suggested?.box ?? null]).toEqual([isNew, null]);
  });

  it('is not lent again once a person has zoomed its pages, which it keeps in mind', async () => {
    const lent = await pool.take(engine, plainVariant, {});
    const server = await startPageServer();
    const { code } = await probeBundle('probe');
    const opened = await lent.session.open(server.add(page), code, plainVariant);
    const window = await opened.window();
    if (window.status === 'there') await window.press('ctrl+plus');
    await expect.poll(() => opened.evaluate('innerWidth')).toBeLessThan(800);
    await lent.giveBack(true);
    expect([pool.size, lent.session.isThere()]).toEqual([0, false]);
    await server.close();
  });

  it('is another one once the one that waited has ended', async () => {
    const { session, giveBack } = await pool.take(engine, plainVariant, {});
    await giveBack(true);
    await session.close();
    const next = await pool.take(engine, plainVariant, {});
    expect(next.session).not.toBe(session);
    await next.giveBack(true);
  });

  it('opens a page of one’s own behind its gate, and is gone afterwards', async () => {
    const html =
      '<form action=/log><label>Buoy <input name=buoy></label><button>Send</button></form><script>if (location.hash) location.href = "http://elsewhere.test/"</script>';
    const served = await startPage(html);
    const targets = ownTargets.filter((target) => target.engine === engine.name);
    pool.warm(engine, plainVariant, true);
    const asked = async (hash: string) => {
      const said: string[] = [];
      const own = { address: `${served.address}${hash}`, form: 0, steps: '' };
      await sweepEngines(
        targets,
        askingOf(html, ['look', 'submission'], {}, null, own),
        (message) => {
          if (message.type === 'observation') said.push(toldOutcome(message.observation.outcome));
        },
        new AbortController().signal,
        { browsers: pool },
      );
      return [...new Set(said)].toSorted();
    };
    expect(await asked('')).toEqual(['answered', 'inapplicable']);
    expect(await asked('#away')).toEqual(['failed: led away']);
    // What waits now was never lent.
    await expect.poll(() => pool.size).toBeLessThanOrEqual(1);
    await served.stop();
  });
});

function toldOutcome(outcome: Observation['outcome']): string {
  return outcome.status === 'failed' ? `failed: ${outcome.failure.code}` : outcome.status;
}
