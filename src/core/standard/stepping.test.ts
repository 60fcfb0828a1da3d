import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { engineDeviations } from '../model/deviations/engine-deviations';
import { validityOf } from './constraint-validation';
import { type Deviations, noDeviations } from './deviations';
import { fieldStateOf } from './field-state';
import { arrowed, stepped } from './stepping';

const stateOf = (attributes: string, value: string, deviations = noDeviations) => {
  const [field] = readForm(`<input ${attributes}>`).fields;
  if (!field) throw new Error(attributes);
  return fieldStateOf(field, { value }, deviations);
};
const step = (attributes: string, value: string, count: number) => {
  const stepping = stepped(stateOf(attributes, value), count);
  return stepping.status === 'value' ? stepping.value : stepping.status;
};

describe('stepUp() and stepDown()', () => {
  it.each([
    ['type=number', '3', 1, '4'],
    ['type=number', '3', -2, '1'],
    ['type=number', '', 1, '1'],
    ['type=number step=0.1', '0.2', 1, '0.3'],
    ['type=number step=2 min=1', '2', 1, '3'],
    ['type=number step=2 min=1', '2', -1, '1'],
    ['type=number step=2 min=1', '2', 3, '7'],
    ['type=number max=10 step=4', '9', 1, 'stays'],
    ['type=number max=10 step=4', '6', 2, '8'],
    ['type=number min=5', '1', -1, 'stays'],
    ['type=number min=5', '1', 1, '5'],
    ['type=number min=9 max=5', '7', 1, 'stays'],
    ['type=number min=1 max=2 step=5', '1', 1, '1'],
    ['type=number step=any', '1', 1, 'InvalidStateError'],
    ['type=text', '1', 1, 'InvalidStateError'],
    ['type=date', '2026-02-28', 1, '2026-03-01'],
    ['type=date step=7 min=2026-03-04', '2026-03-05', 1, '2026-03-11'],
    ['type=month', '2026-12', 1, '2027-01'],
    ['type=week', '2026-W53', 1, '2027-W01'],
    ['type=time', '23:59', 1, '23:59'],
    ['type=time step=900', '06:45', -1, '06:30'],
    ['type=datetime-local', '2026-12-31T23:59', 1, '2027-01-01T00:00'],
    ['type=range max=10', '10', 1, '10'],
  ])('<input %s> at %j, by %i: %s', (attributes, value, count, result) => {
    expect(step(attributes, value, count)).toBe(result);
  });

  it('land on a step within the limits, or leave the value alone', () => {
    const quarter = fc.integer({ min: -80, max: 80 }).map((n) => n / 4);
    const limit = fc.option(quarter, { nil: null });
    fc.assert(
      fc.property(
        limit,
        limit,
        fc.constantFrom(0.25, 0.5, 1, 7),
        quarter,
        fc.integer({ min: -5, max: 5 }).filter((n) => n !== 0),
        (min, max, by, value, count) => {
          const attributes = `type=number step=${by}${min === null ? '' : ` min=${min}`}${max === null ? '' : ` max=${max}`}`;
          const stepping = stepped(stateOf(attributes, String(value)), count);
          if (stepping.status !== 'value') return;
          expect(validityOf(stateOf(attributes, stepping.value)).flags).toEqual([]);
          expect(Math.sign(Number(stepping.value) - value)).not.toBe(-Math.sign(count));
        },
      ),
    );
  });

  it('there and back again is where it was, from a step', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1000, max: 1000 }), fc.integer({ min: 1, max: 50 }), (value, count) => {
        const there = step('type=number step=0.5', String(value / 2), count);
        expect(Number(step('type=number step=0.5', there, -count))).toBe(value / 2);
      }),
    );
  });
});

describe('arrow keys', () => {
  const arrow = (
    engine: keyof typeof engineDeviations,
    attributes: string,
    value: string,
    direction: 1 | -1,
  ) => {
    const deviations = engineDeviations[engine];
    const stepping = arrowed(stateOf(attributes, value, deviations), direction, deviations);
    return stepping.status === 'value' ? stepping.value : stepping.status;
  };
  it.each([
    ['chromium', 'type=number', '3', 1, '4'],
    ['chromium', 'type=number step=any min=4.5', '22.25', 1, '23.25'],
    ['chromium', 'type=number max=-0.5', '8.75', 1, 'stays'],
    ['chromium', 'type=number max=-0.5', '8.75', -1, '-0.5'],
    ['chromium', 'type=number min=3', '', -1, '3'],
    ['firefox', 'type=number step=any', '3', 1, '4'],
    ['webkit', 'type=number min=0 value=-1', '-21.25', -1, '0'],
    ['webkit', 'type=number max=1 step=7 value=-9', '0.25', 1, '1'],
  ] as const)('%s, <input %s> at %j, by %i: %s', (engine, attributes, value, direction, result) => {
    expect(arrow(engine, attributes, value, direction)).toBe(result);
  });
});

