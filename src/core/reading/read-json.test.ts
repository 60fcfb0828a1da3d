import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readDeviceFile } from '../device/device-message';
import { readFormFile } from '../document/form-file';
import { answerLine } from '../model/answer-line';
import { readRunFile } from '../run/run-file';
import { readWorkspace } from '../workspace/workspace';
import { readJson } from './read-json';

const nested = (depth: number) => '['.repeat(depth) + ']'.repeat(depth);

describe('JSON', () => {
  it('is read as it is', () => {
    fc.assert(
      fc.property(fc.json(), (text) => {
        expect(readJson(text)).toEqual(JSON.parse(text));
      }),
    );
  });

  it('that is none throws as ever, wherever it is cut off', () => {
    fc.assert(
      fc.property(fc.json(), fc.nat(), (text, at) => {
        const cut = text.slice(0, at % (text.length + 1));
        const fails = (read: (text: string) => unknown) => {
          try {
            read(cut);
            return false;
          } catch (error) {
            return error instanceof SyntaxError;
          }
        };
        expect(fails(readJson)).toBe(fails(JSON.parse));
      }),
    );
  });

  it('is read up to 500 levels, whatever stands in its strings', () => {
    expect(() => readJson(nested(500))).not.toThrow();
    expect(() => readJson(nested(501))).toThrow('Nested more than 500 levels deep at position 500');
    expect(readJson(JSON.stringify([nested(1000), '"[[', '\\"[']))).toHaveLength(3);
    expect(() => readJson(`"${'['.repeat(1000)}`)).toThrow(SyntaxError);
  });

  it.each<readonly [string, (deep: string) => unknown]>([
    [
      'a form file',
      (deep) => readFormFile(`{"format":"ukko-form","version":1,"id":"a","name":"n","markup":${deep}}`),
    ],
    ['a run file', (deep) => readRunFile(`{"format":"ukko-run","version":3,"form":${deep}}`)],
    ['a workspace', (deep) => readWorkspace(`{"format":"ukko-workspace","version":1,"forms":${deep}}`)],
    ['the answers of a device', (deep) => readDeviceFile(`{"format":"ukko-device","answers":${deep}}`)],
    ['a question on the command line', (deep) => answerLine(`{"ask":${deep}}`, new Date())],
  ])('that is nested without end is refused with a code: %s', (_, read) => {
    expect(JSON.stringify(read(nested(200_000)))).toMatch(/"fault":\{(?:"file":"\w+",)?"code":"\w/);
  });
});
