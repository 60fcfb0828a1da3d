import { describe, expect, it } from 'vitest';
import { demoForm, hurriedForm } from '@/core/demo/demo-forms';
import { answerValidity } from '@/core/model/answer-validity';
import { engineWays } from '@/core/model/engine-ways';
import { predictSubmission } from '@/core/model/predict-submission';
import { askingOf } from '@/core/observation/asking';
import type { SubmissionObservation } from '@/core/observation/observation';
import { habitsOf } from '@/core/target/habits';
import { targetId } from '@/core/target/target';
import { plainVariant } from '@/core/target/variant';
import { engineNamed } from '@/engines/engines';
import { startPageServer } from '@/engines/page-server';
import { probeBundle } from '@/probe/bundle';
import { validityQuestions } from '../../scripts/calibrate/validity-questions';
import { enginesAvailable } from '../fixtures/engines';
import { ask, ownTarget } from './asking-engines';

const here = await enginesAvailable();
const seed = Date.now();
const questions = validityQuestions(1500, seed);

describe.skipIf(!here).each(['chromium', 'firefox', 'webkit'] as const)(
  '%s and the model of its ways',
  (name) => {
    it(`agree about at least 99 in 100 of questions that were made just now (seed ${seed})`, async () => {
      const engine = await engineNamed(name);
      const found = await engine.find();
      if (found.status === 'missing') throw new Error(found.remedy);
      const session = await engine.launch(found.path, plainVariant);
      const server = await startPageServer(engine.pagesFrom);
      try {
        const { code } = await probeBundle('probe');
        const page = await session.open(server.add('<!doctype html><body>'), code, plainVariant);
        const real = await page.probe('validity', questions);
        const apart = questions.filter((question, index) => {
          const answer = answerValidity(question, engineWays[name]);
          const sorted = (one: object | null | undefined) => JSON.stringify(Object.entries(one ?? {}).sort());
          return sorted(answer) !== sorted(real[index]);
        });
        // Firefox reckons colours with floats of 24 bits; their last digits are not followed.
        expect(apart.length, JSON.stringify(apart.slice(0, 5))).toBeLessThanOrEqual(questions.length / 100);
      } finally {
        await server.close();
        await session.close();
      }
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
          const model = predictSubmission(button, asking, { ...habits, ways: name });
          const { asIs, filled } = outcome.facts;
          expect(model).toMatchObject({
            status: 'answered',
            // The words are each engine's own.
            facts: {
              asIs: asIs.status === 'blocked' ? { by: asIs.by, invalid: asIs.invalid } : asIs,
              filled,
            },
          });
        }
      }
    });
  },
);
