import { escapeUTF8 } from 'entities/escape';

/** Text that is HTML already. */
export interface Html {
  readonly html: string;
}

type Inside = string | number | Html | null | false | readonly Inside[];

/** HTML with what stands in it escaped; what is HTML already, or a list of it, is put in as it is. */
export function html(parts: TemplateStringsArray, ...inside: readonly Inside[]): Html {
  return {
    html: parts.map((part, index) => part + (index < inside.length ? written(inside[index]) : '')).join(''),
  };
}

function written(inside: Inside | undefined): string {
  if (inside === null || inside === undefined || inside === false) return '';
  if (typeof inside === 'string') return escapeUTF8(inside);
  if (typeof inside === 'number') return String(inside);
  return 'html' in inside ? inside.html : inside.map(written).join('');
}
