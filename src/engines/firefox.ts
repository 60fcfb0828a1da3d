import { bidiEngine } from './bidi-engine';

export const firefox = bidiEngine({
  name: 'firefox',
  title: 'Firefox',
  browser: 'firefox',
  variable: 'UKKO_FIREFOX',
  programs: ['firefox-esr', 'firefox'],
  debianPackage: 'firefox-esr',
  parameters: [],
  env: { LANG: 'en_US.UTF-8' },
  preferences: {
    'layout.css.devPixelsPerPx': '1.0',
    'intl.accept_languages': 'en-US, en',
    // Nothing but the page under test is asked for.
    'network.captive-portal-service.enabled': false,
    'network.connectivity-service.enabled': false,
    'app.update.enabled': false,
    'extensions.getAddons.cache.enabled': false,
  },
});