/** By one up, one down and four up as a script does it, then by the arrow keys up and down; = stays as it is, ! throws. */
describe('a number field, as each engine steps it', () => {
  it.each([
    ['min=1', '', '1 = 4 1 =', '1 1 4 1 1', '1 1 4 1 1', '1 = 4 1 1'],
    ['min=1 max=8 step=3', '', '1 = 7 1 =', '1 1 7 1 1', '1 1 7 1 1', '1 1 7 1 1'],
    ['min=8 max=1', '', '= = = = =', '= = = 8 =', '= = = = =', '= = = 8 ='],
    [
      'min=2.5 step=2',
      '',
      '2.5 = 6.5 2.5 =',
      '4.5 4.5 6.5 2.5 2.5',
      '2.5 2.5 6.5 2.5 2.5',
      '4.5 4.5 6.5 2.5 2.5',
    ],
    ['min=1 max=8 step=3', '0', '1 = 7 1 =', '1 1 7 1 =', '1 = 7 1 =', '1 1 7 1 1'],
    ['min=8 max=1', '0', '= = = = =', '= = = 8 =', '= = = = =', '= = = 8 ='],
    ['min=2.5 step=2', '0', '2.5 = 6.5 2.5 =', '4.5 4.5 6.5 2.5 =', '2.5 = 6.5 2.5 =', '4.5 4.5 6.5 2.5 2.5'],
    ['min=1', '1', '2 1 5 2 1', '2 1 5 2 =', '2 1 5 2 1', '2 1 5 2 ='],
    ['min=1 max=8 step=3', '1', '4 1 7 4 1', '4 1 7 4 =', '4 1 7 4 1', '4 1 7 4 ='],
    ['min=8 max=1', '1', '= = = = =', '= = = 8 =', '= = = = =', '= = = 8 ='],
    ['min=2.5 step=2', '1', '2.5 = 8.5 2.5 =', '2.5 4.5 8.5 2.5 =', '2.5 = 8.5 2.5 =', '2.5 4.5 8.5 2.5 2.5'],
    ['step=any max=5.5', '5', '! ! ! 5 4', '! ! ! = 4', '! ! ! 5 4', '! ! ! = 4'],
    ['min=8 max=1', '5', '= = = = =', '= = = 8 1', '= = = = =', '= = = 8 1'],
    ['', '6.5', '7 6 10 7 6', '7 6 10 7 6', '7 6 10 7 6', '7 6 10 7 6'],
    ['min=1', '6.5', '7 6 10 7 6', '7 6 10 7 6', '7 6 10 7 6', '7 6 10 7 6'],
    ['max=8', '6.5', '7 6 8 7 6', '7 6 8 7 6', '7 6 8 7 6', '7 6 8 7 6'],
    ['min=1 max=8 step=3', '6.5', '7 4 7 7 4', '7 4 7 7 4', '7 4 7 7 4', '7 4 7 7 4'],
    ['step=any', '6.5', '! ! ! 7 6', '! ! ! 7.5 5.5', '! ! ! 7 6', '! ! ! 7.5 5.5'],
    ['step=any max=5.5', '6.5', '! ! ! = 5', '! ! ! = 5.5', '! ! ! = 5', '! ! ! = 5.5'],
    ['min=8 max=1', '6.5', '= = = = =', '= = = 8 1', '= = = = =', '= = = 8 1'],
    [
      'min=2.5 step=2',
      '6.5',
      '8.5 4.5 14.5 8.5 4.5',
      '8.5 4.5 14.5 8.5 4.5',
      '8.5 4.5 14.5 8.5 4.5',
      '8.5 4.5 14.5 8.5 4.5',
    ],
    ['', '10', '11 9 14 11 9', '11 9 14 11 9', '11 9 14 11 9', '11 9 14 11 9'],
    ['min=1', '10', '11 9 14 11 9', '11 9 14 11 9', '11 9 14 11 9', '11 9 14 11 9'],
    ['max=8', '10', '= 8 = = 8', '= 8 = = 8', '= 8 = = 8', '= 8 = = 8'],
    ['min=1 max=8 step=3', '10', '= 7 = = 7', '= 7 = = 8', '= 7 = = 7', '= 7 = = 8'],
    ['step=any', '10', '! ! ! 11 9', '! ! ! 11 9', '! ! ! 11 9', '! ! ! 11 9'],
    ['step=any max=5.5', '10', '! ! ! = 5', '! ! ! = 5.5', '! ! ! = 5', '! ! ! = 5.5'],
    ['min=8 max=1', '10', '= = = = =', '= = = = 1', '= = = = =', '= = = = 1'],
    [
      'min=2.5 step=2',
      '10',
      '10.5 8.5 16.5 10.5 8.5',
      '10.5 8.5 16.5 10.5 8.5',
      '10.5 8.5 16.5 10.5 8.5',
      '10.5 8.5 16.5 10.5 8.5',
    ],
    ['min=1 max=8 step=3', '-3', '1 = 7 1 =', '1 1 7 1 =', '1 = 7 1 =', '1 1 7 1 1'],
    ['min=8 max=1', '-3', '= = = = =', '= = = 8 =', '= = = = =', '= = = 8 ='],
    [
      'min=2.5 step=2',
      '-3',
      '2.5 = 4.5 2.5 =',
      '4.5 4.5 4.5 2.5 =',
      '2.5 = 4.5 2.5 =',
      '4.5 4.5 4.5 2.5 2.5',
    ],
  ])(
    '%s at “%s”: by the standard %s, in Chromium %s, in Firefox %s, in WebKit %s',
    (limits, value, ...expected) => {
      const stepsBy = (deviations: Deviations) => {
        const state = stateOf(`type=number ${limits}`, value, deviations);
        return [
          stepped(state, 1, deviations),
          stepped(state, -1, deviations),
          stepped(state, 4, deviations),
          arrowed(state, 1, deviations),
          arrowed(state, -1, deviations),
        ]
          .map((one) => (one.status === 'value' ? one.value : one.status === 'stays' ? '=' : '!'))
          .join(' ');
      };
      const { chromium, firefox, webkit } = engineDeviations;
      expect([noDeviations, chromium, firefox, webkit].map(stepsBy)).toEqual(expected);
    },
  );
});
