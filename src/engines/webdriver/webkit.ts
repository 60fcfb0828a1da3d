import type { Variant } from '@/core/target/variant';
import { type AccessibilityBus, accessibilityBus } from '../accessibility/accessibility-bus';
import { firstLine } from '../api/deadline';
import {
  type Engine,
  type EngineFinding,
  EngineLost,
  type EngineSession,
  type LaunchOptions,
} from '../api/engine';
import { type Display, findDisplayPrograms, startDisplay } from '../display/display';
import { slowPopUps } from '../display/pop-up-habits';
import { findProgram, packageVersion } from '../process/find-program';
import { localeFolder } from '../process/locale-folder';
import { type MiniBrowserLaunch, miniBrowser, startMiniBrowser } from './mini-browser';
import { openSession, webDriverProtocol } from './webdriver-session';

/** WebKitGTK over W3C WebDriver, on a virtual display. `UKKO_WEBKIT` names another driver than the one on the path, `UKKO_MINIBROWSER` another browser. */
export const webkit: Engine = {
  name: 'webkit',
  title: 'WebKit',
  protocol: webDriverProtocol,
  pagesFrom: null,
  // They come with the engine itself.
  wordsPackages: {},

  async find(): Promise<EngineFinding> {
    const [driver, display, browser] = await Promise.all([
      findProgram('UKKO_WEBKIT', ['WebKitWebDriver']),
      findDisplayPrograms(),
      miniBrowser(),
    ]);
    if (driver && !('status' in display) && browser)
      return { status: 'found', path: driver, version: await packageVersion('libwebkit2gtk-4.1-0') };
    return {
      status: 'missing',
      failure: {
        code: 'engine missing',
        engine: 'WebKit',
        packages: ['webkit2gtk-driver', 'xvfb', 'openbox', 'xdotool'],
        variable: null,
      },
    };
  },

  async launch(path, variant, how = {}): Promise<EngineSession> {
    const programs = await findDisplayPrograms();
    const browser = await miniBrowser();
    if ('status' in programs || !browser) throw new EngineLost({ code: 'programs gone', engine: 'WebKit' });
    let display: Display | null = null;
    let bus: AccessibilityBus | null = null;
    try {
      bus = how.tellsAccessibility ? await accessibilityBus() : null;
      display = await startDisplay(programs);
      return await openOn(display, bus, { driver: path, browser, ...launchOf(variant, display, bus, how) });
    } catch (error) {
      await display?.close();
      await bus?.close();
      throw new EngineLost({ code: 'no start', engine: 'WebKit', said: firstLine(error) });
    }
  },
};

function launchOf(
  variant: Variant,
  display: Display,
  bus: AccessibilityBus | null,
  { gate = null, signal }: LaunchOptions,
): Omit<MiniBrowserLaunch, 'driver' | 'browser'> {
  return {
    env: { ...environment(variant, display), ...bus?.env },
    prepare: async ({ env, folder }) => {
      env.LOCPATH = await localeFolder(folder, `${variant.language.replace('-', '_')}.UTF-8`);
    },
    gate,
    signal,
  };
}

function openOn(
  display: Display,
  bus: AccessibilityBus | null,
  launch: MiniBrowserLaunch,
): Promise<EngineSession> {
  return startMiniBrowser(launch, (browser) =>
    openSession({
      ...browser,
      display,
      popUps: slowPopUps,
      bus,
      end: async () => {
        await browser.end();
        await display.close();
        await bus?.close();
      },
    }),
  );
}

function environment({ language, scheme, zoom }: Variant, display: Display): Record<string, string> {
  const name = language.replace('-', '_');
  return {
    DISPLAY: display.name,
    GDK_BACKEND: 'x11',
    GDK_SCALE: String(zoom),
    // The C library needs a locale that is there; words come from the list of languages.
    LANG: `${name}.UTF-8`,
    LANGUAGE: name,
    ...(scheme === 'dark' && { GTK_THEME: 'Adwaita:dark' }),
    // No bus, no settings of the person's own: every session is like the first.
    GSETTINGS_BACKEND: 'memory',
    NO_AT_BRIDGE: '1',
    // Painting on a graphics processor, or on what stands in for one, smooths the same edge now this way and now that.
    WEBKIT_SKIA_ENABLE_CPU_RENDERING: '1',
  };
}
