import type { CDPSession, HTTPRequest, Page } from 'puppeteer-core';
import type { AddressFault } from '@/core/document/page-fault';
import { EngineLost } from '../api/engine';
import type { Gate } from '../api/gate';

/** Sees to where a page is led. */
export interface LedAway {
  /** Does a work in the page; throws `EngineLost` as soon as the page is, or was since the last time, led where it must not go. */
  unless<T>(work: () => Promise<T>): Promise<T>;
}

/**
 * Looks where a page is led before the request goes out, redirects too. What it asks for besides is not looked at: that would hold up
 * requests of its workers in Chromium; the proxy of the gate sees to it.
 */
export async function standAt(gate: Gate, page: Page, browser: 'chrome' | 'firefox'): Promise<LedAway> {
  let led: AddressFault | null = null;
  let tell: () => void = () => undefined;
  const mayGo = (address: string): boolean => {
    const fault = gate.fault(address);
    if (fault === null) return true;
    led = fault;
    tell();
    return false;
  };
  if (browser === 'chrome') await lookAtDocuments(await page.createCDPSession(), mayGo);
  else await lookAtRequests(page, mayGo);
  const fail = (): never => {
    const fault = led ?? { code: 'no address' };
    led = null;
    throw new EngineLost({ code: 'led away', fault }, { isSettled: true });
  };
  return {
    async unless(work) {
      if (led !== null) fail();
      const away = new Promise<void>((resolve) => {
        tell = resolve;
      });
      // Whether it came or failed, it did so in a page that was led away.
      const come = work().finally(() => led !== null && fail());
      try {
        return await Promise.race([come, away.then(fail)]);
      } finally {
        // Where it is led after this, the next work fails.
        tell = () => undefined;
      }
    },
  };
}

/** Over the engine's own protocol, which can pick documents out (Fetch domain). */
async function lookAtDocuments(protocol: CDPSession, mayGo: (address: string) => boolean): Promise<void> {
  const { frameTree } = await protocol.send('Page.getFrameTree');
  protocol.on('Fetch.requestPaused', ({ requestId, request, frameId }) => {
    const answer =
      frameId !== frameTree.frame.id || mayGo(request.url)
        ? protocol.send('Fetch.continueRequest', { requestId })
        : protocol.send('Fetch.failRequest', { requestId, errorReason: 'AccessDenied' });
    // A page that goes takes its requests along.
    answer.catch(() => undefined);
  });
  await protocol.send('Fetch.enable', { patterns: [{ resourceType: 'Document', requestStage: 'Request' }] });
}

/** Over WebDriver BiDi ("network.addIntercept"), which knows requests of all kinds only. */
async function lookAtRequests(page: Page, mayGo: (address: string) => boolean): Promise<void> {
  const answer = (request: HTTPRequest): Promise<void> =>
    !request.isNavigationRequest() || request.frame() !== page.mainFrame() || mayGo(request.url())
      ? request.continue()
      : request.abort('accessdenied');
  page.on('request', (request) => {
    answer(request).catch(() => undefined);
  });
  await page.setRequestInterception(true);
}
