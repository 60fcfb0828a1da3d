import {
  type Color,
  fixupHueDecreasing,
  fixupHueIncreasing,
  fixupHueLonger,
  fixupHueShorter,
  type Hsl,
  type Hwb,
  interpolateWithPremultipliedAlpha,
  type Mode,
  type Oklch,
  type Rgb,
  rgb,
  xyz65,
} from 'culori';
import { ownEntry } from '../../html/own-entry';
import { hexadecimalText, parsedColor } from '../../standard/colors';

/**
 * Colours as Gecko's colour field holds them. It reckons in floats of 24 bits, which shows in the last digits, and it
 * computes `color-mix()`.
 * @param space the `colorspace` attribute
 * @returns `#rrggbb` or `color(display-p3 …)`; null for what is no colour in sRGB, and black for that in a wide space.
 */
export function geckoColor(
  text: string,
  space: string | null,
  systemColors: Readonly<Record<string, string>>,
): string | null {
  const color = mixedColor(text, systemColors) ?? asWritten(text, systemColors);
  if (space?.toLowerCase() === 'display-p3') return wideText(color ? inDisplayP3(color) : [0, 0, 0]);
  return color ? hexadecimalText(isTurned(color) ? rgbColor(channelsOfTurned(color)) : color) : null;
}

