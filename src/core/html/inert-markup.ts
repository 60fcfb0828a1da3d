import type { Span } from './field';
import type { NoteFact } from './markup-note';
import {
  attributeOf,
  attributeSpan,
  type Element,
  elementSpan,
  elementsOf,
  type ParsedMarkup,
  parseMarkup,
} from './parse-markup';

/** A part of the markup that would run or load something, with what is told about it. */
export interface InertPart {
  readonly span: Span;
  readonly told: NoteFact;
}

const removedElements: Readonly<Record<string, NoteFact>> = {
  script: { code: 'script' },
  base: { code: 'base address' },
  link: { code: 'linked resource' },
};

const urlAttributes: Readonly<Record<string, readonly string[]>> = {
  iframe: ['src', 'srcdoc'],
  frame: ['src'],
  object: ['data'],
  embed: ['src'],
  img: ['src', 'srcset'],
  source: ['src', 'srcset'],
  video: ['src', 'poster'],
  audio: ['src'],
  track: ['src'],
  input: ['src'],
  image: ['href', 'xlink:href'],
  use: ['href', 'xlink:href'],
  body: ['background'],
  portal: ['src'],
  fencedframe: ['src'],
  applet: ['archive', 'code', 'codebase', 'object'],
  bgsound: ['src'],
  feimage: ['href', 'xlink:href'],
  table: ['background'],
  thead: ['background'],
  tbody: ['background'],
  tfoot: ['background'],
  tr: ['background'],
  td: ['background'],
  th: ['background'],
  html: ['manifest'],
  a: ['ping'],
  area: ['ping'],
};

/** Elements in which another document is shown: that may run and load of its own, embedded or not. */
const nesting: ReadonlySet<string> = new Set([
  'iframe',
  'frame',
  'object',
  'embed',
  'portal',
  'fencedframe',
  'applet',
]);

/** The parts that `inertMarkup` takes out, in source order; nested ones are covered by the outer one. */
export function inertParts({ document }: ParsedMarkup): InertPart[] {
  const parts: InertPart[] = [];
  for (const { element } of everyElement(document)) {
    const whole = wholeElement(element);
    if (whole) parts.push(whole);
    else parts.push(...attributeParts(element));
  }
  return parts.sort((a, b) => a.span.start - b.span.start || b.span.end - a.span.end);
}

/** Elements of the page and, besides, of every template: a template's contents are one script away from the page. */
function* everyElement(document: ParsedMarkup['document']): Generator<{ element: Element }> {
  const roots: { childNodes: ParsedMarkup['document']['childNodes'] }[] = [document];
  for (let root = roots.pop(); root; root = roots.pop()) {
    for (const placed of elementsOf(root)) {
      yield placed;
      if ('content' in placed.element) roots.push(placed.element.content as typeof root);
    }
  }
}

function wholeElement(element: Element): InertPart | null {
  const told = removal(element);
  const span = told && elementSpan(element);
  return told && span ? { span, told } : null;
}

function removal(element: Element): NoteFact | null {
  if (Object.hasOwn(removedElements, element.tagName)) return removedElements[element.tagName] ?? null;
  if (element.tagName === 'meta' && attributeOf(element, 'http-equiv') !== null)
    return { code: 'meta instruction' };
  return null;
}

function attributeParts(element: Element): InertPart[] {
  // Names of SVG keep their capitals in the tree.
  const tag = element.tagName.toLowerCase();
  const urls = Object.hasOwn(urlAttributes, tag) ? (urlAttributes[tag] ?? []) : [];
  return element.attrs.flatMap(({ name, prefix, value }): InertPart[] => {
    const written = prefix ? `${prefix}:${name}` : name;
    const span = attributeSpan(element, written);
    if (!span) return [];
    if (name.startsWith('on')) return [{ span, told: { code: 'event handler', attribute: name } }];
    if (isScriptAddress(value)) return [{ span, told: { code: 'script address', attribute: written } }];
    const isPicture = value.trim().toLowerCase().startsWith('data:image/');
    // A part of the page itself is there already.
    const isHere = value.trim().startsWith('#') && !nesting.has(tag);
    // A picture that is used as a part of this one may hold scripts and addresses of its own.
    const mayBePicture = !nesting.has(tag) && tag !== 'use';
    if (urls.includes(written) && !isHere && !(isPicture && mayBePicture))
      return [{ span, told: { code: 'resource', attribute: written } }];
    return [];
  });
}

/** URL Standard, "basic URL parser": leading control characters and spaces are dropped, tab and newline anywhere. */
function isScriptAddress(value: string): boolean {
  // biome-ignore lint/suspicious/noControlCharactersInRegex: these are the very characters that hide a scheme
  const plain = value.replace(/^[\u0000-\u0020]+/, '').replace(/[\t\n\r]/g, '');
  return /^(javascript|vbscript):/i.test(plain);
}

/**
 * The markup with everything taken out that could run a script or load something. Controls keep their order and
 * all other attributes, so ordinals from `readForm` hold for the result too. A page that shows it needs a strict
 * Content-Security-Policy all the same; this is the first of two walls.
 */
export function inertMarkup(markup: string): string {
  let current = markup;
  // Taking something out can join its neighbours into something new, so go on until nothing is left to take.
  for (let round = 0; round < 8; round++) {
    const parsed = parseMarkup(current);
    // What was not read is not shown either: nobody knows what is in it.
    const next = cut(current.slice(0, parsed.readTo), inertParts(parsed));
    if (next === current) return current;
    current = next;
  }
  // Markup built so that each cut makes a new script is shown as text: no browser runs that.
  const parsed = parseMarkup(current);
  const isInert = inertParts(parsed).length === 0 && parsed.readTo === current.length;
  return isInert ? current : current.replaceAll('<', '&lt;');
}

function cut(markup: string, parts: readonly InertPart[]): string {
  let out = '';
  let from = 0;
  for (const { span } of parts) {
    if (span.start < from) continue;
    out += markup.slice(from, span.start);
    from = span.end;
  }
  return out + markup.slice(from);
}
