import { createHash } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import pLimit from 'p-limit';
import { attributeOf, type Element, elementsOf, parseMarkup } from '@/core/html/parse-markup';
import { type Given, givenOut } from '@/engines/network/dev-server';

/** How often a watched page is fetched, ms. */
const fetchEvery = 2000;
/** How long a server may take to give out one file, ms. */
const patience = 5000;
/** Most files of one page that are looked at. */
const mostFiles = 500;
const atOnce = 8;

/** The files of a page by their addresses without the query, which dev servers vary; each as a digest. */
type Served = ReadonlyMap<string, string>;

/**
 * Resolves when a server gives a page out otherwise than before: the page itself, its styles and scripts, and the modules
 * that these import, as far as they come from the same server. What is another each time it is fetched (a token, a time)
 * is left aside. A server that is away for a while is waited for.
 */
export async function pageChange(address: string, signal: AbortSignal): Promise<void> {
  const before = await served(address, signal);
  const again = await served(address, signal);
  while (!signal.aborted) {
    await wait(fetchEvery, undefined, { signal }).catch(() => undefined);
    const after = await served(address, signal);
    // A server that was away at first has come.
    if (after && !(before && isSame(before, again ?? before, after))) return;
  }
}

function isSame(before: Served, again: Served, after: Served): boolean {
  const steady = [...before].filter(([address, digest]) => again.get(address) === digest);
  return (
    steady.every(([address, digest]) => after.get(address) === digest) &&
    [...after.keys()].every((address) => before.has(address) || again.has(address))
  );
}

/** Null where the page cannot be had. */
async function served(address: string, signal: AbortSignal): Promise<Served | null> {
  const { origin } = new URL(address);
  const limit = pLimit(atOnce);
  const found = new Map<string, string>();
  const asked = new Set<string>();
  const gather = async (url: URL): Promise<void> => {
    const key = url.origin + url.pathname;
    if (url.origin !== origin || asked.has(key) || asked.size >= mostFiles) return;
    asked.add(key);
    const file = await limit(() => fetched(url, signal));
    if (!file) return;
    found.set(key, createHash('sha256').update(file.text).digest('hex'));
    await Promise.all(filesNamedIn(file).map(gather));
  };
  const page = new URL(address);
  await gather(page);
  return found.has(page.origin + page.pathname) ? found : null;
}

interface ServedFile extends Pick<Given, 'type' | 'text'> {
  /** Where it was had, after all that led there. */
  readonly at: URL;
}

/** Most times that an address may lead to another one. */
const mostHops = 5;

async function fetched(url: URL, signal: AbortSignal): Promise<ServedFile | null> {
  let at = url;
  try {
    for (let hop = 0; hop <= mostHops && at.origin === url.origin; hop++) {
      const given = await givenOut(at, AbortSignal.any([signal, AbortSignal.timeout(patience)]));
      if (given.status >= 200 && given.status < 300) return { ...given, at };
      if (given.location === null) return null;
      at = new URL(given.location, at);
    }
    return null;
  } catch {
    return null;
  }
}

const imports = /\b(?:from|import)\s*\(?\s*(["'])([^"'\n]+)\1/g;
const styleImports = /@import\s+(?:url\(\s*)?(["']?)([^"')\s;]+)\1/g;

function filesNamedIn({ type, text, at }: ServedFile): URL[] {
  const names = /html/.test(type)
    ? filesOfPage(text)
    : /javascript|ecmascript/.test(type)
      ? [...text.matchAll(imports)].flatMap(([, , name = '']) => (/^[./]/.test(name) ? [name] : []))
      : /css/.test(type)
        ? [...text.matchAll(styleImports)].map(([, , name = '']) => name)
        : [];
  return names.flatMap((name) => (URL.canParse(name, at) ? [new URL(name, at)] : []));
}

function filesOfPage(html: string): string[] {
  return [...elementsOf(parseMarkup(html).document)].flatMap(({ element }) => fileOf(element) ?? []);
}

function fileOf(element: Element): string | null {
  if (element.tagName === 'script') return attributeOf(element, 'src');
  const isLoaded = /\b(?:stylesheet|modulepreload)\b/i.test(attributeOf(element, 'rel') ?? '');
  return element.tagName === 'link' && isLoaded ? attributeOf(element, 'href') : null;
}
