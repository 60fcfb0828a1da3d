import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { FormId } from '@/core/document/form-document';
import { seenFindings } from '@/core/finding/seen-findings';
import { type FieldId, fieldId } from '@/core/html/field';
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
const html = readFileSync('tests/fixtures/pages/widgets.html', 'utf8');

describe.skipIf(!here)('fields that are no controls of HTML', () => {
  it('are found, filled, typed into and told apart in a page of one’s own', async () => {
    const { address, stop } = await startPage(html);
    try {
      const page = { address, form: 0, steps: '' };
      const [form] = (await readOwnPage(page, new AbortController().signal)).forms;
      const markup = form?.markup ?? '';
      const { fields } = readForm(markup);
      expect(fields.map(({ id, kind }) => `${id} ${kind}`)).toEqual([
        'station text',
        'remarks widget',
        'sea widget',
        'wind widget',
        'gulls widget',
        'town text',
        'tide widget',
        'depth widget',
        'button-9 submit',
      ]);
      // What is a field now is not listed as one that was not asked.
      expect(form?.unread).toEqual([{ sort: 'widget', label: 'May be published' }]);

      const scripts = scriptsForPage({ id: 'own' as FormId, name: '', markup, typing: {} }, fields);
      const questions = ['look', 'typing', 'submission', 'accessibility', 'opening'] as const;
      const { observations } = await ask(ownTargets, askingOf(markup, questions, scripts, null, page));
      const answers = answersOf(observations);
      for (const { id: target } of ownTargets) {
        const facts = <Facts>(outcome: { status: string; facts?: Facts } | undefined) => outcome?.facts;
        const typed = (id: FieldId): TypingFacts | undefined =>
          facts(answerTo(answers, 'typing', target, id)?.outcome);
        const look = (id: FieldId, state: 'closed' | 'filled') =>
          answerTo(answers, 'look', target, id, state)?.outcome;
        const told = (id: FieldId) => facts(answerTo(answers, 'accessibility', target, id)?.outcome);

        expect(facts(look(fieldId('remarks'), 'closed'))).toMatchObject({
          value: 'Calm sea',
          textShown: 'Calm sea',
        });
        expect(facts(look(fieldId('remarks'), 'filled'))?.value).toBe('Ada Holm');
        expect(look(fieldId('sea'), 'filled')).toMatchObject({ reason: { code: 'no text typed' } });
        expect(told(fieldId('sea'))).toMatchObject({ role: 'slider', name: 'Sea state' });

        const [first] = typed(fieldId('remarks'))?.steps ?? [];
        expect(first?.value).toBe('ACalm sea');
        expect(first?.events.map(({ type }) => type)).toEqual(
          expect.arrayContaining(['keydown', 'beforeinput', 'input', 'keyup']),
        );
        expect(typed(fieldId('remarks'))?.steps.at(-1)?.value).not.toContain('Calm');
        expect(
          typed(fieldId('sea'))
            ?.steps.map(({ value }) => value)
            .slice(0, 3),
        ).toEqual(['4', '3', '3']);
        expect(
          typed(fieldId('depth'))
            ?.steps.map(({ value }) => value)
            .slice(0, 2),
        ).toEqual(['3', '2']);
        expect(typed(fieldId('tide'))?.steps.at(-1)?.value).toBe('slack');
        const opening = facts(answerTo(answers, 'opening', target, fieldId('tide'))?.outcome);
        expect(opening?.opened).not.toBeNull();
        expect(opening?.fieldsInside).toEqual(['Find a tide']);

        const sent = facts(answerTo(answers, 'submission', target, fieldId('button-9'))?.outcome);
        expect(sent?.asIs).toMatchObject({ status: 'sent', body: 'station=SKR&town=&depth=2' });
        const became = (name: string) => {
          const entry = sent?.entries?.find(({ field }) => field === name);
          return entry?.status === 'entered' ? [entry.by, entry.became] : entry?.why;
        };
        expect(became('remarks')).toEqual(['keys', 'Ada Holm']);
        expect(became('tide')).toEqual(['keys', 'rising']);
        expect(became('sea')).toBe('no text typed');
      }
      const lineUp = { targets: ownTargets, reference: ownTargets[0]?.id ?? ('' as never) };
      const found = seenFindings({ page }, lineUp, answers, fields).map(({ field, claim, targets }) => [
        field?.id,
        claim.code === 'seen' ? claim.sight : claim.code,
        targets.length,
      ]);
      expect(found).toEqual(
        expect.arrayContaining([
          ['wind', 'widget not by keyboard', ownTargets.length],
          ['gulls', 'keys change nothing', ownTargets.length],
        ]),
      );
      expect(found.filter(([, what]) => what === 'keys change nothing')).toHaveLength(1);
    } finally {
      await stop();
    }
  });

  it('are shown and typed into without their scripts, in the place that they have in the markup', async () => {
    const markup = html.replace(/<script>[\s\S]*<\/script>/, '');
    const { fields } = readForm(markup);
    const scripts = scriptsForPage({ id: 'own' as FormId, name: '', markup, typing: {} }, fields);
    const { observations } = await ask(ownTargets, askingOf(markup, ['look', 'typing', 'parts'], scripts));
    const answers = answersOf(observations);
    for (const { id: target } of ownTargets) {
      const closed = (name: string) => {
        const outcome = answerTo(answers, 'look', target, fieldId(name), 'closed')?.outcome;
        return outcome?.status === 'answered' ? outcome.facts.value : null;
      };
      expect(['station', 'remarks', 'sea', 'town', 'tide'].map(closed)).toEqual([
        'SKR',
        'Calm sea',
        '3',
        '',
        'choose',
      ]);
      const typed = answerTo(answers, 'typing', target, fieldId('remarks'))?.outcome;
      expect(typed?.status === 'answered' && typed.facts.steps[0]?.value).toBe('ACalm sea');
      // How its value is shown cannot be told from two pictures; that it is a text box can.
      const parts = answerTo(answers, 'parts', target, fieldId('remarks'))?.outcome;
      expect(parts?.status === 'answered' && parts.facts).toMatchObject({
        shows: null,
        parts: [{ part: 'text box' }],
      });
      // What was written into it for one state is gone in the next.
      const focused = answerTo(answers, 'look', target, fieldId('remarks'), 'focused')?.outcome;
      expect(focused?.status === 'answered' && focused.facts.value).toBe('Calm sea');
    }
  });
});
