import { type Color, clampRgb, parse, rgb } from 'culori';

/**
 * A CSS colour in the simple form that a colour field holds, without its opacity (HTML Standard, "Color state"; CSS
 * Color Module, "Resolving sRGB values").
 * @param systemColors colours of the target's own by their names in lower case, as `#rrggbb`
 * @returns `#rrggbb`, or null for what is no colour.
 */
export function simpleColor(
  text: string,
  systemColors: Readonly<Record<string, string>> = {},
): string | null {
  const parsed = parsedColor(text, systemColors);
  if (!parsed) return null;
  return hexadecimalText(parsed);
}

/** As `#rrggbb`; what sRGB does not reach is clamped. */
export function hexadecimalText(color: Color): string {
  const { r, g, b } = clampRgb(rgb(color));
  return `#${[r, g, b].map(hexadecimal).join('')}`;
}

/** A channel from 0 to 1 as two digits. A missing one is none of that colour. */
function hexadecimal(channel: number | undefined): string {
  return Math.round((channel ?? 0) * 255)
    .toString(16)
    .padStart(2, '0');
}

/** A colour as it is written; undefined for what is none, and for what has to be computed first. */
export function parsedColor(text: string, systemColors: Readonly<Record<string, string>>): Color | undefined {
  const color = text.replace(/^[\t\n\f\r ]+|[\t\n\f\r ]+$/g, '').toLowerCase();
  // Hexadecimal digits alone are no colour in CSS, though the package reads them as one.
  if (/^[0-9a-f]{3,8}$/.test(color)) return undefined;
  try {
    return parse((Object.hasOwn(systemColors, color) ? systemColors[color] : null) ?? color);
  } catch {
    // The package throws over a number of an unknown unit behind a slash, as in `/0a`.
    return undefined;
  }
}
