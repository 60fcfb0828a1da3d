import { describe, expect, it } from 'vitest';
import { exampleIn } from './example-in-placeholder';

describe('the example in a placeholder', () => {
  it.each([
    ['e.g. Skerry', 'Skerry'],
    ['E. g. Skerry', 'Skerry'],
    ['for example: SKR-04', 'SKR-04'],
    ['Example Skerry', 'Skerry'],
    ['such as low', 'low'],
    ['like this', 'this'],
    ['z. B. Skerry', 'Skerry'],
    ['p. ex. Skerry', 'Skerry'],
    ['ej. Skerry', 'Skerry'],
    ['esim. Skerry', 'Skerry'],
    ['Skerry e.g. low', null],
    ['04', '04'],
    [' +358 40 123 ', '+358 40 123'],
    ['SKR-04', 'SKR-04'],
    ['SKR 04', null],
    ['12 / 34', '12 / 34'],
    ['4 digits', null],
    ['Your name', null],
    ['anna@skerry.example', 'anna@skerry.example'],
    ['your mail: anna@skerry.example', null],
    ['anna@skerry', null],
    ['https://skerry.example/log', 'https://skerry.example/log'],
    ['http://skerry', null],
    ['skerry.example', null],
    ['e.g.', null],
    ['', null],
  ])('%j: %j', (placeholder, example) => {
    expect(exampleIn(placeholder)).toBe(example);
  });
});
