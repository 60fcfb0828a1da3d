import type { Language } from '@/core/target/variant';
import { throughProxy } from '../network/through-proxy';
import { type PuppeteerEngine, puppeteerEngine } from '../puppeteer/puppeteer-engine';

/** Names of Firefox's own languages; those besides en-US come in Debian's packages `firefox-esr-l10n-…`. */
const uiLanguages: Readonly<Record<Language, string>> = {
  'en-US': 'en-US',
  'en-GB': 'en-GB',
  'de-DE': 'de',
  'fi-FI': 'fi',
  ar: 'ar',
};

/** Nothing but the page under test is asked for; the window is drawn as its profile says. */
const quietPreferences = {
  'toolkit.legacyUserProfileCustomizations.stylesheets': true,
  'network.captive-portal-service.enabled': false,
  'network.connectivity-service.enabled': false,
  'app.update.enabled': false,
  'extensions.getAddons.cache.enabled': false,
  // What was sent once would be suggested for the next page.
  'browser.formfill.enable': false,
  // Windows that nobody asked for lie over the page.
  'dom.disable_open_during_load': true,
} as const;

export const firefoxData: PuppeteerEngine = {
  protocol: 'webDriverBiDi',
  keyboard: (page) => page.keyboard,
  name: 'firefox',
  title: 'Firefox',
  browser: 'firefox',
  variable: 'UKKO_FIREFOX',
  programs: ['firefox-esr', 'firefox', '/Applications/Firefox.app/Contents/MacOS/firefox'],
  debianPackages: ['firefox-esr'],
  without: [],
  parameters: () => ['--width', '800', '--height', '600'],
  env: ({ language }) => ({ LANG: `${language.replace('-', '_')}.UTF-8` }),
  preferences: ({ language, scheme, zoom }) => ({
    ...quietPreferences,
    'layout.css.devPixelsPerPx': zoom.toFixed(1),
    'intl.accept_languages': `${language}, ${uiLanguages[language]}`,
    'intl.locale.requested': uiLanguages[language],
    'intl.regional_prefs.use_os_locales': true,
    'extensions.autoDisableScopes': 0,
    'extensions.enabledScopes': 15,
    'extensions.langpacks.signatures.required': false,
    'extensions.startupScanScopes': 15,
    'layout.css.prefers-color-scheme.content-override': scheme === 'dark' ? 0 : 1,
    'ui.systemUsesDarkTheme': scheme === 'dark' ? 1 : 0,
  }),
  throughProxy: throughProxy.firefox,
  // A new profile learns at its first start which languages there are, and speaks them from the second on.
  startsTwice: ({ language }) => language !== 'en-US',
  wordsPackages: {
    'en-GB': 'firefox-esr-l10n-en-gb',
    'de-DE': 'firefox-esr-l10n-de',
    'fi-FI': 'firefox-esr-l10n-fi',
    ar: 'firefox-esr-l10n-ar',
  },
  profile: {
    // The window is the page and nothing else, so that what opens over it is all that changes on the display.
    'chrome/userChrome.css': '#navigator-toolbox{visibility:collapse!important}',
  },
  onPhone: {
    parameters: [],
    env: { MOZ_ENABLE_WAYLAND: '1' },
    // In Firefox’s automation every field would say that it wants plain text.
    preferences: { ...quietPreferences, 'focusmanager.testmode': false },
  },
};

export const firefox = puppeteerEngine(firefoxData);
