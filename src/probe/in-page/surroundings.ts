import { pictureMargin } from '@/core/observation/size';
import { inDocument } from '../api/box';
import type { Box, ProbeField, Surroundings } from '../api/probe-api';
import { domMembers } from './dom-members';
import { controlsOf } from './field-controls';
import { isField } from './page-fields';
import { type SelectorReach, selectorReach } from './selector-reach';

/** How far from a control something drawn may lie that a picture shows, across and along the page; CSS px. */
interface ShownAround {
  readonly across: number;
  readonly along: number;
}
const besideIt: ShownAround = { across: 2 * pictureMargin, along: 2 * pictureMargin };
const underBubbles: ShownAround = { across: 420, along: 140 };
const underPopUps: ShownAround = { across: 420, along: 460 };

/**
 * All that answers about each field depend on in a page whose scripts do not run: what the field is, where it stands, what its styles come
 * to and which could apply, and what is drawn around it. Meant for a page that has just loaded.
 */
export function surroundings(fields: readonly ProbeField[]): Surroundings {
  const page = readPage();
  const styles = new Map<string, number>();
  const indexOf = (text: string) => {
    const index = styles.get(text) ?? styles.size;
    styles.set(text, index);
    return index;
  };
  const told = fields.map((field) => {
    const controls = controlsOf(field);
    return { ...surroundingsOf(controls, page), styles: controls.flatMap(stylesAt).map(indexOf) };
  });
  return { common: page.common, styles: [...styles.keys()], fields: told };
}

interface PageRead {
  readonly common: string;
  readonly reach: SelectorReach;
  /** Elements that are drawn, in the order of the page. */
  readonly drawn: ReadonlyMap<Element, Drawn>;
}

interface Drawn {
  /** In the document. */
  readonly box: Box;
  readonly told: string;
}

function readPage(): PageRead {
  const { documentElement: root, head, compatMode } = domMembers(document);
  const rules = [...domMembers(document).styleSheets].flatMap((sheet) => [...sheet.cssRules]);
  const reach = selectorReach(rules.flatMap(selectorsIn));
  const css = rules.map(({ cssText }) => cssText);
  const common: unknown[] = [compatMode, css, [...head.querySelectorAll('meta,base')].map(outerOf)];
  // Counted things are drawn by numbers that any element may change.
  if (reach.everywhere || css.some((one) => /counter|@container|\d(?:vh|vmax|lh)\b/.test(one)))
    common.push(outerOf(root));
  return { common: JSON.stringify(common), reach, drawn: drawnIn(root) };
}

function selectorsIn(rule: CSSRule): string[] {
  const { selectorText, cssRules } = rule as CSSRule & { selectorText?: string; cssRules?: CSSRuleList };
  return [...(selectorText ? [selectorText] : []), ...[...(cssRules ?? [])].flatMap(selectorsIn)];
}

function drawnIn(root: Element): Map<Element, Drawn> {
  const drawn = new Map<Element, Drawn>();
  for (const element of domMembers(root).querySelectorAll('body *')) {
    const box = domMembers(element).getBoundingClientRect();
    if (box.width === 0 && box.height === 0) continue;
    const told = `${drawnTagOf(element)}${ownText(element)}${isField(element) ? lookOf(element) : ''}`;
    drawn.set(element, { box: inDocument(box), told });
  }
  return drawn;
}

function surroundingsOf(
  controls: readonly Element[],
  { reach, drawn }: PageRead,
): Omit<Surroundings['fields'][number], 'styles'> {
  const boxes = controls.flatMap((control) => drawn.get(control)?.box ?? []);
  const shown = (around: ShownAround) =>
    boxes.map((box) => [...drawn].flatMap((one) => tellNeighbour(one, controls, box, around)));
  const own = controls.map((control) => tellControl(control, reach));
  return {
    near: JSON.stringify([own, shown(besideIt)]),
    underBubble: JSON.stringify(shown(underBubbles)),
    underPopUp: JSON.stringify(shown(underPopUps)),
  };
}

/** What is drawn within so many px of a control, where it lies from there; what holds the control is told with it. */
function tellNeighbour(
  [element, { box, told }]: readonly [Element, Drawn],
  controls: readonly Element[],
  from: Box,
  { across, along }: ShownAround,
): unknown[] {
  const [x, y] = [box.x - from.x, box.y - from.y];
  const isOut =
    x > from.width + across || y > from.height + along || x + box.width < -across || y + box.height < -along;
  if (isOut || controls.some((control) => domMembers(element).contains(control))) return [];
  return [[told, ...[x, y, box.width, box.height].map(rounded)]];
}

function tellControl(control: Element, reach: SelectorReach): unknown[] {
  const holders = holdersOf(control);
  const { labels = null, form = null } = control as HTMLInputElement;
  return [
    outerOf(control),
    labels === null ? null : [...labels].map(outerOf),
    [control, ...holders].flatMap(referredBy),
    holders.map((holder) => tellHolder(holder, control)),
    reach.besides ? [control, ...holders].map(tellBesides) : null,
    form === null ? null : [tagOf(form), sharersOf(control, form)],
    isFirstOfItsId(control),
    placeOf(control),
  ];
}

