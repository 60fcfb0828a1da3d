/** sRGB with alpha, 0 to 1 each. */
export interface Rgba {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
  readonly alpha: number;
}

/**
 * A colour as `getComputedStyle` gives it (CSS Color, "Serializing sRGB values"): `rgb()`, `rgba()` and `color(srgb …)`.
 * Null for other colour spaces.
 */
export function parseComputedColor(text: string): Rgba | null {
  const numbers = (text.match(/-?[\d.]+(?:e-?\d+)?%?/g) ?? []).map((one) =>
    one.endsWith('%') ? Number.parseFloat(one) / 100 : Number.parseFloat(one),
  );
  const [red, green, blue, alpha = 1] = numbers;
  if (red === undefined || green === undefined || blue === undefined) return null;
  if (/^rgba?\(/.test(text)) return { red: red / 255, green: green / 255, blue: blue / 255, alpha };
  return /^color\(srgb /.test(text) ? { red, green, blue, alpha } : null;
}

/** `over` drawn on an opaque `under` (CSS Color, "simple alpha compositing"). */
export function composite(over: Rgba, under: Rgba): Rgba {
  const mix = (a: number, b: number) => a * over.alpha + b * (1 - over.alpha);
  return {
    red: mix(over.red, under.red),
    green: mix(over.green, under.green),
    blue: mix(over.blue, under.blue),
    alpha: 1,
  };
}

/** WCAG 2.2, "contrast ratio", of two opaque colours: from 1 to 21. */
export function contrastRatio(a: Rgba, b: Rgba): number {
  const [one, other] = [relativeLuminance(a), relativeLuminance(b)];
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}

/** WCAG 2.2, "relative luminance". */
function relativeLuminance({ red, green, blue }: Rgba): number {
  const linear = (channel: number) =>
    channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
  return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
}
