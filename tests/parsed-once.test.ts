import { parse } from 'parse5';
import { beforeEach, expect, it, vi } from 'vitest';
import { demoForm, hurriedForm } from '@/core/demo/demo-forms';
import { typingTasks } from '@/core/document/form-document';
import { markupFaults } from '@/core/fault/markup-faults';
import { formFindingsAtOnce } from '@/core/finding/collect-findings';
import { calledBy, nameAfter } from '@/core/html/form-name';
import { formsInPage } from '@/core/html/forms-in-page';
import { pageUnderTest } from '@/core/html/page-under-test';
import { readForm } from '@/core/html/read-form';
import { predict } from '@/core/model/predict';
import { askingOf } from '@/core/questions/asking';
import { pageQuestions } from '@/core/questions/observation';
import { targetId } from '@/core/target/target';
import { askRestriction } from './fixtures/ask-restriction';

vi.mock('parse5', { spy: true });

const parsed = () => vi.mocked(parse).mock.calls.map(([markup]) => markup);
beforeEach(() => {
  vi.mocked(parse).mockClear();
});

it.each([demoForm, hurriedForm])(
  '$name is parsed once between an edit and all that is derived from it',
  (form) => {
    const edited = { ...form, markup: `${form.markup}<!-- edited -->` };
    const { markup } = edited;
    nameAfter(form.name, form.markup, markup);
    formsInPage(markup);
    calledBy(markup);
    markupFaults(markup, readForm(markup));
    formFindingsAtOnce(edited, { language: 'en-US', corrections: [] }, askRestriction);
    const asking = askingOf(markup, pageQuestions, typingTasks(edited));
    for (const target of ['chromium', 'webkit-phone'])
      predict(targetId(target), asking, '2026-11-29T00:00:00Z');
    pageUnderTest(markup);
    expect(parsed().filter((text) => text === markup)).toHaveLength(1);
    // What else is parsed is another text: the form as it was, and the page without what could run.
    expect(new Set(parsed()).size).toBe(parsed().length);
  },
);
