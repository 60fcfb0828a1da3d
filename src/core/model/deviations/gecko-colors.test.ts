import { describe, expect, it } from 'vitest';
import { geckoColor } from './gecko-colors';

const systemColors = { linktext: '#0000ee' };
const inSrgb = (text: string) => geckoColor(text, null, systemColors);
const wide = (text: string) => geckoColor(text, 'Display-P3', systemColors);

/** As Firefox 153 answered. */
describe('a colour in Gecko', () => {
  it.each([
    ['red', '#ff0000'],
    ['hwb(90 10% 10%)', '#7fe61a'],
    ['hwb(200 60% 60%)', '#808080'],
    ['color-mix(in srgb, red, blue)', '#800080'],
    ['color-mix(in srgb, red)', '#ff0000'],
    ['color-mix(in hsl longer hue, red, blue)', '#00ff00'],
    ['nonsense', null],
    ['color-mix(in srgb red, blue)', null],
    ['color-mix(in srgb, red 0%, blue 0%)', null],
  ])('%s is held as %s', (text, held) => {
    expect(inSrgb(text)).toBe(held);
  });

  it.each([
    ['linktext', '7.70092e-7 -9.62615e-8 0.895475'],
    ['rgb(0 0 237)', '-3.85046e-7 0 0.891704'],
    ['rgb(1 2 3)', '0.0046178 0.00771297 0.0113468'],
    ['rgb(100% 0% 50%)', '0.917487 0.200287 0.499553'],
    ['hsl(0 0% 50%)', '0.5 0.5 0.5'],
    ['oklch(0.6 0.1 90)', '0.57714 0.494685 0.241709'],
    ['color(srgb 0.1 0.2 0.3)', '0.123797 0.197524 0.291819'],
    ['color(display-p3 0.9 0.1 0.2)', '0.9 0.1 0.2'],
    ['color-mix(in srgb, red, blue)', '0.456593 0.0792977 0.48289'],
    ['nonsense', '0 0 0'],
  ])('%s in a wide space is held as %s', (text, held) => {
    expect(wide(text)).toBe(`color(display-p3 ${held})`);
  });
});
