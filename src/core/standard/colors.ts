import { type Color, clampRgb, p3, parse, rgb } from 'culori';

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

function hexadecimalText(color: Color): string {
  const { r, g, b } = clampRgb(rgb(color));
  return `#${[r, g, b].map(hexadecimal).join('')}`;
}

/** A channel from 0 to 1 as two digits. A missing one is none of that colour. */
function hexadecimal(channel: number | undefined): string {
  return Math.round((channel ?? 0) * 255)
    .toString(16)
    .padStart(2, '0');
}

function parsedColor(text: string, systemColors: Readonly<Record<string, string>>): Color | undefined {
  const color = text.replace(/^[\t\n\f\r ]+|[\t\n\f\r ]+$/g, '').toLowerCase();
  // Hexadecimal digits alone are no colour in CSS, though the package reads them as one.
  if (/^[0-9a-f]{3,8}$/.test(color)) return undefined;
  return parse(systemColors[color] ?? color);
}

/** A colour as a field with `colorspace=display-p3` holds it (CSS Color Module, "Serializing values of the color() function"). */
export function wideColor(text: string, systemColors: Readonly<Record<string, string>> = {}): string {
  const parsed = parsedColor(text, systemColors);
  // Only a colour that was written in a wide space is kept as it is; the others have 8 bits for each channel.
  const inReach =
    parsed && (/^\s*(?:color|lab|lch|oklab|oklch)\(/i.test(text) ? parsed : parse(hexadecimalText(parsed)));
  const { r, g, b } = inReach ? p3(inReach) : { r: 0, g: 0, b: 0 };
  return `color(display-p3 ${[r, g, b].map((channel) => String(Number((channel ?? 0).toPrecision(6)))).join(' ')})`;
}
