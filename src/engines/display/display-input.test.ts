import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { DisplayInput } from './display-input';

const folder = mkdtempSync(join(tmpdir(), 'ukko-input-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** A program that is told commands line by line, writes them down, and ends at one that says so. */
function program(): { readonly path: string; told(): string[]; starts(): number } {
  const [path, log] = [join(folder, `program-${Math.random()}`), join(folder, `log-${Math.random()}`)];
  writeFileSync(log, '');
  writeFileSync(
    path,
    `#!/bin/sh\necho "started $1" >> "${log}"\nwhile read -r line; do\n  echo "$line" >> "${log}"\n  case "$line" in die*) exit 1;; esac\n  echo "x:1 y:1"\ndone\n`,
  );
  chmodSync(path, 0o755);
  const lines = () => readFileSync(log, 'utf8').trim().split('\n');
  return {
    path,
    told: () => lines().filter((line) => !line.startsWith('started')),
    starts: () => lines().filter((line) => line === 'started -').length,
  };
}

describe('what moves the pointer of a display', () => {
  it('is one program, told one command after the other', async () => {
    const one = program();
    const input = new DisplayInput(one.path, process.env);
    await Promise.all([input.do('mousemove', '1', '2'), input.do('click', '1'), input.do('key', 'alt+Down')]);
    expect(one.told()).toEqual([
      'mousemove 1 2 getmouselocation',
      'click 1 getmouselocation',
      'key alt+Down getmouselocation',
    ]);
    expect(one.starts()).toBe(1);
    input.close();
  });

  it('says so when it ends, and is started again for what comes then', async () => {
    const one = program();
    const input = new DisplayInput(one.path, process.env);
    await input.do('click', '1');
    await expect(input.do('die')).rejects.toThrow('has ended');
    await input.do('click', '1');
    expect(one.starts()).toBe(2);
    input.close();
  });

  it('fails what is under way when it is closed, and what cannot be started', async () => {
    const one = program();
    const input = new DisplayInput(one.path, process.env);
    await input.do('click', '1');
    const waiting = input.do('die');
    input.close();
    await expect(waiting).rejects.toThrow('has ended');
    await expect(new DisplayInput(join(folder, 'none'), process.env).do('click', '1')).rejects.toThrow();
  });
});
