import puppeteer from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inertMarkup } from '@/core/html/inert-markup';
import { failureText } from '@/core/words/failure-words';
import { chromium } from '@/engines/bidi/chromium';
import { attacks } from '../fixtures/attacks';
import { enginesAvailable } from '../fixtures/engines';

const here = await enginesAvailable();

function clickEverything(): void {
  for (const element of document.querySelectorAll<HTMLElement | SVGElement>('a, button, input')) {
    element.focus();
    element.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
  }
}

/** The first wall alone: the markup made inert, in a real engine, on a page without any policy. */
describe.skipIf(!here)('inert markup in a real engine without a policy', () => {
  let browser: Awaited<ReturnType<typeof puppeteer.launch>>;
  let stolen: string[] = [];
  const open = async (markup: string) => {
    const page = await browser.newPage();
    stolen = [];
    let ran = false;
    page.on('console', (message) => {
      ran ||= message.text() === 'stolen';
    });
    await page.setRequestInterception(true);
    page.on('request', (request) => {
      if (request.url() === 'http://127.0.0.1/page') {
        const head =
          '<script>window.steal = () => console.log("stolen"); window.onerror = () => true;</script>';
        void request.respond({ contentType: 'text/html', body: `<!doctype html>${head}${markup}` });
      } else {
        stolen.push(request.url());
        void request.abort();
      }
    });
    await page.goto('http://127.0.0.1/page', { waitUntil: 'load' });
    // A form without an action sends to its own page; that navigation may cut the clicking short.
    await page.evaluate(clickEverything).catch(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 50));
    await page.close();
    return ran;
  };

  beforeAll(async () => {
    const found = await chromium.find();
    if (found.status === 'missing') throw new Error(failureText(found.failure));
    browser = await puppeteer.launch({
      executablePath: found.path,
      args: ['--no-sandbox', '--disable-dev-shm-usage'],
    });
  });
  afterAll(() => browser.close());

  it('the attacks are real: untreated, they run', async () => {
    expect(await open(attacks.join(''))).toBe(true);
  });

  it.each(attacks)('nothing runs or loads of %s', async (markup) => {
    expect(await open(inertMarkup(markup))).toBe(false);
    expect(
      stolen.filter((address) => !/^data:|^http:\/\/127\.0\.0\.1\/(page|favicon\.ico)/.test(address)),
    ).toEqual([]);
  });
});
