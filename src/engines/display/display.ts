import { type ChildProcess, execFile, spawn } from 'node:child_process';
import { once } from 'node:events';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { setTimeout as wait } from 'node:timers/promises';
import { promisify } from 'node:util';
import type { Unmade } from '@/core/observation/reason';
import type { NoWindow } from '@/probe/api/window-on-display';
import { commandTimeout, startTimeout, withDeadline } from '../api/deadline';
import { stopwatch } from '../api/stopwatch';
import type { Raster } from '../picture/raster';
import { findProgram } from '../process/find-program';
import { endSupervised, type Supervised, startSupervised, supervise } from '../process/supervised-process';
import { DisplayInput } from './display-input';
import { ScreenFile } from './screen-file';

const run = promisify(execFile);

/** What is needed to show a window without a monitor, to click in it and to photograph it. */
export interface DisplayPrograms {
  readonly server: string;
  readonly windowManager: string;
  readonly pointer: string;
  /** Fills the clipboard; without it nothing is pasted. */
  readonly clipboard: string | null;
  /** Blends transparent edges of pop-ups with what is under them; without it they are opaque. */
  readonly compositor: string | null;
}

/** A display without a monitor, with a window manager: pop-ups open in active windows only. */
export interface Display {
  /** As DISPLAY names it. */
  readonly name: string;
  /**
   * What is on the whole display now. The pointer is in it.
   * @param into an earlier picture that nobody needs any more: it is written over, and is the one that is returned
   */
  picture(into?: Raster | null): Promise<Raster>;
  /** Moves the pointer, px from the top left, and clicks there with the first button. */
  click(x: number, y: number): Promise<void>;
  /** Moves the pointer, px from the top left. */
  over(x: number, y: number): Promise<void>;
  /** Moves the pointer where it touches nothing. */
  away(): Promise<void>;
  /** Presses a key or a combination, by its X name: `alt+Down`. */
  key(name: string): Promise<void>;
  /** Puts a text on the clipboard. @returns why that cannot be, or null */
  toClipboard(text: string): Promise<Unmade | null>;
  close(): Promise<void>;
}

export const displaySize = { width: 1280, height: 1024 } as const;
/** Where the window manager puts a browser's window: with room around it, so that a pop-up that leaves it is seen whole. */
export const windowPlace = { x: 240, y: 120 } as const;

const names: Readonly<
  Record<Exclude<keyof DisplayPrograms, 'compositor' | 'clipboard'>, readonly [string, string]>
> = {
  server: ['UKKO_XVFB', 'Xvfb'],
  windowManager: ['UKKO_OPENBOX', 'openbox'],
  pointer: ['UKKO_XDOTOOL', 'xdotool'],
};

/** The programs, or why there is no window without them and how to get them. */
export async function findDisplayPrograms(): Promise<DisplayPrograms | NoWindow> {
  const found = await Promise.all(
    Object.entries(names).map(async ([key, [variable, name]]) => [key, await findProgram(variable, [name])]),
  );
  if (found.some(([, path]) => path === null))
    return {
      status: 'failed',
      failure: { code: 'display missing', packages: ['xvfb', 'openbox', 'xdotool'] },
    };
  const compositor = await findProgram('UKKO_XCOMPMGR', ['xcompmgr']);
  const clipboard = await findProgram('UKKO_XCLIP', ['xclip']);
  return {
    ...(Object.fromEntries(found) as Omit<DisplayPrograms, 'compositor' | 'clipboard'>),
    compositor,
    clipboard,
  };
}

/** No title bars: they would change with every pop-up that takes the focus. */
const windowRules = `<?xml version="1.0"?>
<openbox_config xmlns="http://openbox.org/3.4/rc">
  <focus><focusNew>yes</focusNew></focus>
  <applications>
    <application class="*"><decor>no</decor><focus>yes</focus></application>
    <application type="normal"><position force="yes"><x>${windowPlace.x}</x><y>${windowPlace.y}</y></position></application>
  </applications>
</openbox_config>
`;

