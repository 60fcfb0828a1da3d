import names from 'color-name';

/**
 * A CSS colour in the simple form that a colour field holds, without its opacity (HTML Standard, "Color state"; CSS
 * Color Module, "Resolving sRGB values"). Hexadecimal notations and names are understood.
 * @returns `#rrggbb`, or null for what is no colour or is written in another notation.
 */
export function simpleColor(text: string): string | null {
  const color = text.trim().toLowerCase();
  const named = Object.hasOwn(names, color) ? names[color as keyof typeof names] : undefined;
  if (named) return `#${named.map((part) => part.toString(16).padStart(2, '0')).join('')}`;
  const short = /^#([0-9a-f])([0-9a-f])([0-9a-f])[0-9a-f]?$/.exec(color);
  if (short)
    return `#${short
      .slice(1)
      .map((digit) => digit + digit)
      .join('')}`;
  return /^#([0-9a-f]{6})(?:[0-9a-f]{2})?$/.exec(color)?.[0].slice(0, 7) ?? null;
}
