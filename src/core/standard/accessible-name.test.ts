import { describe, expect, it } from 'vitest';
import { pageOf } from '../html/page-controls';
import { namesOfControls } from './accessible-name';
import { parsedState } from './control-state';

const standard = {
  ownPartInLabel: () => '',
  outputsName: false,
  submitName: 'Submit',
  buttonValueDescribes: false,
  placeholderNamesAll: false,
  titleOnlyDescribes: [],
  readsAriaDescription: true,
};

function told(markup: string, deviations: Partial<typeof standard> = {}) {
  const controls = pageOf(markup).controls.map((control) => {
    const { kind, attributes, ...state } = parsedState(control);
    const chosen = state.selected.map((at) => control.options[at]?.label ?? '').join();
    const value = kind === 'select' ? chosen : state.value;
    return { kind, value, placeholder: attributes.placeholder ?? '', writtenRole: attributes.role ?? null };
  });
  return namesOfControls(markup, controls, { ...standard, ...deviations });
}
const name = (markup: string, at = 0) => told(markup)[at]?.name;
const description = (markup: string) => told(markup)[0]?.description;

describe('the accessible name of a control', () => {
  it.each([
    ['<input>', ''],
    ['<label>Boat <input></label>', 'Boat'],
    ['<label><input> Boat</label>', 'Boat'],
    ['<label>Before <input value=x> after</label>', 'Before after'],
    ['<label for=a>One</label><input id=a><label for=a>two</label>', 'One two'],
    ['<label>Boat <input aria-label="Ship"></label>', 'Ship'],
    ['<label>Boat <input aria-label=" "></label>', 'Boat'],
    ['<b id=a>Gull</b><i id=b hidden>sea</i><input aria-labelledby="a b none" aria-label=no>', 'Gull sea'],
    ['<span id=a aria-label="In full">short</span><input aria-labelledby=a>', 'In full'],
    ['<input title=T placeholder=P>', 'T'],
    ['<input placeholder=P>', 'P'],
    ['<input type=date placeholder=P>', ''],
    ['<label>Depth<br>in <img alt=metres src=x> <span hidden>never</span><input></label>', 'Depth in metres'],
    ['<label>Depth <script>1</script><input></label>', 'Depth'],
    ['<label><div>Two</div><div>blocks</div><input></label>', 'Two blocks'],
    ['<button>Go <b>on</b></button>', 'Go on'],
    ['<button aria-label=X>Y</button>', 'X'],
    ['<button role=spinbutton>Y</button>', ''],
    ['<button title=T></button>', 'T'],
    ['<input type=submit>', 'Submit'],
    ['<input type=reset>', 'Reset'],
    ['<input type=button value=Go>', 'Go'],
    ['<input type=image alt=Pic value=V>', 'Pic'],
    ['<input type=image value=V>', 'V'],
    ['<input type=image title=T>', 'T'],
    ['<input type=image>', 'Submit'],
  ])('of %s is “%s”', (markup, expected) => {
    expect(name(markup)).toBe(expected);
  });

  it('of one that stands in the label of another says its value there, and an output says nothing', () => {
    const markup =
      '<label for=a>Every <input value=3> days of <select><option>May<option selected>June</select> <output>7</output></label><input id=a>';
    expect(name(markup, 3)).toBe('Every 3 days of June');
  });

  it('may have its own value in it, as one engine has', () => {
    const own = { ownPartInLabel: () => 'here' };
    expect(told('<label>Boat <input></label>', own)[0]?.name).toBe('Boat here');
    expect(told('<label for=a>Boat</label><input id=a>', own)[0]?.name).toBe('Boat');
  });
});

describe('the accessible description', () => {
  it.each([
    ['<input aria-label=A title=T>', 'T'],
    ['<input title=T>', ''],
    ['<input aria-label=A aria-describedby=h title=T><small id=h>Few <b>words</b></small>', 'Few words'],
    ['<input aria-label=A aria-description=D title=T>', 'D'],
    ['<input aria-label=A aria-describedby=none title=T>', 'T'],
  ])('of %s is “%s”', (markup, expected) => {
    expect(description(markup)).toBe(expected);
  });

  it('leaves the standards where an engine does', () => {
    const button = '<label>Go <input type=button value=on></label>';
    expect(told(button, { buttonValueDescribes: true })[0]).toMatchObject({ name: 'Go', description: 'on' });
    expect(told(button)[0]?.description).toBe('');
    const described = '<input aria-label=A aria-description=D title=T>';
    expect(told(described, { readsAriaDescription: false })[0]?.description).toBe('T');
  });
});

it('is not worked out once the budget is spent, and until then it is', () => {
  const markup = `<p id=long>${'tide '.repeat(300_000)}</p>${'<input aria-labelledby=long>'.repeat(9)}`;
  const names = told(markup).map((one) => one?.name.length ?? null);
  expect(names).toEqual([1_499_999, 1_499_999, 1_499_999, null, null, null, null, null, null]);
});

describe('what is hidden', () => {
  it.each([
    ['<p hidden><input></p>', true],
    ['<input aria-hidden=true>', true],
    ['<p style="color:red; display : none"><input></p>', true],
    ['<input style="visibility:hidden">', true],
    ['<input style="display:none-such">', false],
    ['<input>', false],
  ])('%s: %s', (markup, isHidden) => {
    expect(told(markup)[0]?.isHidden).toBe(isHidden);
  });
});
