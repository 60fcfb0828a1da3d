import {
  type DefaultTreeAdapterMap,
  defaultTreeAdapter,
  parse,
  type Token,
  type DefaultTreeAdapterTypes as Tree,
  type TreeAdapter,
} from 'parse5';

export type Node = Tree.ChildNode;
export type Element = Tree.Element;

export interface ParseError {
  readonly code: string;
  readonly start: number;
  readonly end: number;
}

export interface ParsedMarkup {
  readonly document: Tree.Document;
  readonly errors: readonly ParseError[];
  /** How far the markup was read, UTF-16 code units; to its end, unless there was too much of it, and then why. */
  readonly readTo: number;
  readonly cutBecause: 'too deep' | 'too many elements' | null;
}

/** Elements in one another, and elements and texts in all, up to which markup is read: what is done for each stays quick. */
export const mostNested = 500;
export const mostElements = 60_000;

/**
 * What was parsed last, the newest first: all that is derived from an edit asks for the same markup, and for the one before it. One
 * more is what either becomes for a page that shows it.
 */
const lately: { readonly markup: string; readonly parsed: ParsedMarkup }[] = [];
const parsedKept = 3;

/**
 * Reads markup as a browser reads a page (HTML Standard, "Parsing HTML documents"). Never throws. Markup that is nested too
 * deeply, or has too many elements, is read up to the element that is one too many. The same markup is the same tree, which nobody
 * changes.
 */
export function parseMarkup(markup: string): ParsedMarkup {
  const known = lately.find((one) => one.markup === markup);
  if (known) return known.parsed;
  const parsed = parsedAnew(markup);
  lately.unshift({ markup, parsed });
  lately.length = Math.min(lately.length, parsedKept);
  return parsed;
}

function parsedAnew(markup: string): ParsedMarkup {
  let readTo = markup.length;
  let cutBecause: ParsedMarkup['cutBecause'] = null;
  for (;;) {
    try {
      return { ...parsedWhole(markup.slice(0, readTo)), readTo, cutBecause };
    } catch (error) {
      if (!(error instanceof TooMuch)) throw error;
      readTo = error.at;
      cutBecause = error.why;
    }
  }
}

/** Ends the parsing at an element, by where that begins. */
class TooMuch extends Error {
  constructor(
    readonly at: number,
    readonly why: 'too deep' | 'too many elements',
  ) {
    super(why);
  }
}

function parsedWhole(markup: string): Pick<ParsedMarkup, 'document' | 'errors'> {
  const errors: ParseError[] = [];
  const document = parse(markup, {
    sourceCodeLocationInfo: true,
    treeAdapter: boundedAdapter(),
    onParseError: (error) =>
      errors.push({ code: error.code, start: error.startOffset, end: error.endOffset }),
  });
  return { document, errors };
}

/** Builds the usual tree and counts the elements that are open, and all there are. */
function boundedAdapter(): TreeAdapter<DefaultTreeAdapterMap> {
  let open = 0;
  let all = 0;
  return {
    ...defaultTreeAdapter,
    onItemPush(element) {
      if (++open > mostNested) throw new TooMuch(element.sourceCodeLocation?.startOffset ?? 0, 'too deep');
    },
    // Told of every node once it is made, those among them that never hold others.
    setNodeSourceCodeLocation(node, place) {
      if (++all > mostElements) throw new TooMuch(place?.startOffset ?? 0, 'too many elements');
      defaultTreeAdapter.setNodeSourceCodeLocation(node, place);
    },
    onItemPop() {
      open--;
    },
  };
}

export function isElement(node: Node): node is Element {
  return 'tagName' in node;
}

/** Every element in tree order with its ancestors, nearest last. Contents of `template` are not in the page and are left out. */
export function* elementsOf(
  parent: { childNodes: Node[] },
  ancestors: readonly Element[] = [],
): Generator<{ element: Element; ancestors: readonly Element[] }> {
  // An explicit stack: markup under test may be nested deeper than the call stack allows.
  const stack: { node: Node; ancestors: readonly Element[] }[] = parent.childNodes
    .map((node) => ({ node, ancestors }))
    .reverse();
  for (let top = stack.pop(); top; top = stack.pop()) {
    if (!isElement(top.node)) continue;
    const element = top.node;
    yield { element, ancestors: top.ancestors };
    // Ancestors are asked for a few names only; beyond this depth the outermost matter least.
    const inner = [...top.ancestors.slice(-64), element];
    for (let i = element.childNodes.length - 1; i >= 0; i--) {
      const child = element.childNodes[i];
      if (child) stack.push({ node: child, ancestors: inner });
    }
  }
}

/** What stands in an element, texts as they are, in tree order; comments left out. */
export function childElementsAndTexts(element: Element): (Element | string)[] {
  return element.childNodes.flatMap((node): (Element | string)[] => {
    if (node.nodeName === '#text') return [(node as Tree.TextNode).value];
    return isElement(node) ? [node] : [];
  });
}

/** All text below a node, in tree order. */
export function textOf(node: { childNodes: Node[] }): string {
  let text = '';
  const stack: Node[] = [...node.childNodes].reverse();
  for (let top = stack.pop(); top; top = stack.pop()) {
    if (top.nodeName === '#text') text += (top as Tree.TextNode).value;
    else if (isElement(top)) stack.push(...[...top.childNodes].reverse());
  }
  return text;
}

export function attributeOf(element: Element, name: string): string | null {
  return element.attrs.find((a) => a.name === name)?.value ?? null;
}

/** The place of an attribute in the source, or null when the parser made the element itself. */
export function attributeSpan(element: Element, name: string): { start: number; end: number } | null {
  const place: Token.Location | undefined = element.sourceCodeLocation?.attrs?.[name];
  return place ? { start: place.startOffset, end: place.endOffset } : null;
}

/**
 * The place of an element with all that is in it, or null when the parser made it itself. An element that the end of
 * the text closed has no end of its own; it reaches as far as its contents do.
 */
export function elementSpan(element: Element): { start: number; end: number } | null {
  const place = element.sourceCodeLocation;
  if (!place) return null;
  let end = Math.max(place.endOffset, place.startTag?.endOffset ?? 0);
  for (
    let last = element.childNodes.at(-1);
    last;
    last = isElement(last) ? last.childNodes.at(-1) : undefined
  )
    end = Math.max(end, last.sourceCodeLocation?.endOffset ?? 0);
  return { start: place.startOffset, end };
}

/** Elements by their id; of several with one id the first, as `getElementById` finds it. */
export function elementsById(elements: readonly { readonly element: Element }[]): Map<string, Element> {
  const byId = new Map<string, Element>();
  for (const { element } of elements) {
    const id = attributeOf(element, 'id');
    if (id && !byId.has(id)) byId.set(id, element);
  }
  return byId;
}
