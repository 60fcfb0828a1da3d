import { execFile, execFileSync, spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { XMLParser } from 'fast-xml-parser';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import { writeFormFile } from '@/core/document/form-file';
import { observationKey } from '@/core/questions/observation';
import { readRunFile } from '@/core/run/run-file';
import { findPhonePrograms } from '@/engines/phone/phone-screen';
import { bundleCli } from '../scripts/bundled-cli.mjs';
import { enginesAvailable } from './fixtures/engines';
import { hostilePatterns } from './fixtures/hostile-patterns';

const here = await enginesAvailable();
const hasPhone = (await findPhonePrograms()).status === 'found';
const directory = mkdtempSync(join(tmpdir(), 'ukko-cli-'));
/** Where it finds the packages that are no part of it. */
const bundle = join(process.cwd(), `node_modules/.cache/ukko-cli-${process.pid}`);
// Each command starts many times as fast as from its sources.
beforeAll(async () => {
  await bundleCli(bundle);
  process.env.UKKO_CLI = join(bundle, 'ukko.mjs');
});
afterAll(() => {
  delete process.env.UKKO_CLI;
  rmSync(bundle, { recursive: true, force: true });
});
afterAll(() => rmSync(directory, { recursive: true }));
const at = (name: string) => join(directory, name);

/** A folder on a disk of 64 KB; null where nobody may make one. */
const smallDisk = mountedSmall(join(directory, 'disk'));
afterAll(() => {
  if (smallDisk !== null) execFileSync('umount', [smallDisk]);
});

function mountedSmall(path: string): string | null {
  mkdirSync(path);
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=64k', 'tmpfs', path], { stdio: 'ignore' });
    return path;
  } catch {
    return null;
  }
}

interface Ended {
  readonly code: number;
  readonly out: string;
  readonly err: string;
}

function ukko(...parameters: string[]): Promise<Ended> {
  return ukkoHears(null, ...parameters);
}

/** @param input what it reads from standard input; null: that stays open */
function ukkoHears(input: string | null, ...parameters: string[]): Promise<Ended> {
  return new Promise((resolve) => {
    const child = execFile(
      process.execPath,
      [join(process.cwd(), 'bin/ukko.mjs'), ...parameters],
      { cwd: directory },
      (error, out, err) => resolve({ code: typeof error?.code === 'number' ? error.code : 0, out, err }),
    );
    if (input !== null) child.stdin?.end(input);
  });
}

/** Whether a process handles SIGHUP by itself (Linux): one that is still starting does not. */
function hears(id: number): boolean {
  const [, caught = '0'] = /^SigCgt:\s*(\w+)/m.exec(readFileSync(`/proc/${id}/status`, 'utf8')) ?? [];
  return (BigInt(`0x${caught}`) & 1n) !== 0n;
}

/** A process that has ended and that nobody asks for its end counts as gone. */
function isThere(id: number): boolean {
  try {
    return !/^State:\s*Z/m.test(readFileSync(`/proc/${id}/status`, 'utf8'));
  } catch {
    return false;
  }
}

