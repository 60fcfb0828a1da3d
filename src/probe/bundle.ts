import { join } from 'node:path';
import { build, type Plugin } from 'esbuild';

/**
 * Scripts that run in a page under test, `probe` for engines and `probe-frame` in a frame of a window; the page of a real
 * device and its frames; and the picker that a fallback plan puts into a page of the person's own.
 */
const entries = {
  probe: 'in-page/probe.ts',
  'probe-frame': 'in-page/probe-frame.ts',
  'device-page': 'device-page.ts',
  'device-frame': 'in-page/device-frame.ts',
  'date-picker-everywhere': 'in-page/date-picker-everywhere.ts',
} as const;
export type ProbeEntry = keyof typeof entries;

export interface ProbeBundle {
  readonly code: string;
  /** Source files inside the bundle, relative to the project. */
  readonly inputs: readonly string[];
}

const bundles = new Map<ProbeEntry, Promise<ProbeBundle>>();

/** The root of the project: where the sources of the probe are. Server and CLI start there or say where it is. */
export function projectRoot(): string {
  return process.env.UKKO_ROOT ?? process.cwd();
}

/** Bundles the probe once per process, from the same core sources that the server and the model run. */
export function probeBundle(entry: ProbeEntry): Promise<ProbeBundle> {
  const known = bundles.get(entry);
  if (known) return known;
  const made = bundle(entry);
  bundles.set(entry, made);
  made.catch(() => bundles.delete(entry));
  return made;
}

/** In a page its own matcher answers, not the core's: that one is there to be given up. */
export const matcherOfThePage: Plugin = {
  name: 'matcher of the page',
  setup({ onResolve }) {
    onResolve({ filter: /\/regexp\/compiled-pattern$/ }, () => ({
      path: join(projectRoot(), 'src/probe/in-page/pattern-in-page.ts'),
    }));
  },
};

async function bundle(entry: ProbeEntry): Promise<ProbeBundle> {
  const root = projectRoot();
  const result = await build({
    absWorkingDir: root,
    entryPoints: [join(root, 'src/probe', entries[entry])],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2020',
    minify: true,
    // Inside an inline script, the text of an end tag would end it.
    charset: 'ascii',
    metafile: true,
    logLevel: 'silent',
    // Inside of node_modules, where a package is, no tsconfig is read.
    alias: { '@': join(root, 'src') },
    plugins: [matcherOfThePage],
  });
  const code = (result.outputFiles[0]?.text ?? '').replaceAll('</script', '<\\/script');
  return { code, inputs: Object.keys(result.metafile.inputs).sort() };
}
