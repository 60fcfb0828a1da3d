import { isTypedText } from '../html/field';
import { elementSpan } from '../html/parse-markup';
import { blocksImplicitSubmission } from '../standard/implicit-submission';
import { buttonThatSends } from './mend';
import type { FaultRule } from './page-under-check';

/** A form of which nothing is ever sent: it has no button, and Enter presses none (HTML Standard, "Implicit submission"). */
export const noWayToSend: FaultRule = ({ fields, elements }, report) => {
  const forms = elements.filter(({ element }) => element.tagName === 'form');
  for (const [index, { element }] of forms.entries()) {
    const kinds = fields.filter(({ controls: [control] }) => control.form === index).map(({ kind }) => kind);
    const span = elementSpan(element);
    const blocking = kinds.filter(blocksImplicitSubmission).length;
    // A button that sends nothing by itself may do so by a script.
    const hasButton = kinds.some((kind) => ['submit', 'image', 'button'].includes(kind));
    const isStuck = blocking > 1 || (blocking === 0 && kinds.some(isTypedText));
    if (!span || hasButton || !isStuck) continue;
    report({
      span: { start: span.start, end: span.start + 5 },
      fault: { code: 'no way to send', blocking },
      mend: buttonThatSends(span),
    });
  }
};