/** Starts a display with its window manager. Throws when either does not start. */
export async function startDisplay(programs: DisplayPrograms): Promise<Display> {
  const server = await startServer(programs.server);
  const environment = { DISPLAY: server.name };
  const supervised = await supervise(programs.windowManager, environment);
  const rules = join(supervised.folder, 'windows.xml');
  await writeFile(rules, windowRules);
  const manager = startSupervised(supervised, ['--sm-disable', '--config-file', rules]);
  const blending = programs.compositor ? await startCompositor(programs.compositor, environment) : null;
  const close = async () => {
    await blending?.close();
    await endSupervised(manager, supervised);
    await server.close();
  };
  const env = { ...process.env, ...environment };
  const asked = (...parameters: string[]) =>
    run(programs.pointer, parameters, { env, timeout: commandTimeout }).then(() => undefined);
  try {
    await managed(asked, manager);
  } catch (error) {
    await close();
    throw error;
  }
  const screen = new ScreenFile(server.screen);
  const input = new DisplayInput(programs.pointer, env);
  let isAway = false;
  const over = async (x: number, y: number) => {
    isAway = false;
    await input.do('mousemove', String(Math.round(x)), String(Math.round(y)));
  };
  return {
    name: server.name,
    picture: (into = null) => screen.picture(into),
    click: async (x, y) => {
      await over(x, y);
      // Some widgets want to have seen the pointer come before it clicks.
      await wait(beforeClick);
      await input.do('mousedown', '1');
      await wait(clickTime);
      await input.do('mouseup', '1');
    },
    over,
    away: async () => {
      if (!isAway) await input.do('mousemove', '2', '2');
      isAway = true;
    },
    key: (name) => input.do('key', name),
    toClipboard: (text) => fillClipboard(programs.clipboard, text, env),
    close: async () => {
      input.close();
      await screen.close();
      await close();
    },
  };
}

/** How long the pointer stands still before it clicks, and how long its button is down, ms. */
const [beforeClick, clickTime] = [30, 12] as const;

/** Puts a text on the clipboard of a display. @returns why that cannot be, or null */
export async function textToClipboard(display: Display | NoWindow, text: string): Promise<Unmade | null> {
  if (!('status' in display)) return display.toClipboard(text);
  return { code: display.status === 'inapplicable' ? 'remote display' : 'no display' };
}

/** The program goes on holding the text until another one takes the clipboard, or the display goes. */
async function fillClipboard(
  program: string | null,
  text: string,
  env: NodeJS.ProcessEnv,
): Promise<Unmade | null> {
  if (!program) return { code: 'no clipboard program' };
  const child = spawn(program, ['-selection', 'clipboard', '-in'], {
    env,
    stdio: ['pipe', 'ignore', 'ignore'],
  });
  child.stdin.on('error', () => undefined);
  child.stdin.end(text);
  await withDeadline(once(child, 'exit'), 10_000, 'The clipboard');
  // It ends once another process of it goes on, which on a busy machine takes the clipboard a little later.
  for (let attempt = 0; attempt < 100; attempt++) {
    if ((await clipboardText(program, env)) === text) return null;
    await wait(30);
  }
  return { code: 'clipboard refuses' };
}

function clipboardText(program: string, env: NodeJS.ProcessEnv): Promise<string | null> {
  const read = run(program, ['-selection', 'clipboard', '-out'], {
    env,
    timeout: commandTimeout,
    maxBuffer: Number.POSITIVE_INFINITY,
  });
  return read.then(({ stdout }) => stdout).catch(() => null);
}

/** Starts what blends windows; a browser asks when it starts whether that is there, so it comes first. */
async function startCompositor(
  program: string,
  environment: Readonly<Record<string, string>>,
): Promise<{ close(): Promise<void> }> {
  const supervised = await supervise(program, environment);
  const keeper = startSupervised(supervised, ['-n']);
  return { close: () => endSupervised(keeper, supervised) };
}

async function startServer(
  program: string,
): Promise<{ name: string; screen: string; close(): Promise<void> }> {
  const supervised: Supervised = await supervise(program);
  const { width, height } = displaySize;
  // The server keeps its screen in a file: reading it costs next to nothing, and pop-ups are waited for by looking often.
  const screen = ['-screen', '0', `${width}x${height}x24`, '-fbdir', supervised.folder];
  const keeper = startSupervised(supervised, ['-displayfd', '1', ...screen, '-nolisten', 'tcp', '-noreset']);
  try {
    if (!keeper.stdout) throw new Error('no output');
    const lines = createInterface({ input: keeper.stdout });
    const [number] = (await whileRunning(once(lines, 'line'), keeper, 'The virtual display')) as [string];
    lines.close();
    return {
      name: `:${number}`,
      screen: join(supervised.folder, 'Xvfb_screen0'),
      close: () => endSupervised(keeper, supervised),
    };
  } catch (error) {
    await endSupervised(keeper, supervised);
    throw error;
  }
}

/**
 * Waits for a program that was just started, as long as it runs: a busy machine takes what time it takes, and a program that has ended
 * says nothing more.
 */
async function whileRunning<T>(work: Promise<T>, keeper: ChildProcess, name: string): Promise<T> {
  const ended = once(keeper, 'exit').then(() => {
    throw new Error(`${name} ended at its start.`);
  });
  ended.catch(() => undefined);
  return withDeadline(Promise.race([work, ended]), startTimeout, name);
}

/** Waits until the window manager answers; a window that comes before it would keep its title bar. */
async function managed(
  point: (...parameters: string[]) => Promise<void>,
  manager: ChildProcess,
): Promise<void> {
  for (const elapsed = stopwatch(); ; ) {
    try {
      return await point('get_desktop');
    } catch (error) {
      if (manager.exitCode !== null || elapsed() > startTimeout) throw error;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  }
}
