import { languages } from '@/core/target/variant';
import { phoneSize } from '../api/phone-size';
import { windowPlace } from '../display/display';
import { throughProxy } from '../network/through-proxy';
import { type PuppeteerEngine, puppeteerEngine } from '../puppeteer/puppeteer-engine';

/** Room for the browser's own bars around the viewport, px. */
const bars = { width: 40, height: 160 };

/** Nothing but the page under test is asked for and drawn. */
const quietParameters = [
  '--no-sandbox',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--disable-dev-shm-usage',
  '--test-type',
  '--hide-scrollbars',
] as const;

/**
 * What is not taken over of the library's parameters: the bar that says that the browser is driven would take room away from the page,
 * and windows that nobody asked for lie over it.
 */
const leftOut = ['--enable-automation', '--disable-popup-blocking'] as const;

/** What was sent once, or saved as a person's own, would be suggested for the next page. */
const suggestsNothing = { autofill: { profile_enabled: false, credit_card_enabled: false } };

/** Chromium, whatever it is asked over. */
export const chromiumData: Omit<PuppeteerEngine, 'protocol' | 'keyboard'> = {
  name: 'chromium',
  title: 'Chromium',
  browser: 'chrome',
  variable: 'UKKO_CHROMIUM',
  programs: ['chromium', 'chromium-browser', '/Applications/Chromium.app/Contents/MacOS/Chromium'],
  debianPackages: ['chromium', 'chromium-l10n'],
  without: leftOut,
  parameters: ({ language, scheme, zoom }) => [
    ...quietParameters,
    `--force-device-scale-factor=${zoom}`,
    '--animation-duration-scale=0',
    `--window-position=${windowPlace.x / zoom},${windowPlace.y / zoom}`,
    `--window-size=${Math.ceil((800 + bars.width) / zoom)},${Math.ceil((600 + bars.height * zoom) / zoom)}`,
    `--lang=${language}`,
    `--accept-lang=${language}`,
    ...(scheme === 'dark' ? ['--blink-settings=preferredColorScheme=0'] : []),
  ],
  env: ({ language }) => ({ LANGUAGE: language.replace('-', '_'), LANG: 'en_US.UTF-8' }),
  preferences: () => ({}),
  throughProxy: throughProxy.chrome,
  startsTwice: () => false,
  wordsPackages: Object.fromEntries(
    languages.filter((one) => one !== 'en-US').map((one) => [one, 'chromium-l10n']),
  ),
  profile: { 'Default/Preferences': JSON.stringify(suggestsNothing) },
  onPhone: {
    parameters: [
      ...quietParameters,
      '--ozone-platform=wayland',
      '--enable-wayland-ime',
      `--window-size=${phoneSize.width},${phoneSize.height}`,
    ],
    env: {},
    preferences: {},
  },
};

export const chromiumOverBidi: PuppeteerEngine = {
  ...chromiumData,
  protocol: 'webDriverBiDi',
  keyboard: (page) => page.keyboard,
};

export const chromium = puppeteerEngine(chromiumOverBidi);