describe('ukko', () => {
  it('explains itself', async () => {
    const { code, out } = await ukko('--help');
    expect(code).toBe(0);
    expect(out).toContain('sweep [options] <form>');
    expect(out).toContain('npx --no-install ukko sweep form.html --out run.json');
  });

  it('answers questions from the model, a line each, in order, and goes on after a bad one', async () => {
    const questions = [
      '{"ask":"validity","target":"firefox","html":"<input id=t type=month>","setValue":"2024-1"}',
      'not JSON',
      '',
      '{"ask":"typing","target":"chromium","html":"<form><input id=t type=number></form>","focus":"script","keys":["1","e","5","x"]}',
      '{"ask":"submission","target":"standard","html":"<form action=/log><input name=a value=1><button id=go></button></form>","by":"#go"}',
    ];
    const answers = await new Promise<string>((resolve) => {
      const child = execFile(process.execPath, [join(process.cwd(), 'bin/ukko.mjs'), 'ask'], (_, out) =>
        resolve(out),
      );
      child.stdin?.end(questions.join('\n'));
    });
    expect(
      answers
        .trimEnd()
        .split('\n')
        .map((line) => JSON.parse(line)),
    ).toEqual([
      { typeReflected: 'text', value: '2024-1', valid: true, flags: [], willValidate: true },
      { error: 'This line is not valid JSON. Write one object on each line.' },
      expect.objectContaining({ value: '1e5', badInput: false, valid: true, flags: [], refused: [3] }),
      { method: 'GET', url: '/log?a=1', contentType: null, body: '', blockedBy: null },
    ]);
  });

  it('replays samples: exit codes, JUnit XML, CSV and JSON', async () => {
    writeFileSync(at('form.json'), writeFormFile(demoForm));
    writeFileSync(at('good.csv'), 'text,expected\ntg47719qx,accepted\nTG4-77,unfinished\n');
    writeFileSync(at('bad.csv'), '"TG4-7719-QX<&",accepted\nTG4,accepted\n');
    const good = await ukko(
      'replay',
      at('form.json'),
      '--samples',
      at('good.csv'),
      '--field',
      'serial',
      '--json',
      at('out.json'),
    );
    expect([good.code, good.out.trim()]).toEqual([0, '2 as expected, 0 not']);
    expect(JSON.parse(readFileSync(at('out.json'), 'utf8')).results[0]).toMatchObject({
      verdict: 'accepted',
      text: 'TG4-7719-QX',
    });
    const bad = await ukko(
      'replay',
      at('form.json'),
      '--samples',
      at('bad.csv'),
      '--field',
      'serial',
      '--targets',
      'chromium,firefox',
      '--junit',
      at('out.xml'),
      '--csv',
      at('out.csv'),
    );
    expect(bad.code).toBe(1);
    expect(bad.out).toContain('chromium: "TG4" is unfinished, accepted was expected (patternMismatch)');
    const { testsuites } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(
      readFileSync(at('out.xml'), 'utf8'),
    );
    expect(
      testsuites.testsuite.map(({ tests, failures }: Record<string, string>) => [tests, failures]),
    ).toEqual([
      ['2', '1'],
      ['2', '1'],
    ]);
    expect(testsuites.testsuite[0].testcase[0].name).toBe('TG4-7719-QX<&');
    expect(readFileSync(at('out.csv'), 'utf8').split('\n')[1]).toBe(
      'chromium,TG4-7719-QX<&,accepted,accepted,TG4-7719-QX,',
    );
    const streamed = await ukkoHears(
      'tg47719qx,accepted\nTG4,accepted\n',
      'replay',
      at('form.json'),
      '--samples',
      '-',
      '--field',
      'serial',
    );
    expect([streamed.code, streamed.out]).toEqual([1, expect.stringContaining('1 as expected, 1 not')]);
  });

  it.each([
    [['replay', 'form.json', '--samples', 'none.csv', '--field', 'serial'], /none\.csv/],
    [['replay', 'form.json', '--samples', 'good.csv', '--field', 'tide'], /no field “tide”/],
    [['replay', 'form.json', '--samples', 'good.csv'], /--field/],
    [
      ['replay', 'form.json', '--samples', 'wrong.csv', '--field', 'serial'],
      /line 1: “maybe” is not a verdict/,
    ],
  ])('says what is wrong with %j', async (parameters, words) => {
    writeFileSync(at('wrong.csv'), 'x,maybe\n');
    const { code, err } = await ukko(
      ...parameters.map((one) => (/\.(?:json|csv)$/.test(one) ? at(one) : one)),
    );
    expect([code, err]).toEqual([2, expect.stringMatching(words)]);
  });

  it.skipIf(!here)('sweeps a form into a run file that the app reads', async () => {
    writeFileSync(at('form.html'), demoForm.markup);
    const { code, err } = await ukko(
      'sweep',
      'form.html',
      '--targets',
      'chromium,blink-phone',
      '--questions',
      'look,message',
      '--out',
      'run.json',
    );
    expect([code, err]).toEqual([0, expect.stringContaining('chromium: done')]);
    const reading = readRunFile(readFileSync(at('run.json'), 'utf8'));
    if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
    expect(new Set(reading.run.observations.map((o) => o.provenance.mark))).toEqual(
      new Set(['measured', 'modelled']),
    );
    expect(reading.run.pictures.length).toBeGreaterThan(50);
  });

  it.skipIf(!here)('goes on with a run: what is there is kept, what is missing is asked', async () => {
    writeFileSync(at('more.html'), '<form><label>A <input name=a></label><button>Go</button></form>');
    const runIn = (name: string) => {
      const reading = readRunFile(readFileSync(at(name), 'utf8'));
      if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
      return reading.run;
    };
    const more = ['sweep', 'more.html', '--targets', 'chromium', '--out', 'more.json', '--questions'];
    expect((await ukko(...more, 'look')).code).toBe(0);
    const before = runIn('more.json');
    const { code, err } = await ukko(...more, 'look,message', '--resume', 'more.json');
    expect([code, err]).toEqual([
      0,
      expect.stringContaining(`${before.observations.length} answers are kept`),
    ]);
    const after = runIn('more.json');
    expect(after.observations.filter(({ question }) => question === 'look')).toEqual(before.observations);
    expect(after.observations.filter(({ question }) => question === 'message')).toHaveLength(2);
    expect(after.pictures).toEqual(before.pictures);
  });

  it.skipIf(!here)('leaves out what takes most of the time where that is asked for', async () => {
    writeFileSync(
      at('fast.html'),
      '<form><label>A <input type=date name=a></label><button>Go</button></form>',
    );
    const sweep = ['sweep', 'fast.html', '--targets', 'chromium', '--out', 'fast.json', '--fast'];
    expect((await ukko(...sweep, '--trace', 'trace.json')).code).toBe(0);
    const { traceEvents } = JSON.parse(readFileSync(at('trace.json'), 'utf8'));
    expect(traceEvents.map(({ name }: { name: string }) => name)).toEqual(
      expect.arrayContaining(['describe', 'look a', 'message a', 'pictures', 'submission button-2']),
    );
    const reading = readRunFile(readFileSync(at('fast.json'), 'utf8'));
    const asked = reading.status === 'read' ? reading.run.observations.map(({ question }) => question) : [];
    expect(new Set(asked)).toEqual(new Set(['look', 'message', 'submission', 'accessibility', 'parts']));
  });

  it.skipIf(!here)('keeps of an edited form what the edit does not reach, and asks the rest', async () => {
    const row = (name: string, more = '') => `<p><label>${name} <input name=${name} ${more}></label></p>`;
    const write = (...rows: string[]) =>
      writeFileSync(at('edited.html'), `<!doctype html><html lang=en><form>${rows.join('')}</form>`);
    const answers = () => {
      const reading = readRunFile(readFileSync(at('edited.json'), 'utf8'));
      if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
      const { observations, pictures } = reading.run;
      const shown = new Set(pictures.map(({ id }) => id));
      for (const one of observations)
        if (one.question === 'look' && one.outcome.status === 'answered')
          expect(shown).toContain(one.outcome.facts.picture);
      return new Map(observations.map((one) => [observationKey(one), one.at]));
    };
    const sweep = ['sweep', 'edited.html', '--targets', 'chromium', '--questions', 'look,message'];
    write(row('a'), row('b'));
    expect((await ukko(...sweep, '--out', 'edited.json')).code).toBe(0);
    const before = answers();
    write(row('a'), row('b', 'required'), row('c'));
    expect((await ukko(...sweep, '--out', 'edited.json', '--resume', 'edited.json')).code).toBe(0);
    const after = answers();
    expect(after.size).toBe((before.size / 2) * 3);
    const kept = [...after]
      .filter(([key, at]) => before.get(key) === at)
      .map(([key]) => key.split('|').at(-1));
    expect([kept.length, new Set(kept)]).toEqual([before.size / 2, new Set(['a'])]);
  });

  it('writes the failed answers too, with exit code 1, when the engine is missing', async () => {
    writeFileSync(at('small.html'), '<input name=a required>');
    process.env.UKKO_CHROMIUM = '/nowhere/chromium';
    const { code, err } = await ukko('sweep', 'small.html', '--out', 'failed.json').finally(() => {
      delete process.env.UKKO_CHROMIUM;
    });
    expect([code, err]).toEqual([1, expect.stringContaining('apt-get install chromium')]);
    expect(readRunFile(readFileSync(at('failed.json'), 'utf8')).status).toBe('read');
  });

  it.each([
    [['sweep', 'nowhere.html', '--out', 'x.json'], 'cannot be read'],
    [['sweep', 'empty.html', '--out', 'x.json'], 'has no fields yet'],
    [
      ['sweep', 'small.html', '--fail-on', 'sometimes'],
      'Choose new, changed, any, never, and harms behind a colon',
    ],
    [['sweep', 'small.html', '--out', 'x.json', '--targets', 'nobody'], 'There is no target “nobody” here'],
    [['sweep', 'small.html', '--out', 'x.json', '--questions', 'smell'], 'There is no question “smell”'],
    [['sweep', 'small.html', '--targets', 'blink-phone', '--out', '/nowhere/x.json'], 'cannot be written'],
  ])('%j: exit code 2 and one sentence', async (parameters, sentence) => {
    writeFileSync(at('empty.html'), '');
    const { code, err } = await ukko(...parameters);
    expect([code, err]).toEqual([2, expect.stringContaining(sentence)]);
  });
});

