import { afterEach, expect, it, vi } from 'vitest';
import { demoForm, hurriedForm } from '@/core/demo/demo-forms';
import type { FormDocument } from '@/core/document/form-document';
import { htmlReport } from '@/core/report/html-report';
import { jsonReport } from '@/core/report/json-report';
import { byHarm, sinceBaseline } from '@/core/report/report';
import { claimWords } from '@/core/words/claim-words';
import { differenceWords } from '@/core/words/difference-words';
import { causeText, setupWords } from '@/core/words/drift-words';
import { proofWords } from '@/core/words/proof-words';
import kept from './fixtures/files/finding-ids-0.1.json';
import { reportOf, runOf } from './fixtures/reports';

vi.mock('@/core/words/claim-words', { spy: true });
vi.mock('@/core/words/difference-words', { spy: true });
vi.mock('@/core/words/drift-words', { spy: true });
vi.mock('@/core/words/proof-words', { spy: true });
afterEach(() => {
  vi.resetAllMocks();
});

/** What people read in a report, by the names under which it stands there. */
const texts = ['says', 'why', 'remedy', 'details', 'text', 'before', 'differences'];

/** A report without what people read in it. */
const wordless = (report: string) =>
  JSON.parse(report, (name, value) => (texts.includes(name) ? undefined : value));

const sayings = (report: string) =>
  (JSON.parse(report) as { findings: { says: string }[] }).findings.map(({ says }) => says);

/** A report of the form after an edit, with a baseline. */
function reported(form: FormDocument) {
  const before = runOf({ ...form, markup: `<input name=spare>${form.markup}` }, false);
  return reportOf(runOf(form), before);
}

it.each([demoForm, hurriedForm, ...kept.map(({ markup }) => ({ ...demoForm, markup, typing: {} }))])(
  'other words change words alone: $markup',
  (form) => {
    const before = reported(form);
    const told = jsonReport(before);
    vi.mocked(claimWords).mockImplementation(({ code }) => ({
      says: `${code.toUpperCase()}!`,
      why: 'Because.',
      remedy: 'Do it.',
    }));
    vi.mocked(proofWords).mockReturnValue('So it is.');
    vi.mocked(differenceWords).mockReturnValue('Other.');
    vi.mocked(setupWords).mockReturnValue('Set up.');
    vi.mocked(causeText).mockReturnValue('why not');
    const after = reported(form);
    // Which findings there are, how bad they are, what was decided, what is new.
    expect(after.findings).toEqual(before.findings);
    expect(byHarm(after.findings).map(({ harm }) => harm)).toEqual(
      byHarm(before.findings).map(({ harm }) => harm),
    );
    expect(after.findings.map((one) => sinceBaseline(after, one))).toEqual(
      before.findings.map((one) => sinceBaseline(before, one)),
    );
    expect(sayings(jsonReport(after)).every((says) => says.endsWith('!'))).toBe(true);
    expect(wordless(jsonReport(after))).toEqual(wordless(told));
    const page = htmlReport(after);
    for (const says of sayings(told)) expect(page).not.toContain(says);
  },
);
