import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typingDisagreements } from '@/core/compare/typing-disagreements';
import { demoForm } from '@/core/demo/demo-forms';
import type { TypingTasks } from '@/core/guard/typing-task';
import { predict } from '@/core/model/predict';
import { askingOf } from '@/core/questions/asking';
import type { MessageObservation } from '@/core/questions/message/facts';
import type { Observation } from '@/core/questions/observation';
import type { TypingObservation } from '@/core/questions/typing/facts';
import type { EngineTarget } from '@/core/target/target';
import { enginesAvailable } from '../fixtures/engines';
import { ask } from './asking-engines';

const here = await enginesAvailable();

/** What holds of the model of an engine, held against the engine. */
export function modelSuite(target: EngineTarget): void {
  describe.skipIf(!here)(`${target.name} and the model of it`, () => {
    it('agrees with the model about validity and its own words, on the demo form', async () => {
      const asking = askingOf(demoForm.markup, ['message']);
      const { observations } = await ask(target, asking);
      const facts = (list: Observation[]) => list.map((o) => [o.field, (o as MessageObservation).outcome]);
      expect(facts(observations)).toEqual(facts(predict(target.id, asking, '')));
    });

    it('agrees with the model about what becomes of random strokes, events included', async () => {
      const key = fc.oneof(
        { weight: 8, arbitrary: fc.constantFrom(...'0123456789.-+eE,x '.split('')) },
        { weight: 1, arbitrary: fc.constantFrom('é', '２', '😀') },
        {
          weight: 3,
          arbitrary: fc.constantFrom(
            'Backspace',
            'Delete',
            'ArrowLeft',
            'ArrowRight',
            'Home',
            'End',
            'Escape',
          ),
        },
      );
      const kinds = fc.constantFrom(
        'type=number',
        'type=text',
        'type=text maxlength=4',
        'type=tel value=12',
        'type=search',
        'type=number value=-1.5',
        'readonly value=7',
      );
      const cases = fc.sample(fc.tuple(kinds, fc.array(key, { minLength: 3, maxLength: 9 })), {
        numRuns: 60,
        seed: Date.now(),
      });
      const markup = `<form>${cases.map(([kind], index) => `<input ${kind} name=n${index}>`).join('')}</form>`;
      const guards = [{ kind: 'decimals', stage: 'before insert', id: 'g', on: true, most: 2 }] as const;
      const scripts = Object.fromEntries(
        cases.map(([, keys], index) => [
          `n${index}`,
          {
            script: [...keys, 'Tab'].map((one) => ({ kind: 'key', key: one })),
            guards: index % 3 === 0 ? guards : [],
          },
        ]),
      ) as TypingTasks;
      const asking = askingOf(markup, ['typing'], scripts);
      const { observations } = await ask(target, asking);
      const replay = (o: Observation | undefined) => {
        const outcome = (o as TypingObservation | undefined)?.outcome;
        if (outcome?.status !== 'answered') throw new Error(`not answered: ${JSON.stringify(outcome)}`);
        return outcome.facts;
      };
      const model = predict(target.id, asking, '');
      const disagreements = observations.flatMap((measured, index) => {
        const found = typingDisagreements(replay(model[index]), replay(measured)).flat();
        return found.length > 0
          ? [{ markup: cases[index]?.[0], keys: cases[index]?.[1].join(' '), found }]
          : [];
      });
      expect(disagreements.map((one) => JSON.stringify(one))).toEqual([]);
    });
  });
}
