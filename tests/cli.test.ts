import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import { readRunFile } from '@/core/observation/run-file';
import { enginesAvailable } from './fixtures/engines';

const here = await enginesAvailable();
const directory = mkdtempSync(join(tmpdir(), 'ukko-cli-'));
afterAll(() => rmSync(directory, { recursive: true }));
const at = (name: string) => join(directory, name);

function ukko(...parameters: string[]): Promise<{ code: number; out: string; err: string }> {
  return new Promise((resolve) => {
    execFile(
      process.execPath,
      [join(process.cwd(), 'bin/ukko.mjs'), ...parameters],
      { cwd: directory },
      (error, out, err) => resolve({ code: typeof error?.code === 'number' ? error.code : 0, out, err }),
    );
  });
}

describe('ukko', () => {
  it('explains itself', async () => {
    const { code, out } = await ukko('--help');
    expect(code).toBe(0);
    expect(out).toContain('sweep [options] <form>');
    expect(out).toContain('npx ukko sweep form.html --out run.json');
  });

  it('answers questions from the model, a line each, in order, and goes on after a bad one', async () => {
    const questions = [
      '{"ask":"validity","target":"firefox","html":"<input id=t type=month>","setValue":"2024-1"}',
      'not JSON',
      '',
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
      { error: 'This line is no JSON. Write one object on each line.' },
      { method: 'GET', url: '/log?a=1', contentType: null, body: '', blockedBy: null },
    ]);
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
    if (reading.status === 'fault') throw new Error(reading.text);
    expect(new Set(reading.run.observations.map((o) => o.provenance.mark))).toEqual(
      new Set(['measured', 'modelled']),
    );
    expect(reading.run.pictures.length).toBeGreaterThan(50);
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
    [['sweep', 'small.html'], "required option '--out <file>'"],
    [['sweep', 'small.html', '--out', 'x.json', '--targets', 'nobody'], 'There is no target “nobody” here'],
    [['sweep', 'small.html', '--out', 'x.json', '--questions', 'smell'], 'There is no question “smell”'],
    [['sweep', 'small.html', '--targets', 'blink-phone', '--out', '/nowhere/x.json'], 'cannot be written'],
  ])('%j: exit code 2 and one sentence', async (parameters, sentence) => {
    writeFileSync(at('empty.html'), '');
    const { code, err } = await ukko(...parameters);
    expect([code, err]).toEqual([2, expect.stringContaining(sentence)]);
  });
});
