import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
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

/**
 * The folders of `src/core` from the ground up, each with those that it may import; all of them may import the files in `src/core`
 * itself, which import nothing of it. What is no longer imported is taken out, so that the table tells how things are.
 */
type Layers = Readonly<Record<string, string>>;
const core: Layers = {
  html: '',
  reading: '',
  regexp: '',
  standard: 'html regexp',
  script: 'reading',
  guard: 'html reading regexp standard script',
  pattern: 'html regexp standard script guard',
  target: 'html reading',
  purpose: 'html',
  document: 'html purpose reading regexp standard script guard pattern',
  fallback: 'html',
  fault: 'html purpose regexp standard pattern',
  observation: 'html reading regexp standard target document',
  'questions/*': 'html reading regexp standard script guard document fallback observation',
  questions: 'html reading guard document fallback observation questions/*',
  run: 'html reading target document observation questions/* questions',
  'model/deviations': 'html standard target',
  'model/typing': 'html standard script guard observation questions/* model/deviations',
  model:
    'html reading regexp standard script guard target document observation questions/* questions model/deviations model/typing',
  rules:
    'html purpose reading regexp standard script guard pattern target observation model/deviations model/typing',
  replay:
    'html regexp standard script guard pattern target document observation questions/* model/deviations model/typing model rules',
  keyboard:
    'html purpose regexp reading standard script guard pattern target document observation questions/* run model/deviations rules replay',
  page: 'html reading script guard document observation keyboard',
  compare: 'html target document observation questions/* questions run',
  finding:
    'html purpose reading regexp standard script guard pattern target document fault observation questions/* questions run rules keyboard compare',
  drift: 'html target document questions run compare finding',
  device: 'reading script target document observation questions/* questions',
  sweep: 'html reading script guard target document observation questions run model',
  words:
    'html purpose reading regexp standard script guard pattern target document fallback fault observation questions/* questions model model/deviations keyboard compare finding drift device',
  report: 'html reading guard target observation run compare keyboard finding drift words',
  workspace: 'reading target document observation run keyboard finding',
  demo: 'html document',
};

/** The same of the observers; the files in the folder itself, called `.`, are on top of all others there. */
const engines: Layers = {
  api: '',
  picture: '',
  process: 'api',
  accessibility: 'api process',
  network: 'api',
  display: 'accessibility api picture process',
  puppeteer: 'accessibility api picture process network display',
  bidi: 'api network display puppeteer',
  cdp: 'bidi puppeteer',
  webdriver: 'accessibility api picture process network display',
  phone: 'api picture process puppeteer bidi webdriver',
  pool: 'api',
  trace: 'api',
  '.': 'api picture network bidi cdp webdriver phone pool trace',
};
const probe: Layers = { api: '', 'in-page': 'api', questions: 'api', '.': 'api questions' };

/** Where the imports of a file lead to, as folders of `root`. */
function foldersImported(root: string, file: string): string[] {
  const own = imports(file).filter((name) => /^(?:\.|@\/)/.test(name));
  const paths = own.map((name) =>
    name.startsWith('@/') ? join('src', name.slice(2)) : join(dirname(file), name),
  );
  return paths.filter((path) => path.startsWith(`${root}/`)).map((path) => dirname(relative(root, path)));
}

/** The folders of single questions are one room each, and all alike. */
const roomOf = (folder: string) => folder.replace(/^questions\/.+/, 'questions/*');

/** Which folders of `root` each of its folders imports, itself left out. */
function folderGraph(root: string, nameOf = (folder: string) => folder): Map<string, Set<string>> {
  const graph = new Map<string, Set<string>>();
  for (const file of files(root)) {
    const folder = nameOf(dirname(relative(root, file)));
    const others = foldersImported(root, file)
      .map(nameOf)
      .filter((other) => other !== folder);
    graph.set(folder, new Set([...(graph.get(folder) ?? []), ...others]));
  }
  return graph;
}

