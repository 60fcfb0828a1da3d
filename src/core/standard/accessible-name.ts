import { type FieldKind, isButton, isTypedText } from '../html/field';
import { isLabelable, wrappedControls } from '../html/label-words';
import {
  attributeOf,
  type Element,
  elementsById,
  elementsOf,
  isElement,
  type Node,
  parseMarkup,
} from '../html/parse-markup';
import { controlsIn } from '../html/read-form';
import { Budget, GaveUp } from '../regexp/budget';

/** What the markup gives a control for assistive technology. */
export interface NameAndDescription {
  readonly name: string;
  readonly description: string;
  /** Nothing of it is told: it is hidden. */
  readonly isHidden: boolean;
}

/** How the computation may be left. */
export interface NameDeviations {
  /** What a control that stands in its own label adds to its name. */
  readonly ownPartInLabel: (control: ControlInLabel) => string;
  /** The text of an `output` is part of a label that it stands in, and its name where it has no other. */
  readonly outputsName: boolean;
  /** The name of a submit button without words, and of an image without an `alt`. */
  readonly submitName: string;
  /** The value of a button that is named by something else describes it. */
  readonly buttonValueDescribes: boolean;
  /** A `placeholder` names also what it does not apply to. */
  readonly placeholderNamesAll: boolean;
  /** Kinds that a `title` describes and never names. */
  readonly titleOnlyDescribes: readonly FieldKind[];
  /** `aria-description` is read. */
  readonly readsAriaDescription: boolean;
}

/** A control as labels see it. `value` is what it says where it stands in the label of another one. */
export interface ControlInLabel {
  readonly kind: FieldKind;
  readonly value: string;
  readonly placeholder: string;
  /** In place of the one that it has by itself; null: none is written. */
  readonly writtenRole: string | null;
}

/**
 * Names and descriptions of all controls of a page, by their ordinals: Accessible Name and Description Computation 1.2, and HTML
 * Accessibility API Mappings 1.0, "Accessible Name and Description Computation". Of what hides an element, attributes alone are known.
 *
 * @returns null for controls that the budget, of nodes and of UTF-16 code units, does not reach: all may refer to one long text
 */
export function namesOfControls(
  markup: string,
  controls: readonly ControlInLabel[],
  deviations: NameDeviations,
  budget = new Budget(5_000_000),
): (NameAndDescription | null)[] {
  const elements = [...elementsOf(parseMarkup(markup).document)];
  const found = controlsIn(elements);
  const told = new Map<Element, ControlInLabel>();
  found.forEach(({ node }, ordinal) => {
    const control = controls[ordinal];
    if (control) told.set(node, control);
  });
  const page = new PageNames(elements, told, deviations, budget);
  const hidden = hiddenIn(elements);
  return found.map(({ node }) => {
    try {
      return { ...page.of(node, told.get(node)?.kind ?? 'text'), isHidden: hidden.has(node) };
    } catch (error) {
      if (error instanceof GaveUp) return null;
      throw error;
    }
  });
}

/** What is hidden, or stands in what is. Elements come after what they stand in. */
function hiddenIn(elements: readonly Placed[]): ReadonlySet<Element> {
  const hidden = new Set<Element>();
  for (const { element, ancestors } of elements) {
    const around = ancestors.at(-1);
    if (isHidden(element) || (around && hidden.has(around))) hidden.add(element);
  }
  return hidden;
}

type Placed = { readonly element: Element; readonly ancestors: readonly Element[] };

class PageNames {
  private readonly byId: ReadonlyMap<string, Element>;
  private readonly labels = new Map<Element, Element[]>();

  constructor(
    elements: readonly Placed[],
    private readonly controls: ReadonlyMap<Element, ControlInLabel>,
    private readonly deviations: NameDeviations,
    private readonly budget: Budget,
  ) {
    this.byId = elementsById(elements);
    const wrapped = wrappedControls(elements);
    for (const { element } of elements) {
      if (element.tagName !== 'label') continue;
      const target = attributeOf(element, 'for');
      const labelled = target === null ? wrapped.get(element) : this.byId.get(target);
      if (!labelled || !isLabelable(labelled)) continue;
      const labels = this.labels.get(labelled);
      if (labels) labels.push(element);
      else this.labels.set(labelled, [element]);
    }
  }

  of(element: Element, kind: FieldKind): Pick<NameAndDescription, 'name' | 'description'> {
    const [name, source] = this.named(element, kind);
    const described = this.referenced(element, 'aria-describedby');
    const written = this.deviations.readsAriaDescription
      ? tidy(attributeOf(element, 'aria-description') ?? '')
      : '';
    const value =
      this.deviations.buttonValueDescribes && isButton(kind) && source !== 'native'
        ? attributeOf(element, 'value')
        : null;
    const title = source === 'title' ? '' : tidy(attributeOf(element, 'title') ?? '');
    return {
      name,
      description: described || written || (element.tagName === 'input' ? tidy(value ?? '') : '') || title,
    };
  }

