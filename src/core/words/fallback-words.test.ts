import { describe, expect, it } from 'vitest';
import { planNames, plansFor } from '../fallback/fallback-plan';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import { fallbackFaultText, planText } from './fallback-words';

describe('fallback plans, told', () => {
  it('say each what they are, and which format they ask for', () => {
    const [day] = readForm('<label>Day <input type=date name=day></label>').fields;
    const told = plansFor(day as Field).map(planText);
    expect(new Set(told).size).toBe(planNames.length);
    expect(told.filter((text) => text.includes('YYYY-MM-DD'))).toEqual([
      'A text box that shows YYYY-MM-DD and accepts only that format.',
    ]);
  });
  it('have faults that name what the server gets', () => {
    expect(fallbackFaultText({ code: 'over native' })).toBe('It replaces the target’s own picker.');
    expect(fallbackFaultText({ code: 'other entries', name: 'landing', entries: 3 })).toBe(
      'The server gets 3 entries with other names, and no landing.',
    );
    expect(fallbackFaultText({ code: 'other format', kind: 'date' })).toBe(
      'The server gets a format that the kind date never submits.',
    );
  });
});
