import { type DatedKind, type Field, type FieldId, isDated } from '@/core/html/field';
import type { Picture } from '@/core/observation/picture';
import type { PartsFacts } from '@/core/questions/parts/facts';
import { photograph } from './photograph';
import type { QuestionContext } from './question-context';

/** In which order the parts of a date or time are drawn, and on which clock. */
export type DrawnOrder = Pick<PartsFacts, 'order' | 'clock'>;

const start = {
  date: '2026-03-14',
  month: '2026-03',
  week: '2026-W11',
  time: '06:45',
  'datetime-local': '2026-03-14T06:45',
} as const satisfies Record<DatedKind, string>;

/** One part changed and all else left as it was. */
const turned: readonly { part: string; values: Partial<Record<DatedKind, string>> }[] = [
  { part: 'day', values: { date: '2026-03-15', 'datetime-local': '2026-03-15T06:45' } },
  {
    part: 'month',
    values: { date: '2026-04-14', month: '2026-04', 'datetime-local': '2026-04-14T06:45' },
  },
  {
    part: 'year',
    values: {
      date: '2027-03-14',
      month: '2027-03',
      week: '2027-W11',
      'datetime-local': '2027-03-14T06:45',
    },
  },
  { part: 'week', values: { week: '2026-W12' } },
  { part: 'hour', values: { time: '07:45', 'datetime-local': '2026-03-14T07:45' } },
  { part: 'minute', values: { time: '06:46', 'datetime-local': '2026-03-14T06:46' } },
];
const afternoon: Partial<Record<DatedKind, string>> = { time: '18:45', 'datetime-local': '2026-03-14T18:45' };

/**
 * Changes one part of each date and time and looks where its picture changes: that is where the part is drawn. Twelve
 * hours later the hour is drawn as it was on a clock of 12 hours, and what changes stands elsewhere.
 */
export async function askDrawnOrder(context: QuestionContext): Promise<Map<FieldId, DrawnOrder>> {
  const fields = context.asking.fields.filter(({ kind }) => isDated(kind));
  const orders = new Map<FieldId, DrawnOrder>();
  if (fields.length === 0) return orders;
  const before = (await photograph(context, fields, valuesFor(fields, start))).pictures;
  const places = fields.map((): { part: string; from: number; to: number }[] => []);
  for (const { part, values } of turned) {
    const after = (await photograph(context, fields, valuesFor(fields, values))).pictures;
    for (const index of fields.keys()) {
      const change = changeIn(context, before[index], after[index]);
      if (change) places[index]?.push({ part, from: change.x, to: change.x + change.width });
    }
  }
  const later = (await photograph(context, fields, valuesFor(fields, afternoon))).pictures;
  for (const [index, field] of fields.entries()) {
    const drawn = (places[index] ?? []).sort((a, b) => a.from - b.from);
    const hour = drawn.find(({ part }) => part === 'hour');
    const change = changeIn(context, before[index], later[index]);
    const hourStays = hour && change && (change.x >= hour.to || change.x + change.width <= hour.from);
    orders.set(field.id, {
      order: drawn.length > 0 ? drawn.map(({ part }) => part) : null,
      clock: hour && change ? (hourStays ? '12 hours' : '24 hours') : null,
    });
  }
  return orders;
}

function changeIn(
  { page }: QuestionContext,
  before: Picture | null | undefined,
  after: Picture | null | undefined,
) {
  return before && after && before.id !== after.id ? page.changeBetween(before, after) : null;
}

/** Values by kind; where a kind has none of its own, the one that all start from. */
function valuesFor(fields: readonly Field[], values: Partial<Record<DatedKind, string>>): (string | null)[] {
  return fields.map(({ kind }) => (isDated(kind) ? (values[kind] ?? start[kind]) : null));
}
