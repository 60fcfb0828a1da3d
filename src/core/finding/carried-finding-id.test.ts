import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import kept from '../../../tests/fixtures/files/finding-ids-0.1.json';
import keptOfRules from '../../../tests/fixtures/files/rule-finding-ids-0.1.json';
import { told } from '../../../tests/fixtures/told-finding';
import type { FormDocument } from '../document/form-document';
import { readForm } from '../html/read-form';
import { carriedFindingId } from './carried-finding-id';
import { formFindingsAtOnce } from './collect-findings';
import { type FindingId, findingId } from './finding';
import { markupFindings } from './markup-findings';

const today = (markup: string) => markupFindings(markup, readForm(markup).fields).map(({ id }) => id);

describe('ids of version 0.1, which held sentences', () => {
  /** What was said then and is not any more: a rule about what everybody knows how to write needs no hint. A secret by GET was not told. */
  const notSaidAnyMore = new Set(['["markup","pattern without a hint","email"]']);

  it.each(kept)('are those of today, finding by finding: $markup', ({ markup, ids }) => {
    const carried = ids.map((id) => carriedFindingId(id as FindingId));
    const known = today(markup).filter((id) => !id.includes('"secret in the address"'));
    expect(carried.filter((id) => !notSaidAnyMore.has(id))).toEqual(known);
  });

  it.each(keptOfRules)('are those of today, by rule: $ids', ({ markup, typing, ids }) => {
    const form = { markup, typing: typing as unknown as FormDocument['typing'] };
    const now = formFindingsAtOnce(form, { language: 'en-US', corrections: [] }, askRestriction).map(
      ({ id }) => id,
    );
    const carried = ids.map((id) => carriedFindingId(id as FindingId));
    expect(now.filter((id) => /^\["(?:guard|action key)"/.test(id))).toEqual(carried);
    for (const id of carried) expect(carriedFindingId(id)).toBe(id);
  });

  it.each([
    ['The action key puts a newline, and the form has no button that sends it.', 'newline only'],
    [
      'This keyboard has no key to go on with: the person has to tap beside the field to get rid of it.',
      'no action key',
    ],
  ])('of an action key had its sentence: %s', (sentence, code) => {
    expect(carriedFindingId(findingId('action key', 'a', sentence))).toBe(findingId('action key', 'a', code));
    expect(carriedFindingId(findingId('action key', 'a', code))).toBe(findingId('action key', 'a', code));
  });

  it('are left alone where it cannot be told what they were about', () => {
    const id = findingId('markup', 'hint as value', 'a', 'words of somebody');
    expect(carriedFindingId(id)).toBe(id);
  });
});

describe('ids of today', () => {
  it('stay what they are', () => {
    for (const { markup } of kept) for (const id of today(markup)) expect(carriedFindingId(id)).toBe(id);
  });

  it('are carried once, whatever they say', () => {
    const word = fc.oneof(
      fc.string(),
      fc.constantFrom(...kept.flatMap(({ ids }) => ids.flatMap((id) => JSON.parse(id) as string[]))),
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(word, { maxLength: 6 }).map((parts) => JSON.stringify(parts)),
        ),
        (text) => {
          const once = carriedFindingId(text as FindingId);
          expect(carriedFindingId(once)).toBe(once);
        },
      ),
    );
  });

  it('hold no word of what is said, and nothing of what a field is called', () => {
    for (const { markup } of kept)
      for (const { id, says, field } of markupFindings(markup, readForm(markup).fields).map(told)) {
        const renamed = markup.replaceAll(field?.label ?? '\0', 'Renamed field');
        expect(id).not.toContain(says);
        if (
          readForm(renamed)
            .fields.map(({ id: one }) => one)
            .join() ===
          readForm(markup)
            .fields.map(({ id: one }) => one)
            .join()
        )
          expect(today(renamed)).toContain(id);
      }
  });
});
