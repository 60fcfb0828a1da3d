import { describe, expect, it } from 'vitest';
import { pageOf } from '../html/page-controls';
import { parsedState } from './control-state';
import { noDeviations } from './deviations';
import { constraintsInGroup, radioGroupOf, settledRadios } from './radio-group';

const pageIn = (markup: string) => pageOf(markup).controls.map((control) => parsedState(control));
const groups = (markup: string) => {
  const page = pageIn(markup);
  return page.map((one) => radioGroupOf(one, page).map(({ control }) => control.ordinal));
};

describe('a radio button group', () => {
  it('is all radio buttons of one name in one form', () => {
    expect(
      groups(
        '<form><input type=radio name=a><input type=radio name=b><input name=a><input type=radio name=a></form><input type=radio name=a>',
      ),
    ).toEqual([[0, 3], [1], [], [0, 3], [4]]);
  });

  it('is none without a name, and none of other kinds', () => {
    expect(groups('<input type=radio><input type=radio name=""><input type=checkbox name=a>')).toEqual([
      [],
      [],
      [],
    ]);
  });

  it('keeps checked the last of those that are checked in the markup', () => {
    const settled = settledRadios(
      pageIn(
        '<input type=radio name=a checked><input type=radio name=b checked><input type=radio name=a checked><input type=radio name=a><input type=radio checked><input type=radio checked>',
      ),
    );
    expect(settled.map(({ checked }) => checked)).toEqual([false, true, true, false, true, true]);
  });

  it('shares what is required and what is checked', () => {
    const page = pageIn(
      '<input type=radio name=a required><input type=radio name=a checked><input type=checkbox name=a><input type=radio name=b>',
    );
    const read = page.map((one) => {
      const { required, checked } = constraintsInGroup(one, radioGroupOf(one, page), noDeviations);
      return [required, checked];
    });
    expect(read).toEqual([
      [true, true],
      [true, true],
      [false, false],
      [false, false],
    ]);
    const [lone] = pageIn('<input type=radio required checked>');
    expect(lone && constraintsInGroup(lone, [], noDeviations)).toMatchObject({
      required: true,
      checked: true,
    });
  });
});
