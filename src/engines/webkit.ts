import { access, constants } from 'node:fs/promises';
import { createServer } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { firstLine } from './deadline';
import { type Display, startDisplay } from './display';
import { type Engine, type EngineFinding, EngineLost, type EngineSession } from './engine';
import { findProgram } from './find-program';
import { endKept, keeping, startKept } from './kept';
import { openSession } from './webdriver-session';

const browsers = [
  '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
  '/usr/lib/aarch64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
];

/** Room for the browser's window around the viewport, px. */
const displaySize = { width: 1024, height: 1024 };

/** WebKitGTK over W3C WebDriver, on a virtual display. `UKKO_WEBKIT` names another driver than the one on the path. */
export const webkit: Engine = {
  name: 'webkit',

  async find(): Promise<EngineFinding> {
    const [driver, display, browser] = await Promise.all([
      findProgram('UKKO_WEBKIT', ['WebKitWebDriver']),
      findProgram('UKKO_XVFB', ['Xvfb']),
      firstReadable(browsers),
    ]);
    if (driver && display && browser) return { status: 'found', path: driver };
    return {
      status: 'missing',
      remedy: 'WebKit is not on this machine. Install it with “apt-get install webkit2gtk-driver xvfb”.',
    };
  },

  async launch(path): Promise<EngineSession> {
    const display = await findProgram('UKKO_XVFB', ['Xvfb']);
    const browser = await firstReadable(browsers);
    if (!display || !browser)
      throw new EngineLost('WebKit’s browser or its display went missing. Install them again.');
    let screen: Display | null = null;
    try {
      screen = await startDisplay(display, displaySize.width, displaySize.height);
      return await startDriver(path, browser, screen);
    } catch (error) {
      await screen?.close();
      throw new EngineLost(`WebKit did not start: ${firstLine(error)}`);
    }
  },
};

async function firstReadable(paths: readonly string[]): Promise<string | null> {
  for (const path of paths) {
    const readable = await access(path, constants.X_OK).then(
      () => true,
      () => false,
    );
    if (readable) return path;
  }
  return null;
}

async function startDriver(path: string, browser: string, display: Display): Promise<EngineSession> {
  const port = await freePort();
  const kept = await keeping(path, {
    DISPLAY: display.name,
    GDK_BACKEND: 'x11',
    LANGUAGE: 'en_US',
    LANG: 'en_US.UTF-8',
    // No bus, no settings of the person's own: every session is like the first.
    GSETTINGS_BACKEND: 'memory',
    NO_AT_BRIDGE: '1',
  });
  const keeper = startKept(kept, ['-p', String(port)]);
  const end = async () => {
    await endKept(keeper, kept);
    await display.close();
  };
  const address = `http://127.0.0.1:${port}`;
  try {
    await answers(address, keeper);
    return await openSession({
      title: 'WebKit',
      address,
      capabilities: { 'webkitgtk:browserOptions': { binary: browser, args: ['--automation'] } },
      isThere: () => keeper.exitCode === null && keeper.signalCode === null,
      end,
    });
  } catch (error) {
    await end();
    throw error;
  }
}

async function answers(address: string, keeper: { exitCode: number | null }): Promise<void> {
  for (let attempt = 0; attempt < 100; attempt++) {
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

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() =>
        typeof address === 'object' && address ? resolve(address.port) : reject(new Error('no port')),
      );
    });
  });
}