  /** The name, and where it is from, as far as that matters to the description. */
  private named(element: Element, kind: FieldKind): [name: string, source: 'title' | 'native' | null] {
    const native = () => this.nativeName(element, kind);
    const label = () => (this.labels.get(element) ?? []).map((one) => this.contentOf(one, element)).join(' ');
    const sources = [
      () => this.referenced(element, 'aria-labelledby'),
      () => attributeOf(element, 'aria-label') ?? '',
      label,
      native,
    ];
    for (const source of sources) {
      const name = tidy(source());
      if (name !== '') return [name, source === native ? 'native' : null];
    }
    const title = tidy(attributeOf(element, 'title') ?? '');
    if (title !== '' && !this.deviations.titleOnlyDescribes.includes(kind)) return [title, 'title'];
    const hasPlaceholder = isTypedText(kind) || kind === 'number' || this.deviations.placeholderNamesAll;
    return [hasPlaceholder ? tidy(attributeOf(element, 'placeholder') ?? '') : '', null];
  }

  /** HTML Accessibility API Mappings, "input type=button, submit and reset", "input type=image", "button element". */
  private nativeName(element: Element, kind: FieldKind): string {
    if (kind === 'output' && this.deviations.outputsName) return this.contentOf(element, null);
    if (!isButton(kind)) return '';
    if (element.tagName === 'button')
      return this.isNamedFromContent(element) ? this.contentOf(element, null) : '';
    const own = [attributeOf(element, 'alt'), attributeOf(element, 'value')];
    const written = kind === 'image' ? own.find(Boolean) : own[1];
    if (typeof written === 'string') return written;
    if (kind === 'reset') return 'Reset';
    const title = attributeOf(element, 'title');
    return kind === 'submit' || (kind === 'image' && !title) ? this.deviations.submitName : '';
  }

  /** WAI-ARIA 1.2, "Roles Supporting Name from Content". */
  private isNamedFromContent(element: Element): boolean {
    const role = this.controls.get(element)?.writtenRole ?? 'button';
    return namedFromContent.has(role);
  }

  private referenced(element: Element, attribute: string): string {
    const ids = (attributeOf(element, attribute) ?? '').split(/[\t\n\f\r ]+/).filter(Boolean);
    return tidy(ids.map((id) => this.referencedText(id, element)).join(' '));
  }

  /** What is referred to counts even where it is hidden. */
  private referencedText(id: string, from: Element): string {
    const target = this.byId.get(id);
    if (!target) return '';
    return attributeOf(target, 'aria-label')?.trim() || this.contentOf(target, from, isHidden(target));
  }

  /** Step 2F, "Name From Content". @param labelled the control that is named by it, which says nothing of itself */
  private contentOf(element: Element, labelled: Element | null, evenHidden = false): string {
    return element.childNodes.map((node) => this.textIn(node, labelled, evenHidden)).join('');
  }

  private textIn(node: Node, labelled: Element | null, evenHidden: boolean): string {
    this.budget.spend();
    if (node.nodeName === '#text' && 'value' in node) {
      this.budget.spend(node.value.length);
      return node.value;
    }
    if (!isElement(node) || (!evenHidden && isHidden(node))) return '';
    if (node.tagName === 'script' || node.tagName === 'style' || node.tagName === 'template') return '';
    if (isLabelable(node) && (node.tagName !== 'button' || node === labelled))
      return ` ${this.controlIn(node, labelled)} `;
    const label = attributeOf(node, 'aria-label')?.trim();
    if (label) return ` ${label} `;
    if (node.tagName === 'img') return ` ${attributeOf(node, 'alt') ?? ''} `;
    if (node.tagName === 'br') return ' ';
    const inside = this.contentOf(node, labelled, evenHidden);
    return isBlock(node) ? ` ${inside} ` : inside;
  }

  /** Step 2C, "Embedded Control": what a control says in a label. */
  private controlIn(element: Element, labelled: Element | null): string {
    const control = this.controls.get(element);
    if (!control) return '';
    if (control.kind === 'output') return this.deviations.outputsName ? control.value : '';
    return element === labelled ? this.deviations.ownPartInLabel(control) : control.value;
  }
}

/** Of what hides an element, the attributes alone. */
function isHidden(element: Element): boolean {
  const style = attributeOf(element, 'style') ?? '';
  return (
    attributeOf(element, 'hidden') !== null ||
    attributeOf(element, 'aria-hidden') === 'true' ||
    /(?:^|[;\s])(?:display\s*:\s*none|visibility\s*:\s*hidden)\s*(?:[;!]|$)/i.test(style)
  );
}

const namedFromContent = new Set([
  ...[
    'button',
    'cell',
    'checkbox',
    'columnheader',
    'gridcell',
    'heading',
    'link',
    'menuitem',
    'menuitemcheckbox',
  ],
  ...['menuitemradio', 'option', 'radio', 'row', 'rowheader', 'switch', 'tab', 'tooltip', 'treeitem'],
]);

const blocks = new Set([
  'address',
  'article',
  'div',
  'dd',
  'dl',
  'dt',
  'fieldset',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'li',
  'ol',
  'p',
  'section',
  'table',
  'td',
  'th',
  'tr',
  'ul',
]);

function isBlock({ tagName }: Element): boolean {
  return blocks.has(tagName);
}

function tidy(text: string): string {
  return text.replace(/[\t\n\f\r \u00a0]+/g, ' ').trim();
}
