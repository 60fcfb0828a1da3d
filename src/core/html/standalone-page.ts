import { defaultTreeAdapter, parse, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { pageUnderTest } from './page-under-test';
import { elementsOf, isElement } from './parse-markup';

/** Nothing runs, nothing loads, nothing is sent. */
const policy =
  "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; form-action 'none'";

/**
 * The form as a page that opens from disk: nothing in it runs or loads, and nothing leaves it. What is sent would go
 * nowhere, so that it can be tried without harm.
 *
 * Built from the tree of the page and written out from it, so that the policy stands first in the head that a browser will see,
 * whatever the markup looks like.
 */
export function standalonePage(name: string, markup: string): string {
  const page = parse(pageUnderTest(markup));
  const html = childNamed(page, 'html');
  const head = html && childNamed(html, 'head');
  if (!html || !head) throw new Error('A parsed page always has a head.');
  // Without scripts, browsers read what stands in here as markup, which nobody has looked at.
  for (const { element } of [...elementsOf(page)])
    if (element.tagName === 'noscript') defaultTreeAdapter.detachNode(element);
  const rest = head.childNodes.filter((node) => !isElement(node) || !isCharset(node));
  const title = rest.some((node) => isElement(node) && node.tagName === 'title') ? [] : [titled(name)];
  head.childNodes = [
    meta('charset', 'utf-8'),
    meta('http-equiv', 'Content-Security-Policy', policy),
    ...title,
    ...rest,
  ];
  // Comments around the page are for whoever reads its source, and no browser reads them in just the same way.
  page.childNodes = [html];
  html.childNodes = html.childNodes.filter(isElement);
  return doctypes[page.mode] + serialize(page);
}

/** One for each way in which a page is drawn (DOM Standard, "document mode"). */
const doctypes: Readonly<Record<Tree.Document['mode'], string>> = {
  'no-quirks': '<!DOCTYPE html>',
  'limited-quirks':
    '<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Transitional//EN" "http://www.w3.org/TR/xhtml1/DTD/xhtml1-transitional.dtd">',
  quirks: '',
};

function childNamed(parent: Tree.ParentNode, name: string): Tree.Element | undefined {
  return parent.childNodes.filter(isElement).find(({ tagName }) => tagName === name);
}

function isCharset({ tagName, attrs }: Tree.Element): boolean {
  return tagName === 'meta' && attrs.some((one) => one.name === 'charset');
}

function elementNamed(tagName: string, attrs: Tree.Element['attrs']): Tree.Element {
  return defaultTreeAdapter.createElement(
    tagName,
    'http://www.w3.org/1999/xhtml' as Tree.Element['namespaceURI'],
    attrs,
  );
}

function meta(name: string, value: string, content?: string): Tree.Element {
  const attrs = [{ name, value }, ...(content === undefined ? [] : [{ name: 'content', value: content }])];
  return elementNamed('meta', attrs);
}

function titled(name: string): Tree.Element {
  const title = elementNamed('title', []);
  defaultTreeAdapter.insertText(title, name);
  return title;
}
