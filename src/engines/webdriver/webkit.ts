import { cp, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import getPort from 'get-port';
import type { Variant } from '@/core/target/variant';
import { type AccessibilityBus, accessibilityBus } from '../accessibility/accessibility-bus';
import { firstLine, startTimeout } from '../api/deadline';
import {
  type Engine,
  type EngineFinding,
  EngineLost,
  type EngineSession,
  type LaunchOptions,
} from '../api/engine';
import { stopwatch } from '../api/stopwatch';
import { type Display, findDisplayPrograms, startDisplay } from '../display/display';
import { proxyEnvironment } from '../network/through-proxy';
import { findProgram, packageVersion } from '../process/find-program';
import { endSupervised, isRunning, startSupervised, supervise } from '../process/supervised-process';
import { watchedBrowser } from '../process/watched-browser';
import { openSession, webDriverProtocol } from './webdriver-session';

const browsers = [
  '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib/aarch64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
  // Where other systems than Debian put it.
  '/usr/libexec/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib64/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib/webkit2gtk-4.1/MiniBrowser',
];

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
      return await startDriver(path, browser, display, bus, variant, how);
    } catch (error) {
      await display?.close();
      await bus?.close();
      throw new EngineLost({ code: 'no start', engine: 'WebKit', said: firstLine(error) });
    }
  },
};

/** The browser that the driver drives; null when it is not on this machine. */
export function miniBrowser(): Promise<string | null> {
  return findProgram('UKKO_MINIBROWSER', browsers);
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

/**
 * The C library translates words only for a locale that is installed, and most machines have none but its own. That one
 * under the name of the other is enough: words come from LANGUAGE, dates and numbers are the engine's own.
 */
async function localeFolder(folder: string, name: string): Promise<string> {
  const installed = '/usr/lib/locale';
  const names = await readdir(installed).catch(() => []);
  const own = names.find((one) => /^C\.utf-?8$/i.test(one));
  if (own) await cp(join(installed, own), join(folder, 'locale', name), { recursive: true });
  return join(folder, 'locale');
}

async function startDriver(
  path: string,
  browser: string,
  display: Display,
  bus: AccessibilityBus | null,
  variant: Variant,
  { gate = null, signal }: LaunchOptions,
): Promise<EngineSession> {
  const port = await getPort({ host: '127.0.0.1' });
  const supervised = await supervise(path, {
    ...environment(variant, display),
    ...bus?.env,
    ...(gate && proxyEnvironment(gate)),
  });
  supervised.env.LOCPATH = await localeFolder(
    supervised.folder,
    `${variant.language.replace('-', '_')}.UTF-8`,
  );
  const watched = await watchedBrowser(supervised, browser);
  const keeper = startSupervised(supervised, ['-p', String(port)]);
  const end = async () => {
    await endSupervised(keeper, supervised);
    await display.close();
    await bus?.close();
  };
  const stop = () => void endSupervised(keeper, supervised);
  signal?.addEventListener('abort', stop, { once: true });
  const address = `http://127.0.0.1:${port}`;
  try {
    signal?.throwIfAborted();
    await answers(address, keeper);
    const opening = openSession({
      title: 'WebKit',
      address,
      capabilities: {
        'webkitgtk:browserOptions': { binary: watched.path, args: ['--automation'] },
      },
      display,
      redraws: true,
      bus,
      isThere: () => isRunning(keeper),
      end,
    });
    return await watched.whileRunning(opening);
  } catch (error) {
    await end();
    throw error;
  } finally {
    signal?.removeEventListener('abort', stop);
  }
}

/** Waits until a driver that was just started answers at its address. Throws when it ends, or does not. */
export async function answers(address: string, keeper: { exitCode: number | null }): Promise<void> {
  for (const elapsed = stopwatch(); elapsed() < startTimeout; ) {
    if (keeper.exitCode !== null) throw new Error('its driver ended at once');
    const ready = await fetch(`${address}/status`).then(
      (response) => response.ok,
      () => false,
    );
    if (ready) return;
    await wait(50);
  }
  throw new Error('its driver did not answer');
}
