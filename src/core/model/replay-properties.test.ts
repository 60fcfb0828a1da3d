import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Guard, guardStages } from '../guard/guard';
import { offeredGuards } from '../guard/offered-guards';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import { nativeEvents } from '../observation/event-record';
import {
  editingCommands,
  focusWays,
  modifierKeys,
  type Script,
  type Stroke,
  textRoutes,
} from '../script/stroke';
import { targetId } from '../target/target';
import { habitsOf, isNativeField } from './deviations/habits';
import { scriptTyping, typeScript } from './type-script';

const now = new Date('2026-03-14T10:30:00');

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

const everyone = [
  'chromium',
  'firefox',
  'webkit',
  'blink-phone',
  'webkit-phone',
  'native-phone-field',
  'app-toolkit-field',
  'desktop-toolkit-field',
].map((id) => {
  const found = habitsOf(targetId(id));
  if (!found) throw new Error(id);
  return found;
});
const text = fc.string({ unit: 'binary', maxLength: 6 });
const anyStroke: fc.Arbitrary<Stroke> = fc.oneof(
  { weight: 5, arbitrary: key.map((one): Stroke => ({ kind: 'key', key: one })) },
  fc.record({
    kind: fc.constant('key' as const),
    key: fc.constantFrom('a', 'z', 'x', 'ArrowLeft', 'Backspace', 'Enter', 'ArrowUp', 'PageDown', ' '),
    modifiers: fc.subarray([...modifierKeys], { minLength: 1 }),
  }),
  fc.record({ kind: fc.constant('held' as const), key, repeats: fc.nat(4) }),
  fc.record({ kind: fc.constantFrom('down' as const, 'up' as const), key }),
  fc.record({ kind: fc.constant('selection' as const), start: fc.nat(9), end: fc.nat(9) }),
  fc.record({ kind: fc.constant('command' as const), command: fc.constantFrom(...editingCommands) }),
  fc.record({ kind: fc.constant('text' as const), route: fc.constantFrom(...textRoutes), text }),
  fc.record({
    kind: fc.constant('dead key' as const),
    dead: fc.constant('´'),
    key: fc.constant('e'),
    text: fc.constant('é'),
  }),
  fc.record({
    kind: fc.constant('composition' as const),
    texts: fc.array(text, { minLength: 1, maxLength: 3 }),
  }),
  fc.record({ kind: fc.constant('focus' as const), by: fc.constantFrom(...focusWays) }),
  fc.constantFrom<Stroke>({ kind: 'leave' }, { kind: 'submit' }, { kind: 'pause', ms: 5 }),
);
const anyField = fc.constantFrom(
  ...[
    ...'date time month week datetime-local range checkbox color file submit'
      .split(' ')
      .map((type) => `<input type=${type}>`),
    '<input type=date value=2024-02-29 readonly>',
    '<input type=time value=23:59:30>',
    '<select><option>a<option disabled>b<option>c</select>',
    '<select multiple size=3><option>a<option>b</select>',
    '<input type=radio name=r checked>',
  ].map((markup): Field => {
    const [one] = readForm(markup).fields;
    if (!one) throw new Error(markup);
    return one;
  }),
  ...kinds,
);
const anyGuards = fc.array(
  fc
    .tuple(fc.constantFrom(...offeredGuards), fc.constantFrom(...guardStages))
    .map(([{ make, code }, stage]): Guard => ({ ...make(code), stage })),
  { maxLength: 3 },
);

describe('whatever is done to whatever field, on every target', () => {
  it('has one step for each stroke, with the caret inside the text and one voice of events', () => {
    fc.assert(
      fc.property(
        anyField,
        fc.array(anyStroke, { maxLength: 14 }),
        anyGuards,
        fc.constantFrom(...everyone),
        (of, strokes, with_, as) => {
          const { steps } = typeScript(of, strokes, with_, { ...as, now });
          expect(steps).toHaveLength(strokes.length);
          for (const { text: shown, caret, events } of steps) {
            expect(caret.start >= 0 && caret.start <= caret.end && caret.end <= shown.length).toBe(true);
            const told = events.every(
              ({ type }) => nativeEvents.some((native) => native === type) === isNativeField(as),
            );
            expect(told).toBe(true);
          }
        },
      ),
      { numRuns: 600 },
    );
  });

  it('tells a native field’s app every text there was, from one to the next', () => {
    const natives = everyone.filter(isNativeField);
    fc.assert(
      fc.property(fc.array(anyStroke, { maxLength: 14 }), fc.constantFrom(...natives), (strokes, as) => {
        const [plain] = kinds;
        if (!plain) throw new Error('no field');
        const changes = typeScript(plain, strokes, [], { ...as, now }).steps.flatMap(({ events }) =>
          events.filter(({ type }) => type === 'text changed'),
        );
        for (const [index, change] of changes.entries()) {
          expect(change.data).not.toBe(change.value);
          if (index > 0) expect(change.data).toBe(changes[index - 1]?.value);
        }
      }),
    );
  });

  it('lets undo bring back, step by step, what typing changed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('a', 'b', ' ', '1'), { minLength: 1, maxLength: 8 }),
        fc.constantFrom('chromium', 'firefox'),
        (keys, id) => {
          const [plain] = kinds;
          const as = habitsOf(targetId(id));
          if (!plain || !as) throw new Error('no field');
          const typed = keys.map((one): Stroke => ({ kind: 'key', key: one }));
          const back: Stroke = { kind: 'command', command: 'undo' };
          const { steps } = typeScript(plain, [...typed, back, { kind: 'command', command: 'redo' }], [], {
            ...as,
            now,
          });
          expect(steps.at(-2)?.text).toBe('');
          expect(steps.at(-1)?.text).toBe(keys.join(''));
        },
      ),
    );
  });
});