function holdersOf(element: Element): Element[] {
  const holders: Element[] = [];
  for (let parent = domMembers(element).parentElement; parent; parent = domMembers(parent).parentElement)
    holders.push(parent);
  return holders;
}

/** The legend is part of what assistive technology is told; what is drawn behind a field may depend on how large its holder is. */
function tellHolder(holder: Element, control: Element): unknown[] {
  const legend = holder instanceof HTMLFieldSetElement ? holder.querySelector('legend') : null;
  const own = [tagOf(holder), ownText(holder), legend && outerOf(legend)];
  if (getComputedStyle(holder).backgroundImage === 'none') return own;
  const [box, from] = [holder, control].map((one) => domMembers(one).getBoundingClientRect());
  return box && from
    ? [...own, ...[box.x - from.x, box.y - from.y, box.width, box.height].map(rounded)]
    : own;
}

const tellBesides = (element: Element) =>
  [...(domMembers(element).parentElement?.children ?? [])].map((one) => (one === element ? '' : tagOf(one)));

const referring = [
  'list',
  'aria-labelledby',
  'aria-describedby',
  'aria-errormessage',
  'aria-controls',
  'aria-owns',
  'aria-details',
];

/** What an element names by its ids. */
function referredBy(element: Element): string[] {
  return referring.flatMap((name) => {
    const ids = domMembers(element).getAttribute(name)?.split(/\s+/) ?? [];
    return ids.flatMap((id) => {
      const named = id === '' ? null : domMembers(document).getElementById(id);
      return named ? outerOf(named) : [];
    });
  });
}

/** Controls of its form that are sent under the same name, or that are one group with it. */
function sharersOf(control: Element, form: HTMLFormElement): string[] {
  const name = domMembers(control).getAttribute('name');
  if (!name) return [];
  return [...domMembers(form).elements]
    .filter((one) => domMembers(one).getAttribute('name') === name)
    .map(outerOf);
}

function isFirstOfItsId(control: Element): boolean {
  const id = domMembers(control).getAttribute('id');
  return id === null || domMembers(document).getElementById(id) === control;
}

/** Where it is once it is in sight, and where between two pixels; all CSS px. */
function placeOf(control: Element): number[] {
  const { x, y, width, height } = domMembers(control).getBoundingClientRect();
  const { scrollHeight, scrollWidth } = domMembers(document).documentElement;
  const top = y + window.scrollY;
  const middle = Math.round(top + height / 2 - window.innerHeight / 2);
  const scrolled = Math.max(0, Math.min(middle, scrollHeight - window.innerHeight));
  const below = Math.min(4 * pictureMargin, scrollHeight - top - height);
  return [x, top - scrolled, top % 1, width, height, scrollWidth, below].map(rounded);
}

function stylesAt(control: Element): string[] {
  const { labels = null } = control as HTMLInputElement;
  return [control, ...(labels ?? [])].map(stylesOf);
}

/** Where the engine tells them in one text, that is many times quicker (CSSOM, "The CSSStyleDeclaration interface"). */
function stylesOf(element: Element): string {
  const styles = getComputedStyle(element);
  if (styles.cssText !== '') return styles.cssText;
  return [...styles].map((name) => `${name}:${styles.getPropertyValue(name)}`).join(';');
}

/** Styles by which fields are drawn otherwise in one state than in another, as far as their boxes do not tell. */
const drawnStyles = [
  'color',
  'background',
  'border',
  'outline',
  'opacity',
  'box-shadow',
  'font',
  'text-decoration',
  'visibility',
  'filter',
];

function lookOf(element: Element): string {
  const styles = getComputedStyle(element);
  return drawnStyles.map((name) => styles.getPropertyValue(name)).join(';');
}

const outerOf = (element: Element) => domMembers(element).outerHTML;

/** Its tag with what it says, and not what is in it. */
function tagOf(element: Element): string {
  const { tagName, attributes } = domMembers(element);
  return JSON.stringify([tagName, ...[...attributes].map(({ name, value }) => [name, value])]);
}

/** Attributes by which no engine draws an element otherwise; where styles do, it shows in what its styles come to. */
const undrawn =
  /^(?:id|name|for|form|title|required|pattern|minlength|maxlength|inputmode|enterkeyhint|tabindex|autofocus|auto(?:complete|capitalize|correct)|accept|formaction|formmethod|formenctype|formtarget|formnovalidate|aria-.*)$/;
const ofDates = ['date', 'month', 'week', 'time', 'datetime-local'];

/** The same as far as a person sees it, with what its styles come to. */
function drawnTagOf(element: Element): string {
  const { tagName, attributes } = domMembers(element);
  const isDate = element instanceof HTMLInputElement && ofDates.includes(element.type);
  const seen = [...attributes].filter(
    ({ name }) => !undrawn.test(name) && !(isDate && ['min', 'max', 'step'].includes(name)),
  );
  return JSON.stringify([tagName, ...seen.map(({ name, value }) => [name, value])]);
}

const ownText = (element: Element) =>
  [...domMembers(element).childNodes].flatMap((node) => (node instanceof Text ? node.data : [])).join('\n');

/** Engines do their sums in fractions of a px that differ in the last place. */
const rounded = (px: number) => Math.round(px * 16) / 16;
