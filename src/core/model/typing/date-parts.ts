import type { DatedKind } from '../../html/field';

/** A part of a date or time field, in which digits are typed on their own. */
export type PartName =
  | 'month'
  | 'month by name'
  | 'day'
  | 'year'
  | 'week'
  | 'hour'
  | 'minute'
  | 'second'
  | 'half of the day';

export interface DatePart {
  readonly name: PartName;
  readonly min: number;
  readonly max: number;
  /** Most digits. */
  readonly digits: number;
}

const part = (name: PartName, min: number, max: number, digits = 2): DatePart => ({ name, min, max, digits });

const parts = {
  month: part('month', 1, 12),
  named: part('month by name', 1, 12),
  day: part('day', 1, 31),
  year: part('year', 1, 9999, 4),
  week: part('week', 1, 53),
  hour: part('hour', 1, 12),
  minute: part('minute', 0, 59),
  second: part('second', 0, 59),
  half: part('half of the day', 0, 1, 0),
} as const;

/** The parts of each kind in the order in which American English writes them. */
export function partsOf(kind: DatedKind, withSeconds: boolean, lastYear: number): readonly DatePart[] {
  const year = { ...parts.year, max: lastYear, digits: String(lastYear).length };
  const time = [parts.hour, parts.minute, ...(withSeconds ? [parts.second] : []), parts.half];
  switch (kind) {
    case 'date':
      return [parts.month, parts.day, year];
    case 'month':
      return [parts.named, year];
    case 'week':
      return [parts.week, year];
    case 'time':
      return time;
    case 'datetime-local':
      return [parts.month, parts.day, year, ...time];
  }
}

type Held = Readonly<Partial<Record<PartName, number>>>;

const two = (n: number) => String(n).padStart(2, '0');

/** The parts of a value as the standard writes it; empty for no value. */
export function partsFromValue(kind: DatedKind, value: string): Held {
  const date = /^(\d{4,})-(\d\d)(?:-(\d\d))?/.exec(value);
  const time = /(\d\d):(\d\d)(?::(\d\d))?/.exec(value);
  const week = /^(\d{4,})-W(\d\d)$/.exec(value);
  if (week) return { year: Number(week[1]), week: Number(week[2]) };
  const hour = Number(time?.[1]);
  return {
    ...(date && { year: Number(date[1]), [kind === 'month' ? 'month by name' : 'month']: Number(date[2]) }),
    ...(date?.[3] && { day: Number(date[3]) }),
    ...(time && {
      hour: hour % 12 === 0 ? 12 : hour % 12,
      minute: Number(time[2]),
      second: Number(time[3] ?? 0),
      'half of the day': hour < 12 ? 0 : 1,
    }),
  };
}

/** What the parts make, as the standard writes it; null as long as one is missing. Whether that day exists is for others to say. */
export function valueOfParts(
  kind: DatedKind,
  held: Held,
  { withSeconds, mayMiss }: { readonly withSeconds: boolean; readonly mayMiss: boolean },
): string | null {
  const {
    year,
    month,
    'month by name': named,
    day,
    week,
    hour,
    minute,
    second,
    'half of the day': half,
  } = held;
  const years = year === undefined ? null : String(year).padStart(4, '0');
  const date =
    years && month !== undefined && day !== undefined ? `${years}-${two(month)}-${two(day)}` : null;
  const hasSeconds = !withSeconds || mayMiss || second !== undefined;
  const hasTime = hour !== undefined && minute !== undefined && half !== undefined && hasSeconds;
  const time = hasTime
    ? `${two((hour % 12) + half * 12)}:${two(minute)}${withSeconds && (second || !mayMiss) ? `:${two(second ?? 0)}` : ''}`
    : null;
  switch (kind) {
    case 'date':
      return date;
    case 'month':
      return years && named !== undefined ? `${years}-${two(named)}` : null;
    case 'week':
      return years && week !== undefined ? `${years}-W${two(week)}` : null;
    case 'time':
      return time;
    case 'datetime-local':
      return date && time && `${date}T${time}`;
  }
}
