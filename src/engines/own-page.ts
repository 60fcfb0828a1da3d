import { setTimeout as wait } from 'node:timers/promises';
import {
  type OwnPage,
  type PagePlace,
  type PageRead,
  type PageSight,
  pageAddressFault,
} from '@/core/page/own-page';
import { type PageStep, readSteps } from '@/core/page/page-steps';
import { plainVariant } from '@/core/target/variant';
import { probeBundle } from '@/probe/bundle';
import { probeGlobal } from '@/probe/probe-api';
import { givenOut, TooLarge } from './dev-server';
import { type Arrive, EngineLost, type EnginePage } from './engine';
import { engines } from './engines';
import { pageOrigins } from './gate';
import { ledAway } from './stand-at-gate';
import { stopwatch } from './stopwatch';
import { withSession } from './with-session';

/** How long a step may wait for what it is about, ms. */
const patience = 10_000;
const betweenLooks = 100;
/** How long a framework may take to draw its forms, ms. */
const drawingTime = 4000;

/** Why a page may not be opened, or its steps not be done; null when all is well. */
export async function ownPageFault({
  address,
  steps,
}: Pick<OwnPage, 'address' | 'steps'>): Promise<string | null> {
  const fault = pageAddressFault(address, await pageOrigins());
  if (fault) return fault;
  const reading = readSteps(steps);
  if (reading.status === 'fault') return `Line ${reading.line} of the steps: ${reading.text}`;
  return answerFault(address);
}

/** How long a dev server may take to answer at all, ms: some build their pages when they are asked for. */
const answerTime = 10_000;

/** What is wrong with what a server gives out at an address; null when it is a page, or leads to one. */
async function answerFault(address: string): Promise<string | null> {
  try {
    const { status, location, text } = await givenOut(new URL(address), AbortSignal.timeout(answerTime));
    if (status >= 400 && text.trim() === '')
      return `The server answers ${address} with ${status} and an empty page. Mend the path of the address.`;
    const to = location === null ? null : new URL(location, address).href;
    const fault = to === null ? null : pageAddressFault(to, await pageOrigins());
    return fault && `${address} leads to ${to}. ${fault}`;
  } catch (error) {
    if (error instanceof TooLarge)
      return `What ${address} gives out does not end: ${error.message}. Give the address of a page.`;
    const isLate = error instanceof Error && /abort|timeout/i.test(`${error.name} ${error.message}`);
    return isLate
      ? `The server at ${address} took the request and did not answer to the end within ${answerTime / 1000} s. See what it waits for.`
      : `Nothing answers at ${address}. Start the dev server, or mend the address.`;
  }
}

/**
 * Does the steps of a page, wherever they lead within the addresses that may be opened.
 * @param drawn waits until this form has so many controls, as long as a framework may take
 */
export function stepsBefore(
  { steps }: Pick<OwnPage, 'steps'>,
  drawn: { readonly form: number; readonly controls: number } | null = null,
): Arrive {
  return async (evaluate) => {
    const reading = readSteps(steps);
    const { code } = await probeBundle('probe');
    await checkedPlace(evaluate);
    for (const step of reading.status === 'read' ? reading.steps : []) await doStep(evaluate, code, step);
    if (drawn) await untilDrawn(evaluate, code, drawn);
    await checkedPlace(evaluate);
  };
}

async function untilDrawn(
  evaluate: Evaluate,
  code: string,
  { form, controls }: { readonly form: number; readonly controls: number },
): Promise<void> {
  const call = `(() => { if (!window.${probeGlobal}) { ${code} } return window.${probeGlobal}.controlsIn(${form}) >= ${controls}; })()`;
  if (await patiently(evaluate, call, drawingTime)) return;
  throw new EngineLost(
    'The page does not show the form that was read from it any more. Read the page again, or mend the steps before the form.',
  );
}

/** A page may have led elsewhere. */
async function checkedPlace(evaluate: Evaluate): Promise<void> {
  const address = await patiently(
    evaluate,
    `document.readyState === 'complete' && window.location.href`,
    patience,
  );
  const fault = pageAddressFault(String(address), await pageOrigins());
  if (fault) throw new EngineLost(ledAway(fault), { isSettled: true });
}

async function doStep(evaluate: Evaluate, code: string, step: PageStep): Promise<void> {
  const call = `(() => { if (document.readyState !== 'complete') return false; if (!window.${probeGlobal}) { ${code} } return window.${probeGlobal}.doStep(${JSON.stringify(step)}); })()`;
  if (await patiently(evaluate, call, patience)) return wait(betweenLooks);
  const about = step.kind === 'go' ? step.path : step.what;
  throw new EngineLost(
    `The step ${step.kind} “${about}” found nothing in the page within ${patience / 1000} seconds. Mend the steps before the form.`,
  );
}

type Evaluate = Parameters<Arrive>[0];

/** What an expression gives as soon as it is not false; null when it stays so. While one page leads to another, nothing in it answers. */
async function patiently(evaluate: Evaluate, expression: string, longest: number): Promise<unknown> {
  for (const elapsed = stopwatch(); elapsed() < longest; await wait(betweenLooks)) {
    const value = await evaluate(expression).catch((error: unknown) => {
      if (error instanceof EngineLost && error.isGone) throw error;
      return false;
    });
    if (value) return value;
  }
  return null;
}

/** The script that makes one form of the page the form under test. */
export function probeWithin({ form }: OwnPage, code: string): string {
  return `${code};window.${probeGlobal}.within(${form});`;
}

/** Tallest part of a page that is shown, CSS px. */
const tallest = 2400;

async function sightOf(page: EnginePage): Promise<PageSight | null> {
  const size = await page.probe('documentSize');
  const box = { x: 0, y: 0, width: size.width, height: Math.min(size.height, tallest) };
  const [picture] = await page.pictures([box], size);
  return picture ? { picture, doable: await page.probe('doableHere') } : null;
}

/** The forms of a page and how it looks, read by the first engine that is here. Throws `EngineLost`. */
export async function readOwnPage(page: PagePlace, signal: AbortSignal): Promise<PageRead> {
  for (const engine of Object.values(engines)) {
    const found = await engine.find();
    if (found.status === 'missing') continue;
    return withSession(engine, found.path, page, signal, async (session) => {
      const { code } = await probeBundle('probe');
      const opened = await session.open(page.address, code, plainVariant, stepsBefore(page));
      const isDrawn = `window.${probeGlobal}.controlsIn(0) > 0`;
      await patiently((expression) => opened.evaluate(expression), isDrawn, drawingTime);
      return { forms: await opened.probe('formsHere'), sight: await sightOf(opened) };
    });
  }
  throw new EngineLost(
    'No engine is on this machine to open the page. Install one with “apt-get install chromium”.',
  );
}
