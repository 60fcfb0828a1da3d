import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { readForm } from '../html/read-form';
import { formFindingsAtOnce } from './collect-findings';
import { claimCode } from './finding';
import { fieldPlace, findingPlaces } from './finding-place';

const markup = [
  '<form method=psot>',
  '  <label>Phone <input name=p maxlength=10></label>',
  '  <label>Phone <input name="p&quot;2" id="a\\b" inputmode=number></label>',
  '</form>',
].join('\n');
const found = formFindingsAtOnce(
  { markup, typing: {} },
  { language: 'en-US', corrections: [] },
  askRestriction,
);

function placeOf(code: string, label?: string) {
  const finding = found.find((one) => claimCode(one) === code && (!label || one.field?.label === label));
  if (!finding) throw new Error(found.map(claimCode).join());
  return findingPlaces(markup)(finding);
}

describe('where a finding is', () => {
  it('shows all of an element, on one line', () => {
    const choice = '<select name=s required>\n  <option value=a>A</option>\n</select>';
    const [finding] = formFindingsAtOnce(
      { markup: choice, typing: {} },
      { language: 'en-US', corrections: [] },
      askRestriction,
    ).filter(({ claim }) => claim.code === 'fault' && claim.fault.code === 'no label');
    expect(finding && findingPlaces(choice)(finding)?.element).toBe(
      '<select name=s required> <option value=a>A</option> </select>',
    );
  });

  it('is told by the element that a widget is', () => {
    const widget = '<form>\n<div ID=sea role=slider tabindex=0></div></form>';
    const [finding] = formFindingsAtOnce(
      { markup: widget, typing: {} },
      { language: 'en-US', corrections: [] },
      askRestriction,
    ).filter(({ field }) => field);
    expect(finding && findingPlaces(widget)(finding)).toMatchObject({ line: 2, selector: 'div[id="sea"]' });
  });

  it('is the start tag of its field, or what is wrong in it', () => {
    expect(placeOf('shape cut')).toEqual({
      line: 2,
      column: 16,
      element: '<input name=p maxlength=10>',
      selector: 'input[name="p"]',
    });
    const ofField = found.find((one) => claimCode(one) === 'no such value' && one.field);
    expect(ofField && findingPlaces(markup)(ofField)).toEqual({
      line: 3,
      column: 48,
      element: '<input name="p&quot;2" id="a\\b" inputmode=number>',
      selector: 'input[id="a\\\\b"]',
    });
  });

  it('is what is wrong in the form, of no field', () => {
    const ofForm = found.find((one) => claimCode(one) === 'no such value' && !one.field);
    expect(ofForm && findingPlaces(markup)(ofForm)).toMatchObject({ line: 1, column: 7, selector: null });
  });

  it('is nowhere for what is about the whole form, and cut where a tag is long', () => {
    const [first] = found;
    expect(first && findingPlaces(markup)({ ...first, id: 'x' as never, field: null })).toBeNull();
    const long = `<input name=a data-x="${'x'.repeat(400)}">`;
    const [one] = formFindingsAtOnce(
      { markup: long, typing: {} },
      { language: 'en-US', corrections: [] },
      askRestriction,
    );
    expect(one && findingPlaces(long)(one)?.element).toMatch(/^<input name=a data-x="x+…$/);
  });

  it('is of a field told by itself: whole up to three hundred characters, by a name of as many, line breaks written out', () => {
    const placed = (own: string) => {
      const text = `<p>\n<input ${own}>`;
      const [field] = readForm(text).fields;
      return field ? fieldPlace(text, field) : null;
    };
    const filled = (length: number) => `data-x="${'x'.repeat(length - '<input data-x="">'.length)}"`;
    expect(placed(filled(300))).toMatchObject({
      line: 2,
      column: 1,
      element: expect.stringMatching(/">$/),
      selector: null,
    });
    expect(placed(filled(301))?.element).toMatch(/x"…$/);
    expect(placed(filled(301))?.element).toHaveLength(301);
    expect(placed(`name="${'n'.repeat(300)}"`)?.selector).toBe(`input[name="${'n'.repeat(300)}"]`);
    expect(placed(`name="${'n'.repeat(301)}"`)?.selector).toBeNull();
    expect(placed(`id="${'n'.repeat(301)}" name=a`)?.selector).toBe('input[name="a"]');
    expect(placed('name="a\nb"')?.selector).toBe('input[name="a\\a b"]');
  });
});