/** Folders from which imports, over whatever others, lead back to themselves. */
function inCircles(graph: ReadonlyMap<string, ReadonlySet<string>>): string[] {
  const reached = (from: string) => {
    const seen = new Set<string>();
    const open = [from];
    for (let folder = open.pop(); folder !== undefined; folder = open.pop())
      for (const next of graph.get(folder) ?? [])
        if (!seen.has(next)) {
          seen.add(next);
          open.push(next);
        }
    return seen;
  };
  return [...graph.keys()].filter((folder) => reached(folder).has(folder));
}

describe('the house', () => {
  it.each([
    ['src/core', { '.': '', ...core }],
    ['src/engines', engines],
    ['src/probe', probe],
  ])('each folder of %s imports those below it that the table names, and all of those', (root, layers) => {
    const graph = folderGraph(root, roomOf);
    const names = Object.keys(layers);
    // Files that belong to no folder of the core are there for all of them.
    const isNamed = (other: string) => root !== 'src/core' || other !== '.';
    const importedBy = (name: string) => [...(graph.get(name) ?? [])].filter(isNamed).sort();
    expect([...graph.keys()].sort()).toEqual([...names].sort());
    expect(Object.fromEntries(names.map((name) => [name, importedBy(name)]))).toEqual(
      Object.fromEntries(
        Object.entries(layers).map(([name, list]) => [name, list.split(' ').filter(Boolean).sort()]),
      ),
    );
    const climbing = names.flatMap((name, index) =>
      importedBy(name)
        .filter((other) => names.indexOf(other) >= index)
        .map((other) => `${name}: ${other}`),
    );
    expect(climbing).toEqual([]);
  });

  it.each([
    'src/core',
    'src/engines',
    'src/probe',
    'src/store',
    'src/workers',
    'src/server',
    'src/cli',
    'src/ui',
  ])('no folders of %s import each other in a circle, by value or by type', (root) => {
    expect(inCircles(folderGraph(root))).toEqual([]);
  });

  it('no question imports another one', () => {
    const graph = folderGraph('src/core');
    const imported = [...graph].flatMap(([name, others]) =>
      name.startsWith('questions/')
        ? [...others].filter((other) => other.startsWith('questions')).map((other) => `${name}: ${other}`)
        : [],
    );
    expect(imported).toEqual([]);
  });

  it('would find a circle', () => {
    const graph = { a: 'b', b: 'c', c: 'b d', d: '' };
    const sets = Object.entries(graph).map(([name, list]) => [name, new Set(list.split(' '))] as const);
    expect(inCircles(new Map(sets))).toEqual(['b', 'c']);
  });

  it('core imports nothing above it, and only packages that run anywhere', () => {
    const foreign = files('src/core').flatMap((file) =>
      imports(file)
        .filter(
          (name) =>
            !name.startsWith('.') &&
            // Data, and no code.
            !/^cldr-misc-full\/main\/[\w-]+\/characters\.json$/.test(name) &&
            ![
              'damerau-levenshtein',
              'ibantools',
              'libphonenumber-js/min',
              'libphonenumber-js/mobile/examples',
              'bidi-js',
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

  it('core is told what time it is', () => {
    const looking = files('src/core').filter((file) => /new Date\(\)/.test(readFileSync(file, 'utf8')));
    expect(looking).toEqual([]);
  });

  it('JSON of others is read by readJson, which bounds its depth', () => {
    const parsing = files('src').filter((file) => /\bJSON\.parse\(/.test(readFileSync(file, 'utf8')));
    // What Ukko's own server, page or storage said, and single strings of a script.
    expect(parsing.sort()).toEqual(
      [
        'src/core/document/page-steps.ts',
        'src/core/reading/read-json.ts',
        'src/core/script/script-text.ts',
        'src/engines/webdriver/webdriver-session.ts',
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
          'src/probe/in-page/recorder.ts',
        ]),
      );
      expect(inputs.filter((name) => name.includes('node_modules') && !name.includes('comlink'))).toEqual([]);
      expect(code).not.toMatch(/<\/script/i);
    },
  );
});
