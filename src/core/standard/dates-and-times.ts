import { daysInMonth } from './days-in-month';

/**
 * HTML Standard, "Dates and times". Each parser takes a string and returns what the input kind counts in, or null:
 * dates and moments in ms since 1970-01-01T00:00Z, weeks in ms of their Monday, months since January 1970, times in ms since midnight.
 */

const dayMs = 86_400_000;

/** Midnight UTC of a day of the proleptic Gregorian calendar, however far away. */
function utcMs(year: number, month: number, day: number): number {
  // Years of 400 repeat; Date counts within the first of them.
  const cycles = Math.floor(year / 400) - 5;
  return Date.UTC(year - cycles * 400, month - 1, day) + cycles * daysInCycle * dayMs;
}

const daysInCycle = 146_097;

interface YearAndMonth {
  readonly year: number;
  readonly month: number;
}

function parseYearAndMonth(text: string): YearAndMonth | null {
  const match = /^(\d{4,})-(\d{2})$/.exec(text);
  if (!match) return null;
  const year = Number(match[1]);
  const month = Number(match[2]);
  return year > 0 && month >= 1 && month <= 12 ? { year, month } : null;
}

/** "Months": whole months since January 1970. */
export function parseMonth(text: string): number | null {
  const parts = parseYearAndMonth(text);
  return parts && (parts.year - 1970) * 12 + parts.month - 1;
}

/** "Dates": ms at midnight UTC. */
export function parseDate(text: string): number | null {
  const match = /^(\d{4,}-\d{2})-(\d{2})$/.exec(text);
  const parts = match?.[1] ? parseYearAndMonth(match[1]) : null;
  if (!match || !parts) return null;
  const day = Number(match[2]);
  return day >= 1 && day <= daysInMonth(parts.year, parts.month) ? utcMs(parts.year, parts.month, day) : null;
}

/** "Times": ms since midnight. */
export function parseTime(text: string): number | null {
  const match = /^(\d{2}):(\d{2})(?::(\d{2})(?:\.(\d{1,3}))?)?$/.exec(text);
  if (!match) return null;
  const [hour, minute, second] = [Number(match[1]), Number(match[2]), Number(match[3] ?? 0)];
  if (hour > 23 || minute > 59 || second > 59) return null;
  return ((hour * 60 + minute) * 60 + second) * 1000 + Number((match[4] ?? '0').padEnd(3, '0'));
}

/** "Local dates and times": ms as if the moment were in UTC. */
export function parseLocalDateAndTime(text: string): number | null {
  const match = /^(.+)[T ](.+)$/.exec(text);
  const date = match?.[1] ? parseDate(match[1]) : null;
  const time = match?.[2] ? parseTime(match[2]) : null;
  return date === null || time === null ? null : date + time;
}

/** Midnight UTC of the Monday that starts ISO week 1 of a year. */
function firstMonday(year: number): number {
  const fourth = utcMs(year, 1, 4);
  return fourth - weekdayOf(fourth) * dayMs;
}

/** From Monday, 0, to Sunday, 6. */
function weekdayOf(ms: number): number {
  // 1 January 1970 was a Thursday.
  return (((Math.floor(ms / dayMs) + 3) % 7) + 7) % 7;
}

/** "Weeks": ms at the Monday's midnight UTC. */
export function parseWeek(text: string): number | null {
  const match = /^(\d{4,})-W(\d{2})$/.exec(text);
  if (!match) return null;
  const year = Number(match[1]);
  const week = Number(match[2]);
  if (year < 1 || week < 1 || week > weeksIn(year)) return null;
  return firstMonday(year) + (week - 1) * 7 * dayMs;
}

/** 53 in years that start on a Thursday, and in leap years that start on a Wednesday. */
export function weeksIn(year: number): number {
  const first = weekdayOf(utcMs(year, 1, 1));
  return first === 3 || (first === 2 && daysInMonth(year, 2) === 29) ? 53 : 52;
}

function twoDigits(n: number): string {
  return String(n).padStart(2, '0');
}

function yearText(year: number): string {
  return String(year).padStart(4, '0');
}

export function formatMonth(months: number): string {
  return `${yearText(1970 + Math.floor(months / 12))}-${twoDigits((((months % 12) + 12) % 12) + 1)}`;
}

export function formatDate(ms: number): string {
  const cycles = Math.floor(ms / (daysInCycle * dayMs));
  const date = new Date(ms - cycles * daysInCycle * dayMs);
  const year = date.getUTCFullYear() + cycles * 400;
  return `${yearText(year)}-${twoDigits(date.getUTCMonth() + 1)}-${twoDigits(date.getUTCDate())}`;
}

/** The shortest valid time string, as the value sanitization of `datetime-local` asks for. */
export function formatTime(ms: number): string {
  const inDay = ((ms % dayMs) + dayMs) % dayMs;
  const minutes = `${twoDigits(Math.floor(inDay / 3_600_000))}:${twoDigits(Math.floor(inDay / 60_000) % 60)}`;
  const rest = inDay % 60_000;
  if (rest === 0) return minutes;
  const seconds = `${minutes}:${twoDigits(Math.floor(rest / 1000))}`;
  return rest % 1000 === 0
    ? seconds
    : `${seconds}.${String(rest % 1000)
        .padStart(3, '0')
        .replace(/0+$/, '')}`;
}

export function formatLocalDateAndTime(ms: number): string {
  return `${formatDate(ms)}T${formatTime(ms)}`;
}

export function formatWeek(ms: number): string {
  const year = Number(/^\d+/.exec(formatDate(ms + 3 * dayMs))?.[0]);
  const week = Math.round((ms - firstMonday(year)) / (7 * dayMs)) + 1;
  return `${yearText(year)}-W${twoDigits(week)}`;
}
