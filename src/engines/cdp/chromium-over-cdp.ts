import { chromiumData } from '../bidi/chromium';
import { puppeteerEngine } from '../puppeteer/puppeteer-engine';
import { keyboardOverCdp } from './keyboard-over-cdp';

/** The same Chromium over the Chrome DevTools Protocol, which engines speak that are older than WebDriver BiDi. */
export const chromiumOverCdp = puppeteerEngine({
  ...chromiumData,
  protocol: 'cdp',
  keyboard: keyboardOverCdp,
});
