import type { Field, FieldId } from '@/core/form/field';
import type { PartsFacts } from '@/core/observation/observation';
import type { Picture } from '@/core/observation/picture';
import { pictureBox } from '../picture-box';
import { probeField, type QuestionContext } from './question-context';

/** In which order the parts of a date or time are drawn, and on which clock. */
export type DrawnOrder = Pick<PartsFacts, 'order' | 'clock'>;

type DatedKind = 'date' | 'month' | 'week' | 'time' | 'datetime-local';

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

function isDated(kind: Field['kind']): kind is DatedKind {
  return Object.hasOwn(start, kind);
}

/**
 * Changes one part of each date and time and looks where its picture changes: that is where the part is drawn. Twelve
 * hours later the hour is drawn as it was on a clock of 12 hours, and what changes stands elsewhere.
 */
export async function askDrawnOrder(context: QuestionContext): Promise<Map<FieldId, DrawnOrder>> {
  const fields = context.asking.fields.filter(({ kind }) => isDated(kind));
  const orders = new Map<FieldId, DrawnOrder>();
  if (fields.length === 0) return orders;
  const before = await photograph(context, fields, start);
  const places = fields.map((): { part: string; from: number; to: number }[] => []);
  for (const { part, values } of turned) {
    const after = await photograph(context, fields, values);
    for (const index of fields.keys()) {
      const change = changeIn(context, before[index], after[index]);
      if (change) places[index]?.push({ part, from: change.x, to: change.x + change.width });
    }
  }
  const later = await photograph(context, fields, afternoon);
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

async function photograph(
  { page, signal }: QuestionContext,
  fields: readonly Field[],
  values: Partial<Record<DatedKind, string>>,
): Promise<readonly (Picture | null)[]> {
  signal.throwIfAborted();
  const probed = fields.map(probeField);
  await page.probe('reset');
  await page.probe(
    'fill',
    probed,
    fields.map(({ kind }) => (isDated(kind) ? (values[kind] ?? start[kind]) : null)),
  );
  const size = await page.probe('documentSize');
  const boxes = (await page.probe('describe', probed)).map(
    // Marks beside the field come and go with the value; where a part is drawn is told by the control alone.
    ({ controlBox }) => controlBox && pictureBox(controlBox, size, 0),
  );
  return page.pictures(boxes, size);
}
