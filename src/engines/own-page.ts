import { setTimeout as wait } from 'node:timers/promises';
import { type OwnPage, type PagePlace, pageAddressFault } from '@/core/document/own-page';
import type { PageFault } from '@/core/document/page-fault';
import { type PageStep, readSteps } from '@/core/document/page-steps';
import { attribute, type Field } from '@/core/html/field';
import type { PageRead, PageSight } from '@/core/page/page-sight';
import { plainVariant } from '@/core/target/variant';
import type { ControlSign } from '@/probe/api/probe-api';
import { probeGlobal } from '@/probe/api/probe-api';
import { probeBundle } from '@/probe/bundle';
import { EngineLost, type EnginePage, type PrepareDocument } from './api/engine';
import { ownDocument } from './api/own-document';
import { stopwatch } from './api/stopwatch';
import { ownEngines } from './engines';
import { givenOut, TooLarge } from './network/dev-server';
import { pageOrigins } from './network/gate';
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
}: Pick<OwnPage, 'address' | 'steps'>): Promise<PageFault | null> {
  const fault = pageAddressFault(address, await pageOrigins());
  if (fault) return fault;
  const reading = readSteps(steps);
  if (reading.status === 'fault') return { code: 'step', line: reading.line, fault: reading.fault };
  return answerFault(address);
}

/** How long a dev server may take to answer at all, ms: some build their pages when they are asked for. */
const answerTime = 10_000;

/** What is wrong with what a server gives out at an address; null when it is a page, or leads to one. */
async function answerFault(address: string): Promise<PageFault | null> {
  try {
    const { status, location, text } = await givenOut(new URL(address), AbortSignal.timeout(answerTime));
    if (status >= 400 && text.trim() === '') return { code: 'empty answer', address, status };
    if (location === null) return null;
    const to = new URL(location, address).href;
    const fault = pageAddressFault(to, await pageOrigins());
    return fault && { code: 'leads on', address, to, fault };
  } catch (error) {
    if (error instanceof TooLarge) return { code: 'endless answer', address, says: error.message };
    const isLate = error instanceof Error && /abort|timeout/i.test(`${error.name} ${error.message}`);
    return isLate
      ? { code: 'late answer', address, within: answerTime / 1000 }
      : { code: 'nothing answers', address };
  }
}

/**
 * Does the steps of a page, wherever they lead within the addresses that may be opened.
 * @param read waits until the form has as many controls as these fields, as long as a framework may take; null: waits for no form
 */
export function stepsBefore(
  { steps }: Pick<OwnPage, 'steps'>,
  read: { readonly form: number; readonly fields: readonly Field[] } | null = null,
): PrepareDocument {
  return async (evaluate) => {
    const reading = readSteps(steps);
    const { code } = await probeBundle('probe');
    await checkedPlace(evaluate);
    for (const step of reading.status === 'read' ? reading.steps : []) await doStep(evaluate, code, step);
    if (read) await untilDrawn(evaluate, code, read.form, signsOf(read.fields));
    await checkedPlace(evaluate);
  };
}

async function untilDrawn(
  evaluate: Evaluate,
  code: string,
  form: number,
  signs: readonly (ControlSign | null)[],
): Promise<void> {
  const call = `(() => { if (!window.${probeGlobal}) { ${code} } return window.${probeGlobal}.controlsIn(${form}, ${JSON.stringify(signs)}) >= ${signs.length}; })()`;
  if (await patiently(evaluate, call, drawingTime)) return;
  throw new EngineLost({ code: 'form gone' });
}

/** A page may have led elsewhere. */
async function checkedPlace(evaluate: Evaluate): Promise<void> {
  const address = await patiently(
    evaluate,
    `${ownDocument}.readyState === 'complete' && window.location.href`,
    patience,
  );
  const fault = pageAddressFault(String(address), await pageOrigins());
  if (fault) throw new EngineLost({ code: 'led away', fault }, { isSettled: true });
}

async function doStep(evaluate: Evaluate, code: string, step: PageStep): Promise<void> {
  const call = `(() => { if (${ownDocument}.readyState !== 'complete') return false; if (!window.${probeGlobal}) { ${code} } return window.${probeGlobal}.doStep(${JSON.stringify(step)}); })()`;
  if (await patiently(evaluate, call, patience)) return wait(betweenLooks);
  const about = step.kind === 'go' ? step.path : step.what;
  throw new EngineLost({
    code: 'step found nothing',
    step: step.kind,
    about,
    within: patience / 1000,
  });
}

type Evaluate = Parameters<PrepareDocument>[0];

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

/** The script that makes one form of the page, with the fields that were read from it, the form under test. */
export function probeWithin({ form }: Pick<OwnPage, 'form'>, fields: readonly Field[], code: string): string {
  return `${code};window.${probeGlobal}.within(${form}, ${JSON.stringify(signsOf(fields))});`;
}

/** The same where the person said that the form is to be sent. */
export function probeForReal(
  { form }: Pick<OwnPage, 'form'>,
  fields: readonly Field[],
  code: string,
): string {
  return `${code};window.${probeGlobal}.withinForReal(${form}, ${JSON.stringify(signsOf(fields))});`;
}

/** What tells the controls of fields from others, by their ordinals; null for those between them, which nobody asks about. */
function signsOf(fields: readonly Field[]): (ControlSign | null)[] {
  const signs: ControlSign[] = [];
  for (const control of fields.flatMap(({ controls }) => controls)) {
    const written = (name: string) => attribute(control, name) ?? '';
    signs[control.ordinal] = { element: control.element, name: written('name'), type: written('type') };
  }
  return Array.from(signs, (sign) => sign ?? null);
}

/** Tallest part of a page that is shown, CSS px. */
const tallest = 2400;

async function sightOf(page: EnginePage): Promise<PageSight | null> {
  const document = await page.probe('documentBox');
  const box = { ...document, height: Math.min(document.height, tallest) };
  const [picture] = await page.pictures([box], document);
  return picture ? { picture, doable: await page.probe('doableHere') } : null;
}

/** The forms of a page and how it looks, read by the first engine that is here. Throws `EngineLost`. */
export async function readOwnPage(page: PagePlace, signal: AbortSignal): Promise<PageRead> {
  for (const engine of ownEngines()) {
    const found = await engine.find();
    if (found.status === 'missing') continue;
    return withSession(engine, found.path, page, signal, async (session) => {
      const { code } = await probeBundle('probe');
      const opened = await session.open(page.address, code, plainVariant, stepsBefore(page));
      const isDrawn = `window.${probeGlobal}.controlsIn(0, []) > 0`;
      await patiently((expression) => opened.evaluate(expression), isDrawn, drawingTime);
      return { forms: await opened.probe('formsHere'), sight: await sightOf(opened) };
    });
  }
  throw new EngineLost({ code: 'no engine here', packages: ['chromium'] });
}
