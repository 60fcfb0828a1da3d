import { describe, expect, it } from 'vitest';
import { demoForm, hurriedForm } from '@/core/demo/demo-forms';
import { answerValidity } from '@/core/model/answer-validity';
import { engineDeviations } from '@/core/model/deviations/engine-deviations';
import { habitsOf } from '@/core/model/deviations/habits';
import { predictSubmission } from '@/core/model/predict-submission';
import { askingOf } from '@/core/questions/asking';
import type { SubmissionObservation } from '@/core/questions/submission/facts';
import { targetId } from '@/core/target/target';
import { probeBundle } from '@/probe/bundle';
import { validityQuestions } from '../../scripts/calibrate/validity-questions';
import { enginesAvailable } from '../fixtures/engines';
import { ask, ownTarget } from './asking-engines';
import { inBarePage } from './bare-page';

const here = await enginesAvailable();
const seed = Date.now();
const questions = validityQuestions(1500, seed);

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)(
  '%s and the model of its deviations',
  (name) => {
    it(`agree about at least 99 in 100 of questions that were made just now (seed ${seed})`, async () => {
      const { code } = await probeBundle('probe');
      await inBarePage(
        name,
        async (page) => {
          const real = await page.probe('validity', questions);
          const apart = questions.filter((question, index) => {
            const answer = answerValidity(question, engineDeviations[name]);
            const sorted = (one: object | null | undefined) =>
              JSON.stringify(Object.entries(one ?? {}).sort());
            return sorted(answer) !== sorted(real[index]);
          });
          // Firefox reckons colours with floats of 24 bits; their last digits are not followed.
          expect(apart.length, JSON.stringify(apart.slice(0, 5))).toBeLessThanOrEqual(questions.length / 100);
        },
        { probe: code },
      );
    });

    it('agree about what the demo forms send, byte for byte, and what stops them', async () => {
      for (const { markup } of [demoForm, hurriedForm]) {
        const asking = askingOf(markup, ['submission']);
        const { observations } = await ask(ownTarget(name), asking);
        expect(observations).toHaveLength(2);
        const habits = habitsOf(targetId('chromium'));
        if (!habits) throw new Error('no habits');
        for (const { field, outcome } of observations as SubmissionObservation[]) {
          const button = asking.fields.find(({ id }) => id === field);
          if (!button || outcome.status !== 'answered')
            throw new Error(`not answered: ${JSON.stringify(outcome)}`);
          const model = predictSubmission(button, asking, { ...habits, deviations: name, words: name });
          // The words in which it is stopped are part of it.
          expect(model).toEqual({ status: 'answered', facts: outcome.facts });
          const { filled } = outcome.facts;
          if (markup === demoForm.markup)
            expect(filled.status === 'sent' && filled.body).toContain(
              '%22Nord%22.png"\r\nContent-Type: image/png',
            );
        }
      }
    });
  },
);
