import { describe, expect, it } from 'vitest';
import { fieldId } from '../html/field';
import { readForm } from '../html/read-form';
import type { FieldEntry } from '../observation/field-entry';
import type { Outcome } from '../observation/outcome';
import type { Measured, Modelled, Provenance } from '../observation/provenance';
import type { Observation } from '../questions/observation';
import { findTarget } from '../target/line-up';
import { targetId } from '../target/target';
import { askedText, formGapTexts, gapText } from '../words/coverage-words';
import { coverageOf } from './coverage';

const { fields } = readForm(
  '<form><label>Name <input name=a></label><label>Code <input name=b></label><input type=hidden name=c><button name=go>Go</button></form>',
);
const [chromium, firefox] = ['chromium', 'firefox'].map((id) => targetId(id));
const targets = [chromium, firefox].flatMap((id) => (id && findTarget(id)) ?? []);
const lineUp = { targets, reference: targetId('chromium') };
const measured: Measured = {
  mark: 'measured',
  engine: 'E',
  version: '1',
  protocol: 'p',
  unable: [],
};
const modelled: Modelled = { mark: 'modelled', model: 'm', source: 's' };

const bubble = (
  field: string,
  target: string,
  outcome: Outcome<never>,
  provenance: Provenance = measured,
): Observation =>
  ({
    field: fieldId(field),
    target: targetId(target),
    provenance,
    at: '2026-01-01T00:00:00Z',
    question: 'bubble',
    outcome,
  }) as Observation;
const answered = { status: 'answered', facts: {} } as unknown as Outcome<never>;
const because = (code: 'no room' | 'nothing opens' | 'page sees no windows'): Outcome<never> => ({
  status: 'inapplicable',
  reason: { code },
});
const filled = (target: string, entries: readonly FieldEntry[]): Observation =>
  ({
    ...bubble('go', target, answered),
    question: 'submission',
    outcome: { status: 'answered', facts: { entries } },
  }) as unknown as Observation;

function told(observations: readonly Observation[]): string[] {
  return coverageOf(fields, lineUp, observations).map(
    (one) => `${one.field.name}: ${[askedText(one), ...one.gaps.map(gapText)].join(' | ')}`,
  );
}

describe('what was covered', () => {
  it.each([
    ['editable', 'Story', 'Story: editable content, which is not asked.'],
    ['frame', '', 'Without a name: a frame with a page of its own, which is not asked.'],
  ] as const)('leaves out %s “%s”, and says so', (sort, label, expected) => {
    const page = { address: 'http://localhost/', form: 0, steps: '', unread: [{ sort, label }] };
    expect(formGapTexts({ markup: '', page })).toEqual([expected]);
  });

  it.each([
    ['<html lang=de><input name=a>', 0],
    ['<input name=a lang=de><input name=b lang=fi>', 0],
    ['<input name=a lang=de><input name=b>', 1],
    ['<html lang=""><input name=a>', 1],
    ['<input name=a>', 1],
    ['<p>no field</p>', 0],
  ])('says of %s where nobody knows in which language it is filled in', (markup, told) => {
    const texts = formGapTexts({ markup });
    expect(texts).toHaveLength(told);
    for (const text of texts) expect(text).toMatch(/^No lang is stated/);
  });

  it('says what was said of people where the page says nothing', () => {
    expect(formGapTexts({ markup: '<input name=a>', language: 'pt-BR' })).toEqual([
      'No lang is stated, on the page or on all of its fields: people are taken to write Brazilian Portuguese, as was said of them.',
    ]);
    expect(formGapTexts({ markup: '<input name=a lang=de>', language: 'pt-BR' })).toEqual([]);
  });

  it('counts the targets that answered, by how it is known, and names fields that nobody asked', () => {
    expect(
      told([
        bubble('a', 'chromium', answered),
        bubble('a', 'firefox', answered, modelled),
        bubble('b', 'chromium', answered),
        bubble('b', 'firefox', answered),
        bubble('b', 'nobody', answered),
      ]),
    ).toEqual([
      'a: 1 target measured, 1 modelled',
      'b: 2 targets measured',
      'go: No target answered. | It was not asked.',
    ]);
  });

  it('says what kept a question from being asked, once for each reason; an answer and an observer’s limits are no gap', () => {
    expect(
      told([
        bubble('a', 'chromium', because('no room')),
        bubble('a', 'firefox', because('no room')),
        bubble('b', 'chromium', because('nothing opens')),
        bubble('b', 'firefox', because('page sees no windows')),
        bubble('go', 'chromium', { status: 'failed', failure: { code: 'mistake', said: 'x' } }),
      ]),
    ).toEqual([
      'a: No target answered. | No answer about bubble in Chromium and Firefox: It takes no room in the page.',
      'b: No target answered.',
      expect.stringMatching(/^go: No target answered\. \| No answer about bubble in Chromium: /),
    ]);
  });

  it('names the fields in what a field opens, which nobody asks', () => {
    const opened = (target: string, fieldsInside?: string[]) =>
      ({
        ...bubble('a', target, answered),
        question: 'opening',
        outcome: {
          status: 'answered',
          facts: {
            opened: 'ArrowDown',
            tried: [],
            popUp: null,
            leaves: [],
            picture: null,
            ...(fieldsInside && { fieldsInside }),
          },
        },
      }) as Observation;
    const [first] = told([opened('chromium', ['Find a tide', '']), opened('firefox', ['Find a tide', ''])]);
    expect(first).toBe(
      'a: 2 targets measured | What it opens in Chromium and Firefox has “Find a tide” and a field without a name in it, not asked.',
    );
    expect(told([opened('chromium')])[0]).toBe('a: 1 target measured');
  });

  it('says by which routes a field was filled, and where nobody could', () => {
    const by = (route: 'keys' | 'script'): FieldEntry => ({
      field: fieldId('a'),
      status: 'entered',
      by: route,
      tried: 'x',
      became: 'x',
    });
    const left: FieldEntry = { field: fieldId('b'), status: 'left', why: 'read only' };
    expect(
      told([
        bubble('a', 'chromium', answered),
        bubble('b', 'chromium', answered),
        filled('chromium', [by('keys'), left]),
        filled('chromium', [by('keys'), left]),
        filled('firefox', [by('script'), left]),
      ]),
    ).toEqual([
      'a: 1 target measured; filled by keys and by a script',
      'b: 1 target measured | Not filled in Chromium and Firefox: It is read-only.',
      'go: 2 targets measured',
    ]);
  });
});