/** Written in another way than as `color(srgb …)`, a colour in sRGB has 8 bits for each channel. */
function asWritten(text: string, systemColors: Readonly<Record<string, string>>): (Color & Kept) | undefined {
  const color = parsedColor(text, systemColors);
  return color?.mode === 'rgb' && /^\s*color\(/i.test(text) ? { ...color, isExact: true } : color;
}

/** The channels are not rounded to 8 bits. */
interface Kept {
  readonly isExact?: true;
}

type Triple = readonly [number, number, number];

const float = Math.fround;

/** Three sums of products, each step rounded to a float. */
function times(matrix: readonly [Triple, Triple, Triple], [a, b, c]: Triple): Triple {
  const row = ([x, y, z]: Triple) =>
    float(float(float(float(x) * a) + float(float(y) * b)) + float(float(z) * c));
  return [row(matrix[0]), row(matrix[1]), row(matrix[2])];
}

function each([a, b, c]: Triple, change: (channel: number) => number): Triple {
  return [change(a), change(b), change(c)];
}

/** CSS Color Module, "Sample code for Color Conversions". */
const xyzFromSrgb = [
  [0.4123907992659595, 0.35758433938387796, 0.1804807884018343],
  [0.21263900587151036, 0.7151686787677559, 0.07219231536073371],
  [0.01933081871559185, 0.11919477979462599, 0.9505321522496606],
] as const;
const displayP3FromXyz = [
  [2.4934969119414245, -0.9313836179191236, -0.40271078445071684],
  [-0.829488969561575, 1.7626640603183468, 0.02362468584194359],
  [0.035845830243784335, -0.07617238926804171, 0.9568845240076873],
] as const;
const lmsFromOklab = [
  [0.9999999984505198, 0.39633779217376786, 0.2158037580607588],
  [1.0000000088817609, -0.10556134232365635, -0.06385417477170591],
  [1.0000000546724108, -0.08948418209496575, -1.2914855378640917],
] as const;
const xyzFromLms = [
  [1.2268798733741557, -0.5578149965554813, 0.28139105017721583],
  [-0.04057576262431372, 1.1122868293970594, -0.07171106666151701],
  [-0.07637294974672142, -0.4214933239627914, 1.5869240244272418],
] as const;

function linear(channel: number): number {
  const size = Math.abs(channel);
  if (size < float(0.04045)) return float(channel / float(12.92));
  const base = float(float(size + float(0.055)) / float(1.055));
  return float(Math.sign(channel) * float(base ** float(2.4)));
}

function gammaEncoded(channel: number): number {
  const size = Math.abs(channel);
  if (size <= float(0.0031308)) return float(float(12.92) * channel);
  const power = float(size ** float(1 / float(2.4)));
  return float(Math.sign(channel) * float(float(float(1.055) * power) - float(0.055)));
}

function inDisplayP3(color: Color): Triple {
  if (color.mode === 'p3') return each([color.r, color.g, color.b], float);
  return each(times(displayP3FromXyz, xyzOf(color)), gammaEncoded);
}

function xyzOf(color: Color): Triple {
  if (color.mode === 'oklch') return xyzOfOklch(color);
  if (isTurned(color)) return xyzOfSrgb(channelsOfTurned(color));
  if (color.mode === 'rgb') return xyzOfSrgb(channelsOf(color));
  const { x, y, z } = xyz65(color);
  return each([x, y, z], float);
}

function xyzOfSrgb(channels: Triple): Triple {
  return times(xyzFromSrgb, each(channels, linear));
}

function xyzOfOklch({ l, c, h }: Oklch): Triple {
  const turn = float(float(h ?? 0) * float(Math.PI / 180));
  const chroma = float(c);
  const lab = [
    float(l),
    float(chroma * float(Math.cos(turn))),
    float(chroma * float(Math.sin(turn))),
  ] as const;
  return times(
    xyzFromLms,
    each(times(lmsFromOklab, lab), (channel) => float(float(channel * channel) * channel)),
  );
}

function channelsOf({ r, g, b, isExact }: Rgb & Kept): Triple {
  const bits = (channel: number) => float(Math.round(Math.min(1, Math.max(0, channel)) * 255) / 255);
  return each([r ?? 0, g ?? 0, b ?? 0], isExact ? float : bits);
}

/** In 8 bits, rounded as floats are. */
function rgbColor(channels: Triple): Rgb {
  const [r, g, b] = each(channels, (channel) => Math.round(float(channel * 255)) / 255);
  return { mode: 'rgb', r, g, b };
}

function isTurned(color: Color): color is Hsl | Hwb {
  return color.mode === 'hsl' || color.mode === 'hwb';
}

/** CSS Color Module, "HSL Colors" and "HWB Colors". */
function channelsOfTurned(color: Hsl | Hwb): Triple {
  if (color.mode === 'hsl') return channelsOfHsl(color.h ?? 0, float(color.s), float(color.l ?? 0));
  const [white, black] = [float(color.w), float(color.b)];
  if (white + black >= 1) return each([1, 1, 1], () => float(white / float(white + black)));
  const room = float(float(1 - white) - black);
  return each(channelsOfHsl(color.h ?? 0, 1, 0.5), (channel) => float(float(channel * room) + white));
}

function channelsOfHsl(hue: number, saturation: number, lightness: number): Triple {
  const most =
    lightness <= 0.5
      ? float(lightness * float(saturation + 1))
      : float(float(lightness + saturation) - float(lightness * saturation));
  const least = float(float(lightness * 2) - most);
  const rise = float(most - least);
  const channel = (turn: number) => {
    const at = float(((turn % 360) + 360) % 360);
    if (at < 60) return float(least + float(float(rise * at) / 60));
    if (at < 180) return most;
    return at < 240 ? float(least + float(float(rise * float(240 - at)) / 60)) : least;
  };
  return [channel(hue + 120), channel(hue), channel(hue - 120)];
}

/** Names of the spaces of `color-mix()` in the package: those with a hue, and those without. */
const turnedSpaces: Readonly<Record<string, 'hsl' | 'hwb' | 'lch' | 'oklch'>> = {
  hsl: 'hsl',
  hwb: 'hwb',
  lch: 'lch',
  oklch: 'oklch',
};
const flatSpaces: Readonly<Record<string, Mode>> = {
  srgb: 'rgb',
  'srgb-linear': 'lrgb',
  lab: 'lab',
  oklab: 'oklab',
  xyz: 'xyz65',
  'xyz-d65': 'xyz65',
  'xyz-d50': 'xyz50',
};

const ways = {
  shorter: fixupHueShorter,
  longer: fixupHueLonger,
  increasing: fixupHueIncreasing,
  decreasing: fixupHueDecreasing,
} as const;

/** CSS Color Module Level 5, "color-mix()": two colours, each with a share; of a single one all. */
function mixedColor(
  text: string,
  systemColors: Readonly<Record<string, string>>,
): (Color & Kept) | undefined {
  const [, space = '', way = 'shorter', list = ''] =
    /^\s*color-mix\(\s*in\s+([a-z0-9-]+)(?:\s+(shorter|longer|increasing|decreasing)\s+hue)?\s*,([\s\S]*)\)\s*$/i.exec(
      text,
    ) ?? [];
  const turned = ownEntry(turnedSpaces, space.toLowerCase());
  const mode = turned ?? ownEntry(flatSpaces, space.toLowerCase());
  const [first, second, ...more] = partsBetweenCommas(list).map((part) => mixPart(part, systemColors));
  if (!mode || !first || more.length > 0) return undefined;
  if (!list.includes(',')) return first.color;
  const share = second ? shareOfSecond(first.share, second.share) : null;
  if (!second || share === null) return undefined;
  const both = [first.color, second.color];
  const fixup = ways[way.toLowerCase() as keyof typeof ways];
  const mixed: Color = turned
    ? interpolateWithPremultipliedAlpha(both, turned, { h: { fixup } })(share)
    : interpolateWithPremultipliedAlpha(both, mode)(share);
  return mode === 'rgb' || isTurned(mixed) ? { ...rgb(mixed), isExact: true } : mixed;
}

function partsBetweenCommas(list: string): string[] {
  return list.split(/,(?![^(]*\))/);
}

function mixPart(
  text: string,
  systemColors: Readonly<Record<string, string>>,
): { readonly color: Color; readonly share: number | null } | undefined {
  const [, before, middle = '', behind] =
    /^\s*(?:(\d*\.?\d+)%\s+)?(.*?)(?:\s+(\d*\.?\d+)%)?\s*$/s.exec(text) ?? [];
  const color = parsedColor(middle, systemColors);
  const share = before ?? behind;
  return color && { color, share: share === undefined ? null : Number(share) / 100 };
}

/** Null where both have none. */
function shareOfSecond(first: number | null, second: number | null): number | null {
  const a = first ?? (second === null ? 0.5 : 1 - second);
  const b = second ?? 1 - a;
  return a + b > 0 && a <= 1 && b <= 1 ? b / (a + b) : null;
}

function wideText(channels: Triple): string {
  return `color(display-p3 ${channels.map(sixDigits).join(' ')})`;
}

/** The shortest decimal that is this very float, then cut to six digits: two roundings, as Gecko writes numbers. */
function sixDigits(value: number): string {
  const shortest = [6, 7, 8, 9]
    .map((count) => value.toPrecision(count))
    .find((one) => float(Number(one)) === value);
  const [digits = '0', exponent = '0'] = Number(shortest ?? value)
    .toExponential()
    .split('e');
  const whole = digits.replace(/[-.]/g, '');
  if (whole.length <= 6) return String(Number(shortest ?? value));
  const rounded = Number(whole.slice(0, 6)) + (Number(whole[6]) >= 5 ? 1 : 0);
  return String(Number(`${value < 0 ? '-' : ''}${rounded}e${Number(exponent) - 5}`));
}
