import { isTypedText } from '../html/field';
import { isCutOffBy } from '../html/nested-forms';
import { type Element, elementSpan } from '../html/parse-markup';
import type { Placed } from '../html/read-form';
import { blocksImplicitSubmission } from '../standard/implicit-submission';
import { buttonThatSends } from './mend';
import type { FaultRule } from './page-under-check';

/** A form of which nothing is ever sent: it has no button, and Enter presses none (HTML Standard, "Implicit submission"). */
export const noWayToSend: FaultRule = ({ fields, elements, nested }, report) => {
  const forms = elements.filter(({ element }) => element.tagName === 'form');
  for (const [index, { element }] of forms.entries()) {
    const kinds = fields.filter(({ controls: [control] }) => control.form === index).map(({ kind }) => kind);
    const span = elementSpan(element);
    const blocking = kinds.filter(blocksImplicitSubmission).length;
    // A button that sends nothing by itself may do so by a script.
    const hasButton = kinds.some((kind) => ['submit', 'image', 'button'].includes(kind));
    const isStuck = blocking > 1 || (blocking === 0 && kinds.some(isTypedText));
    // A form in it took its button away, which is told.
    const isCut = nested.some(({ outer, cutAt }) => outer === index && cutAt !== null);
    if (!span || hasButton || !isStuck || isCut || mayBeSentByScript(element, elements)) continue;
    report({
      span: { start: span.start, end: span.start + 5 },
      fault: { code: 'no way to send', blocking },
      mend: buttonThatSends(span),
    });
  }
};

/** Whether a listener in an attribute of the form, or of something in it, may send it: what it calls stands elsewhere. */
function mayBeSentByScript(form: Element, elements: readonly Placed[]): boolean {
  return elements.some(
    ({ element, ancestors }) =>
      (element === form || ancestors.includes(form)) &&
      element.attrs.some(({ name }) => name.startsWith('on')),
  );
}

/** A form that begins inside of another one (HTML Standard, "in body": its start tag is ignored, and its end tag ends the outer form). */
export const formInForm: FaultRule = ({ fields, nested }, report) => {
  for (const one of nested) {
    const lost = fields.filter(({ controls: [control] }) => isCutOffBy(one, control));
    report({
      span: one.tag,
      fault:
        lost.length === 0
          ? { code: 'form in a form' }
          : { code: 'form ends early', lost: lost.map(({ label, name }) => label || name) },
    });
  }
};
