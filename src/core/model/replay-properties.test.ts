import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Field } from '../form/field';
import { readForm } from '../form/read-form';
import type { Guard } from '../guard/guard';
import type { Script } from '../script/stroke';
import { habitsOf } from '../target/habits';
import { targetId } from '../target/target';
import { typeScript } from './type-script';

const kinds = [
  '<input>',
  '<input value="abc">',
  '<input type=number>',
  '<input type=search value=gull>',
  '<input type=tel maxlength=5>',
  '<input readonly value=7>',
  '<input disabled>',
  '<textarea maxlength=8>a\nb</textarea>',
  '<input type=email multiple>',
].map((markup): Field => {
  const [field] = readForm(markup).fields;
  if (!field) throw new Error('no field');
  return field;
});
const targets = ['chromium', 'blink-phone'].flatMap((id) => habitsOf(targetId(id)) ?? []);
const field = fc.constantFrom(...kinds);
const habits = fc.constantFrom(...targets);
const key = fc.oneof(
  fc.constantFrom(...'019.-+e ab@,'.split(''), '😀', 'é'),
  fc.constantFrom('Backspace', 'Delete', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'Escape', 'Tab'),
);
const script = fc
  .array(key, { maxLength: 20 })
  .map((keys): Script => keys.map((one) => ({ kind: 'key', key: one })));
const guards = fc.constantFrom<readonly Guard[]>(
  [],
  [{ kind: 'decimals', stage: 'before insert', id: 'g', on: true, most: 2 }],
  [{ kind: 'decimals', stage: 'before insert', id: 'g', on: false, most: 0 }],
);

describe('every replay of the model', () => {
  it('has one step for each stroke, with the caret inside the text', () => {
    fc.assert(
      fc.property(field, script, guards, habits, (of, strokes, with_, as) => {
        const { steps } = typeScript(of, strokes, with_, as);
        expect(steps).toHaveLength(strokes.length);
        for (const { text, caret } of steps)
          expect(caret.start >= 0 && caret.start <= caret.end && caret.end <= text.length).toBe(true);
      }),
    );
  });

  it('begins as the replay of its beginning: later strokes change nothing before them', () => {
    fc.assert(
      fc.property(field, script, guards, habits, fc.nat(20), (of, strokes, with_, as, length) => {
        const whole = typeScript(of, strokes, with_, as).steps.slice(0, length);
        expect(typeScript(of, strokes.slice(0, length), with_, as).steps).toEqual(whole);
      }),
    );
  });

  it('changes the text exactly where it raises input, and refuses only what leaves the text alone', () => {
    fc.assert(
      fc.property(field, script, guards, habits, (of, strokes, with_, as) => {
        const { steps } = typeScript(of, strokes, with_, as);
        for (const [index, step] of steps.entries()) {
          const before = steps[index - 1]?.text;
          const raised = step.events.some((event) => event.type === 'input');
          if (before !== undefined) expect(step.text !== before).toBe(raised);
          if (step.refused) expect(raised).toBe(false);
          expect(step.guard !== null).toBe(step.refused === 'guard');
        }
      }),
    );
  });

  it('prevents an event only where a guard that is on refuses', () => {
    fc.assert(
      fc.property(field, script, guards, habits, (of, strokes, with_, as) => {
        const prevented = typeScript(of, strokes, with_, as).steps.flatMap((step) =>
          step.events.filter((e) => e.prevented),
        );
        if (!with_.some((guard) => guard.on)) expect(prevented).toEqual([]);
        expect(prevented.every((event) => event.type === 'beforeinput')).toBe(true);
      }),
    );
  });

  it('never makes a text longer than maxlength by typing', () => {
    const short = kinds.filter((one) =>
      /maxlength/.test(one.controls[0].attributes.map((a) => a.name).join()),
    );
    fc.assert(
      fc.property(fc.constantFrom(...short), script, (of, strokes) => {
        const [as] = targets;
        const most = Number(of.controls[0].attributes.find((a) => a.name === 'maxlength')?.value);
        for (const { text } of as ? typeScript(of, strokes, [], as).steps : [])
          expect(text.length).toBeLessThanOrEqual(most);
      }),
    );
  });

  it('gives focus first and, once the focus is lost, nothing more', () => {
    fc.assert(
      fc.property(field, script, habits, (of, strokes, as) => {
        const types = typeScript(of, strokes, [], as).steps.flatMap((step) =>
          step.events.map((event) => event.type),
        );
        const blur = types.indexOf('blur');
        if (types.length > 0) expect(types[0]).toBe('focus');
        if (blur !== -1) expect(types.slice(blur + 1)).toEqual([]);
      }),
    );
  });
});
