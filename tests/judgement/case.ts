import type { Harm } from '@/core/finding/finding';

/** What has to be found, or may be: its harm, the label of its field (null: the form or many fields) and its code. */
export type Expected = readonly [harm: Harm, field: string | null, code: string];

/** A form or a page with what was expected of it before it was tried. */
export interface JudgedCase {
  readonly name: string;
  /** The whole page. */
  readonly markup: string;
  /** What has to be found. */
  readonly must: readonly Expected[];
  /** What may be said or not, by its code: people who build forms disagree about it. */
  readonly arguable: readonly string[];
}

/** A page in a language; an Arabic or Hebrew one reads from right to left. */
export function pageIn(language: string, inside: string): string {
  const direction = /^(?:ar|fa|he|ur)\b/.test(language) ? ' dir="rtl"' : '';
  return `<!doctype html>\n<html lang="${language}"${direction}>\n<meta charset="utf-8">\n<title>Form</title>\n${inside}\n</html>\n`;
}

/** A case of which nothing but what is arguable may be said. */
export function good(
  name: string,
  language: string,
  inside: string,
  arguable: readonly string[] = [],
): JudgedCase {
  return { name, markup: pageIn(language, inside), must: [], arguable };
}

export function faulty(
  name: string,
  language: string,
  inside: string,
  must: readonly Expected[],
  arguable: readonly string[] = [],
): JudgedCase {
  return { name, markup: pageIn(language, inside), must, arguable };
}
