/** What `npm run demo` and `npm test` need before anything else. Plain Node: nothing is installed yet when this runs. */
import { spawnSync } from 'node:child_process';
import { accessSync, constants, existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { delimiter, isAbsolute, join } from 'node:path';
import { root } from './start-app.mjs';

/** Debian packages by the program, or the file, that they bring. */
const systemPackages = {
  chromium: ['chromium', 'chromium-l10n', 'fonts-liberation', 'fonts-noto-core'],
  chromedriver: ['chromium-driver'],
  'firefox-esr': [
    'firefox-esr',
    'firefox-esr-l10n-ar',
    'firefox-esr-l10n-de',
    'firefox-esr-l10n-en-gb',
    'firefox-esr-l10n-fi',
  ],
  WebKitWebDriver: ['webkit2gtk-driver'],
  Xvfb: ['xvfb'],
  openbox: ['openbox'],
  xdotool: ['xdotool'],
  xcompmgr: ['xcompmgr'],
  xclip: ['xclip'],
  sway: ['sway'],
  squeekboard: ['squeekboard'],
  grim: ['grim'],
  'dbus-daemon': ['dbus'],
  '/usr/libexec/at-spi2-registryd': ['at-spi2-core'],
  // Without it what is written in Chinese, Japanese or Korean is boxes in every picture.
  '/usr/share/fonts/truetype/droid/DroidSansFallbackFull.ttf': ['fonts-droid-fallback'],
  gsettings: ['libglib2.0-bin', 'gsettings-desktop-schemas', 'dconf-gsettings-backend', 'dconf-service'],
};

/** Runs a program with its output shown, or, quiet, only when it fails; true when it ended well. */
export function run(program, parameters, env = {}, quiet = false) {
  const { status, stdout } = spawnSync(program, parameters, {
    cwd: root,
    stdio: quiet ? ['ignore', 'pipe', 'inherit'] : 'inherit',
    encoding: 'utf8',
    env: { ...process.env, ...env },
  });
  if (quiet && status !== 0) console.log(stdout);
  return status === 0;
}

/** Installs exactly the npm packages of the lock file, unless they are there already. */
export function ensurePackages() {
  const lock = join(root, 'package-lock.json');
  const mark = join(root, 'node_modules', '.ukko-installed');
  const wanted = readFileSync(lock, 'utf8');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  console.log('Installing npm packages…');
  if (!run('npm', ['ci', '--prefer-offline', '--no-fund', '--no-audit']))
    throw new Error('The npm packages could not be installed; what npm said stands above.');
  writeFileSync(mark, wanted);
}

/** What is on most people's machines, and which a browser starts when it finds it: tests see to it that none of it stays behind. */
const usualCompanions = { 'dbus-launch': ['dbus-x11', 'at-spi2-core'] };

/** Installs missing system packages when this is a Debian machine and we are root; else prints the one command to run. @param {boolean} forTests whether tests are to be run too */
export function ensureSystemPackages(forTests = false) {
  const wanted = { ...systemPackages, ...(forTests && usualCompanions) };
  const missing = Object.entries(wanted).flatMap(([name, packages]) => (isHere(name) ? [] : packages));
  if (missing.length === 0) return;
  const install = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (!onPath('apt-get')) {
    const names = Object.keys(wanted).filter((name) => !isHere(name));
    console.warn(
      `Not on this machine: ${names.join(', ')}. Ukko works without them; the line-up says which targets there are.\ndocs/engines.md says how to get the others on this system.\n`,
    );
    return;
  }
  if (process.getuid?.() !== 0) {
    console.warn(
      `An engine is missing. Ukko works without it; to have it asked too, run:\n\n  sudo ${install}\n`,
    );
    return;
  }
  console.log('Installing engines from Debian’s packages…');
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-q'], quiet);
  if (!run('apt-get', ['install', '-y', '-q', '--no-install-recommends', ...missing], quiet))
    console.warn(`The engines could not be installed. To try again, run:\n\n  ${install}\n`);
}

function isHere(name) {
  return isAbsolute(name) ? existsSync(name) : onPath(name);
}

function onPath(program) {
  return (process.env.PATH ?? '').split(delimiter).some((directory) => {
    try {
      accessSync(join(directory, program), constants.X_OK);
      return true;
    } catch {
      return false;
    }
  });
}

/** True when a build is there and nothing that goes into it is newer. */
export function buildIsCurrent() {
  const mark = join(root, '.next', 'BUILD_ID');
  if (!existsSync(mark)) return false;
  const built = statSync(mark).mtimeMs;
  const { stdout } = spawnSync(
    'find',
    ['src', 'next.config.ts', 'package-lock.json', '-newermt', new Date(built).toISOString(), '-type', 'f'],
    {
      cwd: root,
      encoding: 'utf8',
    },
  );
  return stdout.trim() === '';
}

export function build(quiet = false) {
  const next = join(root, 'node_modules/next/dist/bin/next');
  return run(process.execPath, [next, 'build'], { NEXT_TELEMETRY_DISABLED: '1' }, quiet);
}
