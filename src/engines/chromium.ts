import { bidiEngine } from './bidi-engine';

export const chromium = bidiEngine({
  name: 'chromium',
  title: 'Chromium',
  browser: 'chrome',
  variable: 'UKKO_CHROMIUM',
  programs: ['chromium', 'chromium-browser'],
  debianPackage: 'chromium',
  parameters: [
    '--no-sandbox',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
    '--disable-quic',
    '--disable-dev-shm-usage',
    '--force-device-scale-factor=1',
    '--hide-scrollbars',
    '--lang=en-US',
  ],
  env: { LANGUAGE: 'en_US', LANG: 'en_US.UTF-8' },
  preferences: {},
});
