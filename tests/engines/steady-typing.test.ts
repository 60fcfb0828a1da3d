import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { FormId } from '@/core/document/form-document';
import { fieldId } from '@/core/html/field';
import { readForm } from '@/core/html/read-form';
import { scriptsForPage } from '@/core/page/usual-scripts';
import { askingOf } from '@/core/questions/asking';
import type { TypingFacts } from '@/core/questions/typing/facts';
import { answersOf, answerTo } from '@/core/run/answers';
import { readOwnPage } from '@/engines/own-page';
import { enginesAvailable } from '../fixtures/engines';
import { startPage } from '../fixtures/served-page';
import { ask, ownTargets } from './asking-engines';

const here = await enginesAvailable();
const html = readFileSync('tests/fixtures/pages/unsteady.html', 'utf8');

describe.skipIf(!here)('strokes in a page with scripts', () => {
  it('are over when the page has answered, and are made three times', async () => {
    const { address, stop } = await startPage(html);
    try {
      const page = { address, form: 0, steps: '' };
      const { forms } = await readOwnPage(page, new AbortController().signal);
      const markup = forms[0]?.markup ?? '';
      const { fields } = readForm(markup);
      const scripts = scriptsForPage({ id: 'own' as FormId, name: '', markup, typing: {} }, fields);
      const { observations } = await ask(ownTargets, askingOf(markup, ['typing'], scripts, null, page));
      const answers = answersOf(observations);
      for (const { id } of ownTargets) {
        const typed = (name: string): TypingFacts | null => {
          const outcome = answerTo(answers, 'typing', id, fieldId(name))?.outcome;
          return outcome?.status === 'answered' ? outcome.facts : null;
        };
        // What a timer makes of a stroke stands in that stroke's step, each time.
        expect(typed('late')?.rounds).toEqual({ asked: 3, alike: 3 });
        expect(typed('late')?.steps[0]?.value).toBe('A');
        expect(typed('chance')?.rounds).toEqual({ asked: 3, alike: 2 });
        const slow = typed('slow')?.steps.flatMap(({ events }) => events.map(({ took = 0 }) => took));
        expect(Math.max(...(slow ?? []))).toBeGreaterThan(50);
      }
    } finally {
      await stop();
    }
  });
});