describe('ukko, from a sweep to a build that fails', () => {
  const page = (value: string) =>
    `<form action="/log"><label>Boat <input name="boat" ${value}></label><label>Sailed <input type="date" name="sailed"></label><button>Send</button></form>`;
  const phone = ['--targets', 'blink-phone', '--quiet'];

  it('ends by itself over patterns that never end, with all of its reports', {
    timeout: 240_000,
  }, async () => {
    const fields = hostilePatterns.map(
      (pattern, index) =>
        `<label>F${index} <input name="f${index}" pattern="${pattern.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"></label>`,
    );
    writeFileSync(at('hostile.html'), `<form>${fields.join('')}<button>Send</button></form>`);
    const reports = ['--html', at('hostile-report.html'), '--junit', at('hostile.xml')];
    const { code, out } = await ukko(
      'sweep',
      at('hostile.html'),
      '--targets',
      'blink-phone',
      '--out',
      at('hostile.json'),
      ...reports,
    );
    // Some answers of the model are not worked out, and say so.
    expect([0, 1]).toContain(code);
    expect(out).toMatch(/\d+ findings/);
    expect(readRunFile(readFileSync(at('hostile.json'), 'utf8')).status).toBe('read');
    expect(readFileSync(at('hostile-report.html'), 'utf8')).toContain('the pattern takes ever more steps');
    expect(readFileSync(at('hostile.xml'), 'utf8')).toContain('</testsuites>');
  });

  it('says nothing that steers a terminal, whatever a page is called', async () => {
    writeFileSync(
      at('steer.html'),
      '<label>\u001b[2J\u009b31m \u202eBoat<input type="month" value="x"></label>',
    );
    const reports = ['--markdown', at('steer.md'), '--csv', at('steer.csv')];
    const { out, err } = await ukko('sweep', at('steer.html'), '--targets', 'blink-phone', ...reports);
    expect(out).toContain('\\u001b[2J\\u009b31m \\u202eBoat');
    const said = [out, err, ...['steer.md', 'steer.csv'].map((name) => readFileSync(at(name), 'utf8'))];
    expect(said.join('').match(/(?!\n)\p{Cc}|\u202e/gu)).toBeNull();
  });

  it('writes what was replayed when it is told to stop', async () => {
    const guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'on submission',
      source: '(a*)(a*)(a*)\\1\\2\\3b',
      match: 'whole',
    };
    const typing = { a: { script: '', guards: [guard] } };
    const form = { format: 'ukko-form', version: 1, id: 'f', name: 'Slow', markup: '<input name=a>', typing };
    writeFileSync(at('slow.json'), JSON.stringify(form));
    const rows = Array.from({ length: 5000 }, (_, index) => `${'a'.repeat(60)}${index},refused`);
    writeFileSync(at('slow.csv'), `text,expected\n${rows.join('\n')}\n`);
    const replay = ['replay', at('slow.json'), '--samples', at('slow.csv'), '--json', at('stopped.json')];
    const child = execFile(process.execPath, [join(process.cwd(), 'bin/ukko.mjs'), ...replay], {
      cwd: directory,
    });
    await expect.poll(() => hears(child.pid ?? 0), { timeout: 60_000 }).toBe(true);
    await new Promise((resolve) => setTimeout(resolve, 500));
    child.kill('SIGTERM');
    const code = await new Promise((resolve) => child.once('exit', resolve));
    expect(code).toBe(1);
    const { results } = JSON.parse(readFileSync(at('stopped.json'), 'utf8'));
    expect(results.length).toBeGreaterThan(0);
    expect(results.length).toBeLessThan(5000);
  });

  it.skipIf(!here || !hasPhone)('writes which keyboards came when it is told to stop', async () => {
    writeFileSync(at('phone.html'), `<form>${'<p><input name=a>'.repeat(12)}</form>`);
    const child = spawn(
      process.execPath,
      [join(process.cwd(), 'bin/ukko.mjs'), 'keyboards', at('phone.html'), '--json', at('phone.json')],
      { cwd: directory, stdio: ['ignore', 'pipe', 'ignore'] },
    );
    child.stdout.once('data', () => child.kill('SIGTERM'));
    const code = await new Promise((resolve) => child.once('exit', resolve));
    expect(code).toBe(1);
    const { answers, engine } = JSON.parse(readFileSync(at('phone.json'), 'utf8'));
    expect(engine).toBe('Chromium');
    expect(answers.length).toBeGreaterThan(0);
    expect(answers.length).toBeLessThan(12);
  });

  it.skipIf(smallDisk === null)(
    'leaves what was there where the disk is full before all of a file is written',
    async () => {
      const disk = String(smallDisk);
      writeFileSync(at('full.html'), `<form>${'<p><input name=a type=month>'.repeat(300)}</form>`);
      const kept = ['run.json', 'report.html'].map((name) => join(disk, name));
      for (const path of kept) writeFileSync(path, 'what was there');
      const [out = '', html = ''] = kept;
      const sweep = ['sweep', at('full.html'), '--targets', 'blink-phone', '--quiet'];
      const run = await ukko(...sweep, '--out', out);
      expect([run.code, run.err]).toEqual([
        2,
        expect.stringContaining(`The run cannot be written to ${out}.`),
      ]);
      const report = await ukko(...sweep, '--html', html);
      expect([report.code, report.err]).toEqual([2, expect.stringContaining(html)]);
      expect(kept.map((path) => readFileSync(path, 'utf8'))).toEqual(kept.map(() => 'what was there'));
      expect(readdirSync(disk).sort()).toEqual(['report.html', 'run.json']);
    },
  );

  it.each(['--out', '--html', '--junit'])(
    'finds out before the sweep that %s cannot be written',
    async (option) => {
      writeFileSync(at('small.html'), '<input name=a>');
      const { code, err } = await ukko(
        'sweep',
        at('small.html'),
        '--targets',
        'blink-phone',
        option,
        at('nowhere/x'),
      );
      expect([code, err.trim()]).toEqual([2, `${at('nowhere/x')} cannot be written. Choose another path.`]);
      expect(
        (await ukko('sweep', at('small.html'), '--targets', 'blink-phone', option, directory)).code,
      ).toBe(2);
    },
  );

  it('asks for people of the language that is said, where the page says none, and keeps it with the run', async () => {
    const form =
      '<form><label>Name <input name=n autocomplete=name pattern="[A-Za-z ]+" title="x"></label><button>Go</button></form>';
    writeFileSync(at('unsaid.html'), form);
    const told = async (...options: string[]) => {
      const { code } = await ukko('sweep', 'unsaid.html', ...phone, '--out', 'said.json', ...options);
      return [code, (await ukko('report', 'said.json')).out.includes('“潮見 渚”')];
    };
    expect(await told()).toEqual([0, false]);
    expect(await told('--language', 'ja')).toEqual([0, true]);
    expect(JSON.parse(readFileSync(at('said.json'), 'utf8')).form.language).toBe('ja');
    expect((await ukko('report', 'said.json')).out).toContain('“潮見 渚”');
    expect((await ukko('report', 'said.json', '--language', 'hi')).out).toContain('“सागर तट”');
    expect((await ukko('report', 'said.json', '--markdown', 'said.md')).code).toBe(0);
    expect(readFileSync(at('said.md'), 'utf8')).toContain(
      'people are taken to write Japanese, as was said of them',
    );
    const wrong = await ukko('report', 'said.json', '--language', 'no such tag');
    expect([wrong.code, wrong.err]).toEqual([2, expect.stringContaining('as in ja, hi or de-AT')]);
    writeFileSync(at('unsaid.html'), form.replace('<form>', '<form lang=de>'));
    expect(await told('--language', 'ja')).toEqual([0, false]);
  });

  it('ends when whoever started it is gone', async () => {
    const watch = [process.execPath, join(process.cwd(), 'bin/ukko.mjs'), 'sweep', at('form.json')];
    const command = `${watch.map((part) => `"${part}"`).join(' ')} --targets blink-phone --watch & echo $!; exec sleep 600`;
    const starter = spawn('sh', ['-c', command], { cwd: directory, stdio: ['ignore', 'pipe', 'ignore'] });
    const said = await new Promise((resolve) => starter.stdout.once('data', resolve));
    const id = Number(String(said).trim());
    await expect.poll(() => hears(id), { timeout: 60_000 }).toBe(true);
    starter.kill('SIGKILL');
    await expect.poll(() => isThere(id), { timeout: 30_000 }).toBe(false);
  });

  it('compares with a baseline, writes every sort of report, and fails on what is new alone', async () => {
    writeFileSync(at('boat.html'), page('value="Enter it here"'));
    expect((await ukko('sweep', 'boat.html', ...phone, '--out', 'base.json')).code).toBe(0);
    const outputs = [
      '--html',
      'r.html',
      '--markdown',
      'r.md',
      '--csv',
      'r.csv',
      '--json',
      'r.json',
      '--junit',
      'r.xml',
    ];
    const same = ['sweep', 'boat.html', ...phone, '--baseline', 'base.json', ...outputs, '--fail-on', 'new'];
    expect((await ukko(...same)).code).toBe(0);
    writeFileSync(at('boat.html'), page('value="Enter it here" maxlength="30"'));
    const changed = await ukko(...same, '--out', 'now.json');
    expect([changed.code, changed.err]).toEqual([3, '']);
    const told = JSON.parse(readFileSync(at('r.json'), 'utf8'));
    expect(told.drift.new).toMatchObject([{ says: expect.stringContaining('maxlength'), because: ['form'] }]);
    // Each field, and the form as a whole: the page says no language.
    expect(new XMLParser().parse(readFileSync(at('r.xml'), 'utf8')).testsuites.testsuite).toHaveLength(4);
    expect(readFileSync(at('r.xml'), 'utf8')).toContain('<skipped message="No lang is stated');
    expect(readFileSync(at('r.xml'), 'utf8').match(/<failure/g)).toHaveLength(1);
    expect(readFileSync(at('r.html'), 'utf8')).toContain('<h2>Since ');
    expect(readFileSync(at('r.md'), 'utf8')).toContain('1 new, 0 changed, 0 gone');
    expect(readFileSync(at('r.csv'), 'utf8')).toContain(',new,not decided');
    // The same reports come of the run alone.
    const again = await ukko('report', 'now.json', '--baseline', 'base.json', '--fail-on', 'new');
    expect([again.code, again.out.split('\n')[0]]).toEqual([
      3,
      '1 new, 0 changed, 0 gone, 1 as they were; 0 other answers',
    ]);
    expect((await ukko('report', 'now.json', '--baseline', 'now.json', '--fail-on', 'changed')).code).toBe(0);
    expect((await ukko('report', 'now.json', '--fail-on', 'any')).code).toBe(3);
    expect((await ukko('report', 'now.json', '--fail-on', 'any:worst,lost')).code).toBe(0);
    // What the team accepted fails no build, wherever the file with it is.
    const decided = told.findings.map(({ id }: { id: string }) => ({
      form: 'Boat',
      finding: id,
      kind: 'accept',
      reason: 'until spring',
      at: '2026-01-02T03:04:05Z',
    }));
    const kept = (decisions: unknown) => JSON.stringify({ format: 'ukko-decisions', version: 1, decisions });
    writeFileSync(at('team.json'), kept(decided));
    const accepted = await ukko(
      'report',
      'now.json',
      '--fail-on',
      'any',
      '--decisions',
      'team.json',
      '--csv',
      'd.csv',
    );
    expect([accepted.code, readFileSync(at('d.csv'), 'utf8')]).toEqual([
      0,
      expect.stringContaining('accept: until spring'),
    ]);
    writeFileSync(at('ukko.decisions.json'), kept(decided.slice(1)));
    expect((await ukko('report', 'now.json', '--fail-on', 'any')).code).toBe(3);
    rmSync(at('ukko.decisions.json'));
  });

  it.each([
    [['report', 'gone.json'], 'The run gone.json cannot be read.'],
    [['report', 'boat.html'], 'This is not a run file of Ukko.'],
    [['sweep', 'boat.html', ...phone, '--baseline', 'gone.json'], 'The run gone.json cannot be read.'],
    [['report', 'base.json', '--decisions', 'gone.json'], 'The decisions gone.json cannot be read.'],
    [['report', 'base.json', '--decisions', 'base.json'], 'This is not a decisions file of Ukko.'],
    [['report', 'base.json', '--html', 'no/where.html'], 'no/where.html cannot be written.'],
    [['sweep', '-', '--watch', ...phone], 'Standard input cannot be watched.'],
  ])('%j is refused with a sentence', async (parameters, sentence) => {
    const { code, err } = await ukko(...parameters);
    expect([code, err]).toEqual([2, expect.stringContaining(sentence)]);
  });

  it('watches a file, and says what each edit did', async () => {
    writeFileSync(at('watched.html'), page(''));
    const child = execFile(
      process.execPath,
      [join(process.cwd(), 'bin/ukko.mjs'), 'sweep', 'watched.html', '--targets', 'blink-phone', '--watch'],
      { cwd: directory },
    );
    let said = '';
    child.stdout?.on('data', (text) => {
      said += text;
    });
    let waits = 0;
    child.stderr?.on('data', (text: string) => {
      waits += text.includes('Waiting for watched.html') ? 1 : 0;
    });
    const ended = new Promise<number | null>((resolve) => child.on('exit', resolve));
    await vi.waitFor(() => expect(waits).toBe(1), { timeout: 20_000, interval: 100 });
    writeFileSync(at('watched.html'), page('value="Enter it here"'));
    await vi.waitFor(() => expect(waits).toBe(2), { timeout: 20_000, interval: 100 });
    expect(said).toContain('1 new, 0 changed, 0 gone');
    expect(said).toContain('(the form has changed)');
    child.kill('SIGINT');
    expect(await ended).toBe(0);
  });
});
