import { readForm } from '../html/read-form';
import { withoutScripts } from '../html/without-scripts';
import type { Asking } from '../questions/asking';
import type { EngineTarget } from '../target/target';
import { withhold } from '../target/withheld';

/**
 * The asking as one target gets it: its page without what it is made not to know. The fields stay what the author
 * meant, so that every target is asked the same with the same values; only where they stand in the page is read again.
 */
export function askingOfTarget(asking: Asking, { variant, withheld }: EngineTarget): Asking {
  // A page of the developer's own is what it is.
  if (asking.page) return { ...asking, runsScripts: variant.scripts };
  const withoutNoscript = variant.scripts ? asking.markup : withoutScripts(asking.markup);
  const markup = withheld ? withhold(withoutNoscript, withheld) : withoutNoscript;
  if (variant.scripts) return { ...asking, markup };

  const placed = new Map(readForm(withoutNoscript).fields.map((field) => [field.id, field]));
  return {
    ...asking,
    markup,
    runsScripts: false,
    fields: asking.fields.flatMap((field) => {
      const there = placed.get(field.id);
      return there ? [{ ...field, controls: there.controls }] : [];
    }),
  };
}
