/**
 * Packs Ukko, installs the package into an empty project, and uses it there: the command answers, a form is swept, the app starts, all
 * without a build. Part of `npm test`.
 */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './start-app.mjs';

/** Largest that a package may be, bytes. */
const mostBytes = 40_000_000;

/** @returns {Promise<boolean>} true when all of it works; what does not is printed */
export async function packageWorks() {
  const folder = mkdtempSync(join(tmpdir(), 'ukko-package-'));
  try {
    const file = packed(folder);
    const project = join(folder, 'project');
    mkdirSync(project);
    writeFileSync(join(project, 'package.json'), '{"name":"somebody","private":true}');
    const quiet = ['--prefer-offline', '--no-fund', '--no-audit', '--ignore-scripts'];
    run(project, 'npm', 'install', '-D', file, ...quiet);
    const ukko = (...parameters) => run(project, 'npx', '--no-install', 'ukko', ...parameters);
    ukko('--version');
    const form = '<form><label>Station <input name="station" required></label><button>Send</button></form>';
    writeFileSync(join(project, 'form.html'), form);
    const asked = ['--targets', 'chromium,blink-phone', '--questions', 'look,message'];
    ukko('sweep', 'form.html', ...asked, '--out', 'run.json', '--html', 'report.html');
    statSync(join(project, 'report.html'));
    await appAnswers(project);
    return true;
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    return false;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function run(cwd, program, ...parameters) {
  const { status, stdout, stderr } = spawnSync(program, parameters, {
    cwd,
    encoding: 'utf8',
    timeout: 300_000,
  });
  if (status !== 0) throw new Error(`${program} ${parameters.join(' ')}: ${status}\n${stdout}\n${stderr}`);
  return stdout;
}

/** @returns the path of the package */
function packed(folder) {
  const told = JSON.parse(run(root, 'npm', 'pack', '--json', '--silent', '--pack-destination', folder));
  // Some versions of npm give them by the name of the package.
  const [{ filename, files }] = Array.isArray(told) ? told : Object.values(told);
  const file = join(folder, filename.replace('@', '').replace('/', '-'));
  const { size } = statSync(file);
  if (size > mostBytes) throw new Error(`The package has ${size} bytes, more than ${mostBytes}.`);
  const stray = files.find(({ path }) => /\.test\.ts$|^docs\/|^e2e\/|^tests\/|\.png$/.test(path));
  if (stray) throw new Error(`The package has ${stray.path}, which nobody needs there.`);
  console.log(`${(size / 1_000_000).toFixed(1)} MB, ${files.length} files`);
  return file;
}

/** Starts `ukko app` in the project and looks at its first page. */
async function appAnswers(project) {
  const app = spawn(process.execPath, [join(project, 'node_modules/.bin/ukko'), 'app'], {
    cwd: project,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = once(app, 'exit');
  try {
    const address = await addressSaid(app);
    const page = await fetch(`${address}/form`);
    if (!page.ok || !(await page.text()).includes('Ukko'))
      throw new Error(`ukko app answers with ${page.status}`);
    const { engines } = await (await fetch(`${address}/api/engines`)).json();
    if (engines.length === 0) throw new Error('The packaged app knows no engine.');
  } finally {
    app.kill('SIGTERM');
    await ended;
  }
}

function addressSaid(app) {
  return new Promise((resolve, reject) => {
    let said = '';
    app.stdout.on('data', (part) => {
      said += part;
      const [found] = /http:\S+/.exec(said) ?? [];
      if (found) resolve(found);
    });
    app.once('exit', () => reject(new Error(`ukko app ended: ${said}`)));
  });
}
