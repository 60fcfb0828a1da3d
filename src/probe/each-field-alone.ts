import { type Field, type FieldId, fieldOfControl } from '@/core/html/field';
import type { AskablePage } from './api/askable-page';
import type { ProbeField } from './api/probe-api';

/**
 * A page that does to one field after the other what it is told to do to many at once and what the page's scripts hear of, so that it
 * is known over which field it is lost.
 *
 * @param about told which field is next, and null once all are done
 * @param settle waits for what comes of it, and throws when the page is lost over it
 */
export function eachFieldAlone(
  page: AskablePage,
  fields: readonly Field[],
  about: (field: FieldId | null) => void,
  settle: () => Promise<unknown>,
): AskablePage {
  const alone = async <T>(
    all: readonly ProbeField[],
    act: (field: ProbeField, index: number) => Promise<T>,
  ): Promise<T[]> => {
    const done: T[] = [];
    for (const [index, field] of all.entries()) {
      const [ordinal] = field.ordinals;
      about((ordinal !== undefined && fieldOfControl(fields, ordinal)?.id) || null);
      done.push(await act(field, index));
      await settle();
    }
    about(null);
    return done;
  };
  const fill = (all: readonly ProbeField[], values: readonly (string | null)[]) =>
    alone(all, (field, index) => page.probe('fill', [field], [values[index] ?? null]));
  const textsShown = async (all: readonly ProbeField[]) =>
    (await alone(all, (field) => page.probe('textsShown', [field]))).flat();
  const probe = (method: string, ...parameters: unknown[]) => {
    const [first, second] = parameters as Parameters<typeof fill>;
    if (method === 'fill' && first.length > 1) return fill(first, second);
    if (method === 'textsShown') return textsShown(first);
    return (page.probe as (...all: unknown[]) => unknown).call(page, method, ...parameters);
  };
  // Everything else is the page's own.
  return Object.create(page, { probe: { value: probe } }) as AskablePage;
}
