import { execFile } from 'node:child_process';
import { chmod, chown, mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { promisify } from 'node:util';
import type { Failure } from '@/core/observation/failure';
import { commandTimeout, firstLine } from '../api/deadline';
import { EngineLost } from '../api/engine';
import { phoneSize } from '../api/phone-size';
import { findProgram } from '../process/find-program';
import { endSupervised, type Supervised, startSupervised, supervise } from '../process/supervised-process';
import { until, untilThere } from '../process/until';
import type { KeyboardLog, KeyboardProgram } from './keyboard-program';
import { keyboardPrograms } from './keyboard-programs';
import { type WaylandPointer, waylandPointer } from './wayland-pointer';

const run = promisify(execFile);

const names = {
  bus: 'dbus-daemon',
  settings: 'gsettings',
  compositor: 'sway',
  camera: 'grim',
} as const;
/** Debian packages that bring them, besides the keyboard's own. */
const displayPackages = [
  'sway',
  'grim',
  'dbus',
  'libglib2.0-bin',
  'gsettings-desktop-schemas',
  'dconf-gsettings-backend',
  'dconf-service',
];
/** Their paths, and the keyboard with its own. */
export type PhonePrograms = Readonly<Record<keyof typeof names, string>> & {
  readonly keyboard: { readonly program: KeyboardProgram; readonly path: string };
};

/** What a phone-sized display with a real on-screen keyboard needs, or how to get it. */
export async function findPhonePrograms(): Promise<
  | { readonly status: 'found'; readonly programs: PhonePrograms }
  | { readonly status: 'missing'; readonly failure: Failure }
> {
  const found = await Promise.all(
    Object.entries(names).map(async ([key, name]) => [
      key,
      await findProgram(`UKKO_${name.toUpperCase().replace('-', '_')}`, [name]),
    ]),
  );
  const keyboard = await findKeyboard();
  if (keyboard && found.every(([, path]) => path !== null))
    return { status: 'found', programs: { ...Object.fromEntries(found), keyboard } };
  const [first] = keyboardPrograms;
  const own = (keyboard?.program ?? first)?.debianPackage ?? [];
  return {
    status: 'missing',
    failure: { code: 'keyboard missing', packages: [own, displayPackages].flat() },
  };
}

async function findKeyboard(): Promise<PhonePrograms['keyboard'] | null> {
  for (const program of keyboardPrograms) {
    const path = await findProgram(program.variable, [program.name]);
    if (path !== null) return { program, path };
  }
  return null;
}

/** A display as large as a phone’s, with an on-screen keyboard and a finger. It is Linux, and the keyboard is one of Linux. */
export interface PhoneScreen {
  /** What a browser needs to come up on it. */
  readonly env: Readonly<Record<string, string>>;
  readonly program: KeyboardProgram;
  /** What the keyboard says of itself. */
  readonly keyboard: KeyboardLog;
  /** px from the top left. */
  tap(x: number, y: number): Promise<void>;
  /** All of it, as PNG. */
  picture(): Promise<Buffer>;
  close(): Promise<void>;
}

/** Somebody who is not root: the compositor refuses root. */
const nobody = 65_534;

const configuration = [
  `output HEADLESS-1 mode --custom ${phoneSize.width}x${phoneSize.height}`,
  'default_border none',
  'xwayland disable',
  'focus_follows_mouse no',
].join('\n');

/** Starts it. Throws `EngineLost` when a part of it does not start; nothing stays behind then. */
export async function startPhoneScreen(programs: PhonePrograms): Promise<PhoneScreen> {
  const supervised: Supervised[] = [];
  const running: [ReturnType<typeof startSupervised>, Supervised][] = [];
  const close = async () => {
    for (const [child, one] of running.toReversed()) await endSupervised(child, one);
    for (const one of supervised) await endSupervised(null, one);
  };
  try {
    const home = await supervise(programs.compositor);
    supervised.push(home);
    const env = await homeOf(home.folder);
    const start = async (
      program: string,
      parameters: readonly string[],
      more: Record<string, string> = {},
    ) => {
      const [path = program, ...before] = asSomebodyElse(program);
      const one = await supervise(path, { ...env, ...more });
      delete one.env.DISPLAY;
      const child = startSupervised(one, [...before, ...parameters]);
      running.push([child, one]);
      return child;
    };
    await start(programs.bus, [
      '--session',
      `--address=${env.DBUS_SESSION_BUS_ADDRESS}`,
      '--nofork',
      '--nopidfile',
    ]);
    await untilThere(join(env.XDG_RUNTIME_DIR, 'bus'));
    const { program, path } = programs.keyboard;
    for (const setting of program.settings) {
      const [settings = programs.settings, ...parameters] = asSomebodyElse(programs.settings);
      const options = { env: { ...process.env, ...env }, timeout: commandTimeout };
      await run(settings, [...parameters, 'set', ...setting], options);
    }
    const rules = join(home.folder, 'screen.conf');
    await writeFile(rules, configuration, { mode: 0o644 });
    await start(programs.compositor, ['-c', rules], headless);
    const socket = join(env.XDG_RUNTIME_DIR, 'wayland-1');
    await untilThere(socket);
    const keyboard = program.log();
    const shown = { ...env, WAYLAND_DISPLAY: 'wayland-1' };
    // It speaks of itself on both outputs.
    const typing = await start('/bin/sh', ['-c', 'exec "$0" 2>&1', path], {
      ...shown,
      ...program.env,
    });
    if (!typing.stdout) throw new Error('the keyboard says nothing');
    createInterface({ input: typing.stdout }).on('line', (line) => keyboard.hear(line));
    await until(() => keyboard.layout !== null, 'the keyboard did not load');
    const pointer: WaylandPointer = await waylandPointer(socket, phoneSize);
    const [camera = programs.camera, ...before] = asSomebodyElse(programs.camera);
    return {
      // Its whole path: the folder of its sockets belongs to somebody else, and some browsers refuse such a one.
      env: { WAYLAND_DISPLAY: socket, DBUS_SESSION_BUS_ADDRESS: env.DBUS_SESSION_BUS_ADDRESS },
      program,
      keyboard,
      tap: (x, y) => pointer.tap(x, y),
      async picture() {
        const { stdout } = await run(camera, [...before, '-'], {
          env: { ...process.env, ...shown },
          encoding: 'buffer',
          maxBuffer: 2 ** 26,
          timeout: commandTimeout,
        });
        return stdout;
      },
      async close() {
        pointer.close();
        await close();
      },
    };
  } catch (error) {
    await close();
    throw new EngineLost({ code: 'phone display no start', said: firstLine(error) });
  }
}

/** No graphics card, no seat, no input devices. */
const headless = {
  WLR_BACKENDS: 'headless',
  WLR_RENDERER: 'pixman',
  WLR_LIBINPUT_NO_DEVICES: '1',
  WLR_HEADLESS_OUTPUTS: '1',
  LIBSEAT_BACKEND: 'noop',
  LIBGL_ALWAYS_SOFTWARE: '1',
};

const isRoot = process.getuid?.() === 0;

function asSomebodyElse(program: string): readonly string[] {
  return isRoot
    ? ['/usr/bin/setpriv', `--reuid=${nobody}`, `--regid=${nobody}`, '--clear-groups', program]
    : [program];
}

/** A home and a folder for sockets that belong to whom the programs run as. */
async function homeOf(folder: string) {
  const env = { HOME: join(folder, 'home'), XDG_RUNTIME_DIR: join(folder, 'run') };
  await chmod(folder, 0o711);
  for (const path of Object.values(env)) {
    await mkdir(path, { mode: 0o700 });
    if (isRoot) await chown(path, nobody, nobody);
  }
  return { ...env, DBUS_SESSION_BUS_ADDRESS: `unix:path=${join(env.XDG_RUNTIME_DIR, 'bus')}` };
}
