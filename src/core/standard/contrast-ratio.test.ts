import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { composite, contrastRatio, parseComputedColor, type Rgba } from './contrast-ratio';

const color = (text: string) => parseComputedColor(text) as Rgba;

describe('contrast', () => {
  it('of black on white is 21, of a colour on itself 1', () => {
    expect(contrastRatio(color('rgb(0, 0, 0)'), color('rgb(255, 255, 255)'))).toBeCloseTo(21, 10);
    expect(contrastRatio(color('rgb(118, 118, 118)'), color('rgb(255, 255, 255)'))).toBeCloseTo(4.54, 2);
  });
  it('reads what engines compute, and nothing else', () => {
    expect(color('rgba(255, 0, 51, 0.5)')).toEqual({ red: 1, green: 0, blue: 0.2, alpha: 0.5 });
    expect(color('color(srgb 0.5 0.25 1 / 0.5)')).toEqual({ red: 0.5, green: 0.25, blue: 1, alpha: 0.5 });
    expect(parseComputedColor('color(display-p3 1 0 0)')).toBeNull();
    expect(parseComputedColor('lab(50 40 20)')).toBeNull();
    expect(parseComputedColor('transparent')).toBeNull();
  });
  it('is the same both ways, between 1 and 21, whatever is drawn over what', () => {
    const channel = fc.double({ min: 0, max: 1, noNaN: true });
    const any = fc.record({ red: channel, green: channel, blue: channel, alpha: channel });
    fc.assert(
      fc.property(any, any, (over, under) => {
        const opaque = { ...under, alpha: 1 };
        const drawn = composite(over, opaque);
        const ratio = contrastRatio(drawn, opaque);
        expect(ratio).toBeGreaterThanOrEqual(1);
        expect(ratio).toBeLessThanOrEqual(21.000001);
        expect(contrastRatio(opaque, drawn)).toBe(ratio);
        expect(composite({ ...over, alpha: 1 }, opaque)).toMatchObject({ red: over.red, alpha: 1 });
      }),
    );
  });
});
