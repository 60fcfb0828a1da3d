import { controlSelector } from '@/core/html/field';
import type { FormFound } from '@/core/page/page-sight';
import { composedChildren, composedElements, composedParent } from './composed-tree';
import { domMembers } from './dom-members';
import { formAssociatedHost, isFormAssociated, nameOf } from './form-associated-host';
import { composedFields, isField, isWidget } from './page-fields';
import { hasScripts } from './page-scripts';
import { unreadPartsOf } from './unread-parts';

/** The forms of the page that have fields, and the whole page where fields stand in none. */
export function ownForms(): Element[] {
  const all = [...composedElements(document)];
  const forms = all.filter(
    (element) => element instanceof HTMLFormElement && composedFields(element).length > 0,
  );
  const inForms = new Set(forms.flatMap(composedFields));
  const isLoose = all.some((element) => isField(element) && !isButton(element) && !inForms.has(element));
  return isLoose ? [...forms, domMembers(document).body] : forms;
}

function isButton(element: Element): boolean {
  return !isWidget(element) && domMembers(element).matches('button,[type=submit],[type=button],[type=reset]');
}

export function formsHere(): FormFound[] {
  const isScripted = hasScripts();
  return ownForms().map((form) => ({
    title: titleOf(form),
    markup: snapshotOf(form),
    unread: unreadPartsOf(form),
    hasScripts: isScripted,
  }));
}

function titleOf(form: Element): string {
  const heading = [...composedElements(form)].find((element) =>
    domMembers(element).matches('legend,h1,h2,h3,h4'),
  );
  const own = domMembers(form);
  const title =
    own.getAttribute('aria-label') ?? heading?.textContent ?? own.getAttribute('name') ?? own.id ?? '';
  return (
    title.trim().replace(/\s+/g, ' ').slice(0, 80) ||
    (form === domMembers(document).body ? 'fields in no form' : 'a form without a name')
  );
}

const leftOut = 'script,style,link,template,noscript,meta,iframe,object,embed';

/** The form as markup. It is made in a document of its own, in which custom elements stay what they look like. */
function snapshotOf(form: Element): string {
  const own = domMembers(form);
  const inert = domMembers(document).implementation.createHTMLDocument('');
  const spoken = new Set<Element>();
  const copied = (node: Node): Node | null => {
    if (node instanceof Element && domMembers(node).matches(leftOut)) return null;
    if (!(node instanceof Element || node instanceof Text)) return null;
    const copy = inert.importNode(node, false);
    if (node instanceof Element && copy instanceof Element) standForHost(node, copy, spoken);
    for (const child of composedChildren(node)) {
      const inside = copied(child);
      if (inside) copy.appendChild(inside);
    }
    return copy;
  };
  const fields = composedFields(form);
  const ids = new Set(fields.flatMap((field) => [field.id, formAssociatedHost(field)?.id ?? '']));
  ids.delete('');
  const namers = new Set(
    fields.flatMap((field) => field.getAttribute('aria-labelledby')?.split(/\s+/) ?? []),
  );
  namers.delete('');
  // What is a field, or holds one, would be counted among those of the form.
  const isNamer = (element: Element) =>
    namers.has(element.id) && !isField(element) && composedFields(element).length === 0;
  const labels = [...composedElements(document)].filter(
    (element) =>
      !own.contains(element) &&
      ((element instanceof HTMLLabelElement && ids.has(element.htmlFor)) || isNamer(element)),
  );
  const lists = [...composedElements(document)].filter(
    (element) => element instanceof HTMLDataListElement && !own.contains(element),
  );
  const holder = contextOf(form, inert);
  for (const element of [...(own.getRootNode() === document ? labels : []), form, ...lists]) {
    const copy = copied(element);
    if (copy instanceof Element) holder.append(copy.localName === 'body' ? wrapped(copy) : copy, '\n');
  }
  return holder.hasAttributes() ? holder.outerHTML : holder.innerHTML;
}

/** An element with what the form inherits from the page: the language of its texts, and which way they run. */
function contextOf(form: Element, inert: Document): Element {
  const around = inert.createElement('section');
  const isBody = form === domMembers(document).body;
  for (const name of ['lang', 'dir']) {
    let at = isBody ? form : composedParent(form);
    while (at && !domMembers(at).hasAttribute(name)) at = composedParent(at);
    const value = at && domMembers(at).getAttribute(name);
    if (value) around.setAttribute(name, value);
  }
  return around;
}

/** In a snapshot a control stands for the form-associated element that it is the inside of: it has its name, and is found by its label. */
function standForHost(control: Element, copy: Element, spoken: Set<Element>): void {
  if (isFormAssociated(control) && !isWidget(control)) copy.removeAttribute('id');
  const host = domMembers(control).matches(controlSelector) ? formAssociatedHost(control) : null;
  if (!host || spoken.has(host)) return;
  spoken.add(host);
  copy.setAttribute('name', nameOf(control));
  for (const name of ['id', 'aria-label']) {
    const value = domMembers(host).getAttribute(name);
    if (value !== null && !copy.hasAttribute(name)) copy.setAttribute(name, value);
  }
}

/** What stands in a body, which cannot stand in markup by itself. */
function wrapped(body: Element): Element {
  const section = body.ownerDocument.createElement('section');
  section.append(...body.childNodes);
  return section;
}
