import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { meterRegionValues } from './gauges';

const regions = (attributes: string) => {
  const [field] = readForm(`<meter ${attributes}></meter>`).fields;
  if (!field) throw new Error('no meter');
  return meterRegionValues(field.controls[0]);
};

describe('the regions of a meter', () => {
  it('are three when the optimum lies above high or below low', () => {
    expect(regions('max=90 low=30 high=60 optimum=80')).toEqual({ optimal: 75, suboptimal: 45, poor: 15 });
    expect(regions('max=90 low=30 high=60 optimum=10')).toEqual({ optimal: 15, suboptimal: 45, poor: 75 });
  });
  it('are two when it lies between them', () => {
    expect(regions('max=90 low=30 high=60 optimum=45')).toEqual({ optimal: 45, suboptimal: 15, poor: null });
    expect(regions('max=90 low=0 high=60 optimum=45')).toEqual({ optimal: 30, suboptimal: 75, poor: null });
  });
  it('are one without low and high, and none without a range', () => {
    expect(regions('')).toEqual({ optimal: 0.5, suboptimal: null, poor: null });
    expect(regions('min=5 max=5')).toEqual({ optimal: null, suboptimal: null, poor: null });
  });
});
