import { attributeText } from './edit-markup';
import type { Control } from './field';
import { languageOf } from './language';
import { attributeOf, elementSpan, elementsOf, parseMarkup, textOf } from './parse-markup';
import { controlsIn } from './read-form';

/** One of the forms of a page, with what it needs of the page around it. */
export interface FormInPage {
  /** Its id, name, heading or label, or else its place. */
  readonly name: string;
  readonly fields: number;
  /** The form's own markup in the page's language, with the page's styles, and with the controls outside of it that belong to it. */
  readonly markup: string;
}

/** The forms of a page, in tree order; those without a control are left out. */
export function formsInPage(markup: string): FormInPage[] {
  const elements = [...elementsOf(parseMarkup(markup).document)];
  const controls = controlsIn(elements).map(({ control }) => control);
  const styles = elements.flatMap(({ element }) => {
    const span = element.tagName === 'style' ? elementSpan(element) : null;
    return span ? [markup.slice(span.start, span.end)] : [];
  });
  const lists = elements.flatMap(({ element }) => {
    const span = element.tagName === 'datalist' ? elementSpan(element) : null;
    return span ? [{ span, text: markup.slice(span.start, span.end) }] : [];
  });
  const forms = elements.filter(({ element }) => element.tagName === 'form');
  return forms.flatMap(({ element, ancestors }, index) => {
    const span = elementSpan(element);
    const own = controls.filter(({ form }) => form === index);
    if (!span || own.length === 0) return [];
    const within = ({ span: inner }: { span: Control['span'] }) =>
      inner.start >= span.start && inner.end <= span.end;
    const outside = own
      .filter((control) => !within(control))
      .map((control) => markup.slice(control.span.start, control.span.end));
    const farLists = lists.filter((list) => !within(list)).map(({ text }) => text);
    const heading = [...elementsOf(element)].find(({ element: { tagName } }) =>
      /^(?:h[1-6]|legend)$/.test(tagName),
    );
    const name =
      attributeOf(element, 'aria-label') ??
      (heading ? textOf(heading.element).trim() : null) ??
      attributeOf(element, 'id') ??
      attributeOf(element, 'name');
    return [
      {
        name: name || `Form ${index + 1}`,
        fields: own.length,
        markup: [
          ...styles,
          ...inLanguage(languageOf(ancestors), [markup.slice(span.start, span.end), ...outside, ...farLists]),
        ].join('\n'),
      },
    ];
  });
}

/** The language that the page says around the form, which a person would otherwise be taken not to have. */
function inLanguage(language: string | null, parts: readonly string[]): readonly string[] {
  return language === null ? parts : [`<div ${attributeText('lang', language)}>`, ...parts, '</div>'];
}
