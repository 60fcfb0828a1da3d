import { describe, expect, it } from 'vitest';
import { lookStates, statesOf } from '../document/look-state';
import { invalidTrial, trialFor, validTrial } from '../document/trial-value';
import { predict } from '../model/predict';
import { usualScript } from '../page/usual-scripts';
import { askingOf, sweepQuestions } from '../questions/asking';
import { parsedState } from '../standard/control-state';
import { constructEntryList } from '../standard/entry-list';
import { targetId } from '../target/target';
import { controlSelector, takesKeys } from './field';
import { readForm } from './read-form';
import { takesText, widgetRoleOf } from './widget';

const read = (markup: string) =>
  readForm(markup).fields.map(({ kind, label, controls: [control] }) => [kind, label, control.ordinal]);
const widget = (markup: string) => {
  const [field] = readForm(markup).fields;
  if (field?.kind !== 'widget') throw new Error(markup);
  return field;
};

describe('a widget in markup', () => {
  it.each([
    '<div contenteditable></div>',
    '<div contenteditable="true"></div>',
    '<p contenteditable="TRUE"></p>',
    '<div contenteditable="plaintext-only"></div>',
    '<div role="textbox"></div>',
    '<div role="searchbox"></div>',
    '<span role="Slider" tabindex="0"></span>',
    '<x-rating role="spinbutton"></x-rating>',
    '<div role="combobox" tabindex="0"></div>',
    '<button type="button" role="combobox">pick</button>',
  ])('is %s', (markup) => {
    expect(read(markup)).toMatchObject([['widget', expect.any(String), 0]]);
  });

  it.each([
    '<div contenteditable="false"></div>',
    '<div contenteditable="maybe"></div>',
    '<div role="checkbox"></div>',
    '<div role="group"></div>',
    '<div tabindex="0"></div>',
  ])('is none in %s', (markup) => {
    expect(read(markup)).toEqual([]);
  });

  it.each([
    ['<input role="combobox">', 'text'],
    ['<input role="spinbutton">', 'text'],
    ['<textarea contenteditable></textarea>', 'textarea'],
    ['<select role="combobox"></select>', 'select'],
    // Pressed, it sends the form, whatever its role says.
    ['<button role="combobox">pick</button>', 'submit'],
    ['<div role="combobox"><input></div>', 'text'],
    ['<div contenteditable><p>Ada<select></select></p></div>', 'select'],
  ])('is no control, nor what a control stands in: %s is %s', (markup, kind) => {
    expect(read(markup)).toMatchObject([[kind, expect.any(String), 0]]);
  });

  it('has all that stands in it as its parts', () => {
    expect(read('<div role="combobox"><span role="textbox" contenteditable></span></div>')).toHaveLength(1);
    const inside = '<div role="textbox">a</div><div role="slider">b</div>';
    expect(read(`<div contenteditable>${inside}</div>`)).toHaveLength(1);
    // Where a control keeps the outer one from being a field, the inner one is none of its parts.
    expect(read(`<div role="combobox"><input>${inside}</div>`)).toHaveLength(3);
  });

  it('is counted among the controls in the order of the page', () => {
    const markup =
      '<input name=a><div contenteditable></div><select name=b></select><div role=slider></div><button>x</button>';
    expect(read(markup).map(([kind, , ordinal]) => [kind, ordinal])).toEqual([
      ['text', 0],
      ['widget', 1],
      ['select', 2],
      ['widget', 3],
      ['submit', 4],
    ]);
    expect(controlSelector).not.toContain('widget');
  });

  it.each([
    ['<div role=slider aria-label="Sea state"></div>', 'Sea state'],
    ['<p id=n>Sea</p><p id=m>state</p><div role=slider aria-labelledby="n m"></div>', 'Sea state'],
    ['<label>Sea state: <div role=slider>3</div></label>', 'Sea state'],
    ['<x-dial id=d role=slider></x-dial><label for=d>Sea state</label>', 'Sea state'],
    ['<div role=slider></div>', 'slider'],
    ['<div contenteditable></div>', 'editable content'],
  ])('%s is called %s', (markup, label) => {
    expect(read(markup)).toMatchObject([['widget', label, expect.any(Number)]]);
  });

  it('has a role, and takes text or is worked by keys', () => {
    const of = (markup: string) => {
      const [control] = widget(markup).controls;
      return [widgetRoleOf(control), takesText(control)];
    };
    expect(of('<div contenteditable></div>')).toEqual([null, true]);
    expect(of('<div role=TextBox></div>')).toEqual(['textbox', true]);
    expect(of('<div role=searchbox></div>')).toEqual(['searchbox', true]);
    expect(of('<div role=combobox></div>')).toEqual(['combobox', false]);
    expect(of('<div role=slider></div>')).toEqual(['slider', false]);
    expect(of('<div contenteditable role=spinbutton></div>')).toEqual(['spinbutton', false]);
  });
});

describe('what is asked of a widget', () => {
  const editable = widget('<div contenteditable aria-label=Note>Calm</div>');
  const slider = widget('<div role=slider aria-label=Sea></div>');
  const list = widget('<div role=combobox aria-label=Tide></div>');

  it('is how it looks closed, focused and filled: nothing disables it, and no constraint is checked', () => {
    expect(lookStates.filter((state) => statesOf('widget').includes(state))).toEqual([
      'closed',
      'focused',
      'filled',
    ]);
    expect(takesKeys('widget')).toBe(true);
    expect(invalidTrial(editable)).toEqual({ status: 'none', reason: 'nothing invalid' });
    expect(trialFor(editable, 'filled')).toEqual({ status: 'value', value: 'Ada Holm' });
    for (const one of [slider, list])
      expect(validTrial(one)).toEqual({ status: 'none', reason: 'no text typed' });
  });

  it('is what its keys do: text, arrows, a choice', () => {
    const keys = (field: typeof slider) =>
      usualScript(field)?.map((stroke) => (stroke.kind === 'key' ? stroke.key : stroke.kind));
    expect(keys(editable)?.slice(0, 4)).toEqual(['A', 'd', 'a', ' ']);
    expect(keys(slider)).toEqual(['ArrowUp', 'ArrowDown', 'ArrowRight', 'ArrowLeft', 'Home', 'End', 'leave']);
    expect(keys(list)).toEqual(['ArrowDown', 'ArrowDown', 'Enter', 'leave']);
  });

  it('is never answered by the model, which says why', () => {
    const markup =
      '<form><div contenteditable aria-label=Note>Calm</div><label>A <input name=a></label><button>Send</button></form>';
    const { fields } = readForm(markup);
    const [note] = fields;
    const scripts = note ? { [note.id]: { script: usualScript(note) ?? [], guards: [] } } : {};
    const all = predict(
      targetId('chromium'),
      askingOf(markup, sweepQuestions, scripts),
      '2026-12-01T00:00:00Z',
    );
    const ofNote = all.filter(({ field }) => field === note?.id);
    expect(ofNote.map(({ question }) => question)).toEqual(
      expect.arrayContaining(['look', 'message', 'accessibility', 'parts', 'typing']),
    );
    for (const { outcome } of ofNote)
      expect(outcome).toEqual({ status: 'inapplicable', reason: { code: 'model knows no widget' } });
  });

  it('is never what it sends: it is in no entry list', () => {
    const state = parsedState(widget('<div contenteditable name=note>Calm</div>').controls[0]);
    expect(constructEntryList([state], { submitter: null, encoding: 'UTF-8' })).toEqual([]);
  });
});
