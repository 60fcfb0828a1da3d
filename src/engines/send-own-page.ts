import { setTimeout as wait } from 'node:timers/promises';
import { validTrial } from '@/core/document/trial-value';
import type { Field } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import type { RealQuestion, RealSending } from '@/core/page/real-sending';
import { plainVariant } from '@/core/target/variant';
import { middleOf } from '@/probe/api/box';
import { type Box, probeGlobal } from '@/probe/api/probe-api';
import { probeBundle } from '@/probe/bundle';
import { enterValues } from '@/probe/questions/enter-values';
import { probeField } from '@/probe/questions/question-context';
import { EngineLost, type EnginePage } from './api/engine';
import { ownDocument } from './api/own-document';
import { stopwatch } from './api/stopwatch';
import { engineNamed } from './engines';
import { probeForReal, stepsBefore } from './own-page';
import { withSession } from './with-session';

/** How long what was sent may take to lead anywhere or to be answered, and how long all has to be quiet, ms. */
const patience = { longest: 10_000, quiet: 700, betweenLooks: 100 } as const;

/**
 * Opens a page, does its steps, and presses a button of its form with nothing held back: what it sends arrives. Throws
 * `EngineLost`.
 */
export async function sendOwnPage(
  { page, markup, language, button: pressed, filled, engine: name }: RealQuestion,
  signal: AbortSignal,
): Promise<RealSending> {
  const { fields } = readForm(markup, language);
  const button = fields.find(({ id }) => id === pressed);
  if (!button) throw new EngineLost({ code: 'button gone' });
  const engine = await engineNamed(name);
  const found = await engine.find();
  if (found.status === 'missing') throw new EngineLost(found.failure);
  return withSession(engine, found.path, page, signal, async (session) => {
    const { code } = await probeBundle('probe');
    const probe = probeForReal(page, fields, code);
    const prepare = stepsBefore(page, { form: page.form, fields });
    const opened = await session.open(page.address, probe, plainVariant, prepare);
    if (filled) await enterValues(opened, fields, validTrial);
    const from = await opened.evaluate('location.href');
    await press(opened, button);
    const { engine: title, version } = session.provenance;
    const came = await whatCame(opened, String(from));
    return { engine: title, version, at: new Date().toISOString(), ...came, picture: await sight(opened) };
  });
}

async function press(page: EnginePage, button: Field): Promise<void> {
  const place = await page.probe('bringIntoSight', probeField(button));
  if (!place || !page.click) throw new EngineLost({ code: 'button unseen' });
  await page.click(...middleOf(place));
}

type Came = Pick<RealSending, 'requests' | 'led' | 'blocked'>;

/** Looks until a page has come, or every request is answered and nothing more happens. */
async function whatCame(page: EnginePage, from: string): Promise<Came> {
  let last: Came = { requests: [], led: null, blocked: null };
  const elapsed = stopwatch();
  for (let since = 0; elapsed() < patience.longest; await wait(patience.betweenLooks)) {
    // While one page goes and another comes, nothing in it answers.
    const now = await page
      .evaluate(seen)
      .then((value) => value as Seen | null)
      .catch((error: unknown) => {
        if (error instanceof EngineLost && error.isGone) throw error;
        return null;
      });
    if (!now) continue;
    const isElsewhere = now.requests === null || now.address !== from;
    const next: Came = {
      // What was asked before the page was left was seen before it was left.
      requests: now.requests ?? last.requests,
      led: isElsewhere ? { address: now.address, title: now.title, status: now.status } : null,
      blocked: now.blocked[0] ?? null,
    };
    if (JSON.stringify(next) !== JSON.stringify(last)) since = elapsed();
    last = next;
    const isAnswered = next.requests.every(({ status }) => status !== null);
    const isSomething = next.led !== null || next.blocked !== null || next.requests.length > 0;
    if (isSomething && isAnswered && elapsed() - since >= patience.quiet) break;
  }
  return last;
}

interface Seen {
  /** Null in a page that came after. */
  readonly requests: RealSending['requests'] | null;
  readonly blocked: readonly { readonly ordinal: number; readonly message: string }[];
  readonly address: string;
  readonly title: string;
  readonly status: number | null;
}

const seen = `(() => {
  if (${ownDocument}.readyState !== 'complete') return null;
  const probe = window.${probeGlobal};
  const [navigated] = performance.getEntriesByType('navigation');
  return {
    requests: probe ? [...probe.requestsMade()] : null,
    blocked: probe ? [...probe.whatBlocked()] : [],
    address: location.href,
    title: ${ownDocument}.title,
    status: navigated?.responseStatus || null,
  };
})()`;

async function sight(page: EnginePage): Promise<RealSending['picture']> {
  const inSight = (await page.evaluate('({ x: 0, y: 0, width: innerWidth, height: innerHeight })')) as Box;
  const [picture] = await page.pictures([inSight], inSight);
  return picture ?? null;
}
