import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { probeBundle } from '@/probe/bundle';

const files = (directory: string): string[] =>
  readdirSync(directory, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.ts$/.test(name))
    .map((name) => join(directory, name));

const imports = (file: string): string[] =>
  [...readFileSync(file, 'utf8').matchAll(/(?:from|import\()\s*['"]([^'"]+)['"]/g)].map(
    (match) => match[1] ?? '',
  );

describe('the house', () => {
  it('core imports nothing above it, and only packages that run anywhere', () => {
    const foreign = files('src/core').flatMap((file) =>
      imports(file)
        .filter(
          (name) =>
            !name.startsWith('.') &&
            ![
              'parse5',
              'yup',
              'culori',
              '@eslint-community/regexpp',
              'papaparse',
              'entities/escape',
              'fast-xml-parser',
              'refa',
              '@noble/hashes/sha2.js',
              '@noble/hashes/utils.js',
            ].includes(name),
        )
        .map((name) => `${file}: ${name}`),
    );
    expect(foreign).toEqual([]);
    const climbing = files('src/core').filter((file) =>
      imports(file).some(
        (name) => join(file, '..', name).startsWith('src/') && !join(file, '..', name).startsWith('src/core'),
      ),
    );
    expect(climbing).toEqual([]);
  });

  it('core touches neither a document nor a window', () => {
    const touching = files('src/core').filter((file) =>
      /\b(document|window|navigator|localStorage|process)\.[a-z]/.test(
        readFileSync(file, 'utf8').replace(/(parsed|\{ )document/g, ''),
      ),
    );
    expect(touching).toEqual([]);
  });

  it('JSON of others is read by readJson, which bounds its depth', () => {
    const parsing = files('src').filter((file) => /\bJSON\.parse\(/.test(readFileSync(file, 'utf8')));
    // What Ukko's own server, page or storage said, and single strings of a script.
    expect(parsing.sort()).toEqual(
      [
        'src/core/page/page-steps.ts',
        'src/core/read-json.ts',
        'src/core/script/script-text.ts',
        'src/engines/webdriver-session.ts',
        'src/probe/device-page.ts',
        'src/store/ask-server.ts',
        'src/store/draft.ts',
        'src/store/server-news.ts',
        'src/ui/frame/use-device.tsx',
        'src/ui/keyboards/measured-keyboards.tsx',
      ].sort(),
    );
  });

  it('what people wrote is looked up by ownEntry, never as a member of an object', () => {
    const looking = files('src').flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/\b(?:typing|scripts)\??\.?\[/g)].map(() => file),
    );
    expect(looking).toEqual([]);
  });

  it('what a window shows never imports what drives engines', () => {
    const reaching = [...files('src/ui'), ...files('src/store')].filter((file) =>
      imports(file).some((name) => name.includes('/engines/') || name.includes('/server/')),
    );
    expect(reaching).toEqual([]);
  });
});

describe('the script inside a page under test', () => {
  it.each(['probe', 'probe-frame'] as const)(
    '%s runs the very guard and editing code of the core',
    async (entry) => {
      const { inputs, code } = await probeBundle(entry);
      expect(inputs).toEqual(
        expect.arrayContaining([
          'src/core/guard/guard.ts',
          'src/core/script/editing-buffer.ts',
          'src/probe/recorder.ts',
        ]),
      );
      expect(inputs.filter((name) => name.includes('node_modules') && !name.includes('comlink'))).toEqual([]);
      expect(code).not.toMatch(/<\/script/i);
    },
  );
});
