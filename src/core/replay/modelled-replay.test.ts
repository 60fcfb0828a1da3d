import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { offeredGuards } from '../guard/offered-guards';
import { readForm } from '../html/read-form';
import { habitsOf } from '../model/deviations/habits';
import { scriptTyping } from '../model/type-script';
import type { Script } from '../script/stroke';
import { targetId } from '../target/target';
import { type ModelledReplay, tailOf, withTail } from './modelled-replay';
import { strokeVerdicts } from './stroke-verdicts';

const now = new Date('2026-03-14T10:30:00');

const [field] = readForm('<input name=level pattern="[0-9.]+" required>').fields;
const habits = habitsOf(targetId('chromium'));
if (!field || !habits) throw new Error('The model has lost its habits.');
const place = { field, habits };
const target = targetId('chromium');

function replayOf(script: Script, guarded: boolean): ModelledReplay {
  const [offered] = offeredGuards;
  const guards = guarded && offered ? [offered.make('g')] : [];
  const facts = scriptTyping(place.field, guards, { ...place.habits, now })(script);
  return { target, facts, verdicts: strokeVerdicts(place.field, guards, place.habits, facts) };
}

const script = fc
  .array(fc.constantFrom('1', '2', '.', 'a', 'Backspace'), { maxLength: 8 })
  .map((keys): Script => keys.map((key) => ({ kind: 'key', key })));

describe('the tail of a replay', () => {
  it('makes the whole again with what was there before', () => {
    fc.assert(
      fc.property(fc.option(script), script, fc.boolean(), fc.boolean(), (first, then, was, is) => {
        const before = first && replayOf(first, was);
        const now = replayOf(then, is);
        // As it comes over from a worker.
        const tail = structuredClone(tailOf(before, now));
        expect(withTail(before, tail)).toEqual(now);
      }),
    );
  });

  it('is one stroke long after one more stroke, and the rest is the very same', () => {
    const keys = (text: string): Script => Array.from(text, (key) => ({ kind: 'key', key }));
    const before = replayOf(keys('12.5'), false);
    const tail = tailOf(before, replayOf(keys('12.57'), false));
    expect([tail.kept, tail.steps.length, tail.judgements.length]).toEqual([4, 1, 1]);
    const now = withTail(before, tail);
    expect(now.facts.steps[3]).toBe(before.facts.steps[3]);
    expect(now.verdicts.afterStrokes[3]).toBe(before.verdicts.afterStrokes[3]);
    expect(now.verdicts.sent).toEqual({ is: 'entry', entry: 'level=12.57' });
  });

  it('begins where a judgement changes, also when the text does not', () => {
    const keys: Script = [{ kind: 'key', key: '1' }];
    const before = replayOf(keys, false);
    const judged = {
      ...before.verdicts,
      afterStrokes: [
        {
          verdict: 'refused' as const,
          by: [{ code: 'own constraint' as const, flag: 'customError' as const }],
        },
      ],
    };
    expect(tailOf(before, { ...before, verdicts: judged }).kept).toBe(0);
  });
});
