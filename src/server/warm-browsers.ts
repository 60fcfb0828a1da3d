import { WarmBrowsers } from '@/engines/pool/warm-browsers';

declare global {
  var ukkoWarmBrowsers: WarmBrowsers | undefined;
}

/** The browsers that this server keeps ready between sweeps; one set for the process, as in `run-registry.ts`. */
globalThis.ukkoWarmBrowsers ??= new WarmBrowsers();
export const warmBrowsers: WarmBrowsers = globalThis.ukkoWarmBrowsers;
