import { attributeText, replaceSpan } from '../html/edit-markup';
import { attribute, type Control, type InputType } from '../html/field';
import { readForm } from '../html/read-form';

/** What a target is made not to know, so that its fallback is really drawn and really typed into. */
export interface Withheld {
  /** Values of `type` that become unknown ones. */
  readonly kinds: readonly InputType[];
  /** Attributes that are taken for unknown ones. */
  readonly attributes: readonly string[];
  /** Where it is known from that such an engine lacks them. */
  readonly source: string;
}

/** An unknown kind keeps its name behind this, so that it can still be told what was withheld. */
const prefix = 'withheld-';

/**
 * The markup as an engine that lacks these kinds and attributes understands it: a `type` that it does not know (HTML
 * Standard, "The input element": an unknown value is the Text state), and attributes under names that nobody knows.
 * The author's selectors on such attributes follow. Controls keep their order.
 */
export function withhold(markup: string, { kinds, attributes }: Withheld): string {
  const controls = readForm(markup)
    .fields.flatMap((field) => field.controls)
    .sort((a, b) => b.startTag.start - a.startTag.start);
  let out = markup;
  for (const control of controls) out = withholdFrom(out, control, kinds, attributes);
  return withholdFromSelectors(out, kinds, attributes);
}

function withholdFrom(
  markup: string,
  control: Control,
  kinds: readonly string[],
  attributes: readonly string[],
): string {
  const type = (attribute(control, 'type') ?? '').toLowerCase();
  const edits = control.attributes.flatMap((one) => {
    if (one.name === 'type' && control.element === 'input' && kinds.includes(type))
      return [{ span: one.span, text: attributeText('type', prefix + type) }];
    if (attributes.includes(one.name) && one.name !== 'type')
      return [{ span: one.span, text: attributeText(`data-${prefix}${one.name}`, one.value) }];
    return [];
  });
  return edits
    .sort((a, b) => b.span.start - a.span.start)
    .reduce((text, { span, text: by }) => replaceSpan(text, span, by), markup);
}

/** `[type=date]` in a style goes on to match what the author meant: such an engine keeps the attribute as it was written. */
function withholdFromSelectors(
  markup: string,
  kinds: readonly string[],
  attributes: readonly string[],
): string {
  return markup.replace(
    /(<style\b[^>]*>)([\s\S]*?)(<\/style)/gi,
    (_, open: string, css: string, close: string) => {
      let out = css;
      for (const kind of kinds)
        out = out.replace(
          new RegExp(`(\\[\\s*type\\s*=\\s*["']?)${kind}(["']?\\s*(?:i\\s*)?\\])`, 'gi'),
          `$1${prefix}${kind}$2`,
        );
      for (const name of attributes)
        if (name !== 'type')
          out = out.replace(new RegExp(`\\[\\s*${name}(?=[\\s~|^$*=\\]])`, 'gi'), `[data-${prefix}${name}`);
      return open + out + close;
    },
  );
}