describe('every replay of the model', () => {
  it('has one step for each stroke, with the caret inside the text', () => {
    fc.assert(
      fc.property(field, script, guards, habits, (of, strokes, with_, as) => {
        const { steps } = typeScript(of, strokes, with_, { ...as, now });
        expect(steps).toHaveLength(strokes.length);
        for (const { text, caret } of steps)
          expect(caret.start >= 0 && caret.start <= caret.end && caret.end <= text.length).toBe(true);
      }),
    );
  });

  it('begins as the replay of its beginning: later strokes change nothing before them', () => {
    fc.assert(
      fc.property(field, script, guards, habits, fc.nat(20), (of, strokes, with_, as, length) => {
        const whole = typeScript(of, strokes, with_, { ...as, now }).steps.slice(0, length);
        expect(typeScript(of, strokes.slice(0, length), with_, { ...as, now }).steps).toEqual(whole);
      }),
    );
  });

  const isInput = ({ type }: { readonly type: string }) => type === 'input';

  it('changes the text exactly where it raises input, and refuses only what leaves the text alone', () => {
    fc.assert(
      fc.property(field, script, guards, habits, (of, strokes, with_, as) => {
        const { steps } = typeScript(of, strokes, with_, { ...as, now });
        for (const [index, step] of steps.entries()) {
          const before = steps[index - 1]?.text;
          const raised = step.events.some(isInput);
          if (before !== undefined) expect(step.text !== before).toBe(raised);
          // A stroke that is refused may end what was composed before it, and that may be cut then.
          const ended = step.events.findLastIndex(({ type }) => type === 'compositionend');
          if (step.refused) expect(step.events.slice(ended + 1).some(isInput)).toBe(false);
          expect(step.guard !== null).toBe(step.refused === 'guard');
        }
      }),
    );
  });

  it('prevents an event only where a guard that is on refuses', () => {
    fc.assert(
      fc.property(field, script, guards, habits, (of, strokes, with_, as) => {
        const prevented = typeScript(of, strokes, with_, { ...as, now }).steps.flatMap((step) =>
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
        for (const { text } of as ? typeScript(of, strokes, [], { ...as, now }).steps : [])
          expect(text.length).toBeLessThanOrEqual(most);
      }),
    );
  });

  it('composes a text that has no room once more where it is cut, as Blink does', () => {
    const [as] = targets.slice(1);
    const [lines] = kinds.filter((one) => one.kind === 'textarea');
    if (!lines || !as) throw new Error('no field');
    const keys = [...'1234567'].map((one): Stroke => ({ kind: 'key', key: one }));
    const { steps } = typeScript(lines, [...keys, { kind: 'leave' }], [], { ...as, now });
    expect(steps.at(-2)?.value).toBe('1234567a\nb');
    expect(steps.at(-1)?.events.map(({ type, data, value }) => [type, data, value])).toEqual([
      ['compositionupdate', '1234567', '1234567a\nb'],
      ['beforeinput', '1234567', '1234567a\nb'],
      ['input', '12345', '12345a\nb'],
      ['compositionend', '1234567', '12345a\nb'],
      ['change', null, '12345a\nb'],
      ['blur', null, '12345a\nb'],
    ]);
  });

  it('gives focus first and, once the focus is lost, nothing more', () => {
    fc.assert(
      fc.property(field, script, habits, (of, strokes, as) => {
        const types = typeScript(of, strokes, [], { ...as, now }).steps.flatMap((step) =>
          step.events.map((event) => event.type),
        );
        const blur = types.indexOf('blur');
        if (types.length > 0) expect(types[0]).toBe('focus');
        if (blur !== -1) expect(types.slice(blur + 1)).toEqual([]);
      }),
    );
  });

  it('comes out the same whether scripts are typed anew or where the one before ended', () => {
    const strokes = fc.array(anyStroke, { maxLength: 6 });
    const scripts = fc
      .array(fc.tuple(fc.nat(8), strokes), { maxLength: 5 })
      // Each begins with some of the one before: with all of it, most often.
      .map((parts) => {
        const all: Script[] = [[]];
        for (const [left, more] of parts) {
          const before = all.at(-1) ?? [];
          all.push([...before.slice(0, left < 6 ? before.length : left - 6), ...more]);
        }
        return all;
      });
    fc.assert(
      fc.property(anyField, scripts, anyGuards, fc.constantFrom(...everyone), (of, all, with_, as) => {
        const type = scriptTyping(of, with_, { ...as, now });
        for (const one of all) expect(type(one)).toEqual(typeScript(of, one, with_, { ...as, now }));
      }),
    );
  });
});
