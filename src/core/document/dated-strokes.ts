import type { FieldKind } from '../html/field';

/**
 * Keys with which a date or time may be typed into the parts of a field, most usual first. In which order an engine draws the parts, with
 * which clock, and where it goes on to the next by itself depend on engine and language: each row is tried until one gives the value.
 *
 * @param value as a script reads it (HTML Standard, "Dates and times")
 * @returns names of keys as in UI Events; none for other kinds, and for values that cannot be typed so
 */
export function datedStrokes(kind: FieldKind, value: string): readonly (readonly string[])[] {
  const arrangements = arrangementsOf(kind, value);
  if (arrangements.length === 0) return [];
  const rows = arrangements.flatMap((parts) => goingOn.map((isKeyed) => row(parts, isKeyed)));
  const known = new Set<string>();
  const different = rows.filter((keys) => !known.has(keys.join(' ')) && known.add(keys.join(' ')));
  return [...different, [...value]];
}

interface Part {
  readonly is: 'year' | 'other';
  readonly keys: string;
}

/** After which parts a key leads on to the next: a year may have six digits, so that four do not; some engines never go on by themselves. */
const goingOn: readonly ((part: Part) => boolean)[] = [({ is }) => is === 'year', () => false, () => true];

function row(parts: readonly Part[], isKeyed: (part: Part) => boolean): string[] {
  return parts.flatMap((part, index) =>
    isKeyed(part) && index < parts.length - 1 ? [...part.keys, 'ArrowRight'] : [...part.keys],
  );
}

function arrangementsOf(kind: FieldKind, value: string): readonly (readonly Part[])[] {
  const [day, time] = value.split('T');
  switch (kind) {
    case 'date':
      return datesOf(day);
    case 'month':
      return yearly(/^(\d{4,6})-(\d\d)$/.exec(value));
    case 'week':
      return yearly(/^(\d{4,6})-W(\d\d)$/.exec(value));
    case 'time':
      return timesOf(value);
    case 'datetime-local':
      return datesOf(day).flatMap((date) => timesOf(time).map((clock) => [...date, ...clock]));
    default:
      return [];
  }
}

const part = (keys = ''): Part => ({ is: 'other', keys });
const yearPart = (keys = ''): Part => ({ is: 'year', keys });

function datesOf(day = ''): Part[][] {
  const [, y, m, d] = /^(\d{4,6})-(\d\d)-(\d\d)$/.exec(day) ?? [];
  if (d === undefined) return [];
  return [
    [part(m), part(d), yearPart(y)],
    [part(d), part(m), yearPart(y)],
    [yearPart(y), part(m), part(d)],
  ];
}

/** A month or a week, before its year and after it. */
function yearly(match: RegExpExecArray | null): Part[][] {
  if (!match) return [];
  const [, year, small] = match;
  return [
    [part(small), yearPart(year)],
    [yearPart(year), part(small)],
  ];
}

/** By a clock of twelve hours and by one of 24; a key that a clock does not know does nothing there. */
function timesOf(time = ''): Part[][] {
  const [, hours, minutes, seconds] = /^(\d\d):(\d\d)(?::(\d\d))?$/.exec(time) ?? [];
  if (hours === undefined) return [];
  const hour = Number(hours);
  const twelve = String(hour % 12 || 12).padStart(2, '0');
  const small = [part(minutes), ...(seconds === undefined ? [] : [part(seconds)])];
  return [
    [part(twelve), ...small, part(hour < 12 ? 'a' : 'p')],
    [part(hours), ...small],
  ];
}
