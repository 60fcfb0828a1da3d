import { describe, expect, it } from 'vitest';
import { accessibilityDifferences } from '../questions/accessibility/differences';
import type { AccessibilityObservation } from '../questions/accessibility/facts';
import { askingOf } from '../questions/asking';
import { targetId } from '../target/target';
import { predict } from './predict';

const outcomesOf = (markup: string, target = 'chromium') =>
  predict(targetId(target), askingOf(markup, ['accessibility']), '').map(
    (one) => (one as AccessibilityObservation).outcome,
  );
const factsOf = (markup: string, target?: string) => {
  const [outcome] = outcomesOf(markup, target);
  return outcome?.status === 'answered' ? outcome.facts : outcome;
};

describe('what the model says that assistive technology is told', () => {
  it.each([
    ['<input type=number>', 'spinbutton', 'spinbutton', 'textbox'],
    ['<select><option>a</select>', 'combobox', 'combobox', 'button'],
    ['<select multiple><option>a</select>', 'listbox', 'listbox', 'listbox'],
    ['<select size=3><option>a</select>', 'listbox', 'listbox', 'listbox'],
    ['<input list=l><datalist id=l></datalist>', 'combobox', 'combobox', 'textbox'],
    ['<input type=search>', 'searchbox', 'textbox', 'searchbox'],
    ['<input type=month>', 'date time', 'textbox', 'textbox'],
    ['<input type=checkbox role="odd switch">', 'switch', 'switch', 'switch'],
    ['<input role=odd>', 'textbox', 'textbox', 'textbox'],
    ['<meter></meter>', 'meter', 'meter', 'meter'],
  ])('role of %s: %s, %s, %s', (markup, ...roles) => {
    const targets = ['chromium', 'firefox', 'webkit'];
    expect(targets.map((target) => (factsOf(markup, target) as { role?: string }).role)).toEqual(roles);
  });

  it('tells what is required and invalid where the engine has a place for it, and as soon as it does', () => {
    const empty = '<input required>';
    expect(factsOf(empty)).toMatchObject({ required: true, invalid: false });
    expect(factsOf(empty, 'firefox')).toMatchObject({ required: true, invalid: true });
    expect(factsOf('<input type=checkbox required>')).toMatchObject({ required: null, invalid: true });
    expect(factsOf('<input type=range required>', 'firefox')).toMatchObject({ required: false });
    expect(factsOf('<input type=range required>', 'webkit')).toMatchObject({ required: true });
    expect(factsOf('<button required>Go</button>', 'webkit')).toMatchObject({ required: false });
    expect(factsOf('<input aria-required=true aria-invalid=spelling>')).toMatchObject({
      required: true,
      invalid: true,
    });
    expect(factsOf('<input aria-invalid=false>')).toMatchObject({ invalid: false });
    expect(factsOf('<meter></meter>')).toMatchObject({ invalid: null });
    expect(factsOf('<input required disabled>', 'webkit')).toMatchObject({ required: true, invalid: false });
  });

  it('has a control’s own value in its label where the engine has it, and says when it does not know a part of it', () => {
    const markup = '<label>Boat <input value=Gull placeholder=p></label>';
    expect(factsOf(markup)).toMatchObject({ name: 'Boat' });
    expect(factsOf(markup, 'webkit')).toMatchObject({ name: 'Boat Gull' });
    expect(factsOf('<label>Boat <input placeholder=p></label>', 'webkit')).toMatchObject({ name: 'Boat p' });
    const unknown = { status: 'inapplicable', reason: { code: 'model knows no name' } };
    expect(factsOf('<label>Day <input type=date></label>', 'webkit')).toEqual(unknown);
    expect(factsOf('<label for=a>Day</label><input type=date id=a>', 'webkit')).toMatchObject({
      name: 'Day',
    });
    expect(factsOf('<input type=file aria-label=A>', 'firefox')).toEqual(unknown);
    expect(factsOf('<input type=file>')).toEqual(unknown);
    expect(factsOf('<input type=file title=T>', 'webkit')).toEqual(unknown);
  });

  it('costs what the page costs and not its square, and is not worked out where all refer to one long text', () => {
    const outcomes = outcomesOf(
      `<p id=long>${'tide '.repeat(100_000)}</p>${'<input aria-labelledby=long>'.repeat(2000)}`,
    );
    expect(outcomes[0]?.status).toBe('answered');
    expect(outcomes.at(-1)).toEqual({
      status: 'failed',
      failure: { code: 'not worked out', why: 'too many steps' },
    });
  });

  it('is nothing of what is hidden', () => {
    const hidden = { status: 'inapplicable', reason: { code: 'not exposed' } };
    expect(outcomesOf('<input type=hidden><p hidden><input></p><input aria-hidden=true>')).toEqual([
      hidden,
      hidden,
      hidden,
    ]);
  });
});

describe('two answers on what assistive technology is told', () => {
  const facts = {
    role: 'textbox',
    name: 'Boat',
    description: 'Its name',
    value: 'Gull',
    required: false,
    invalid: false,
  } as const;
  const differences = (other: object) => accessibilityDifferences(facts, { ...facts, ...other });

  it('differ by what people hear of them', () => {
    expect(differences({ value: 'Tern', name: ' Boat\n', description: 'Its  name' })).toEqual([]);
    expect(differences({ role: 'button', name: 'Boat Gull', required: true })).toEqual([
      { what: 'role', here: 'button', there: 'textbox' },
      { what: 'accessible name', here: 'Boat Gull', there: 'Boat' },
      { what: 'required', here: true },
    ]);
    expect(differences({ description: '', invalid: true })).toEqual([
      { what: 'description', here: '', there: 'Its name' },
      { what: 'invalid', here: true },
    ]);
  });

  it('do not by what one of them does not tell, nor by a platform’s own word for what WAI-ARIA has no role for', () => {
    expect(differences({ role: null, description: null, required: null, invalid: null })).toEqual([]);
    expect(differences({ role: 'date editor' })).toEqual([]);
  });
});
