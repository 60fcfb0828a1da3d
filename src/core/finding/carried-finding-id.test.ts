import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import kept from '../../../tests/fixtures/files/finding-ids-0.1.json';
import keptOfRules from '../../../tests/fixtures/files/rule-finding-ids-0.1.json';
import { told } from '../../../tests/fixtures/told-finding';
import type { FormDocument } from '../document/form-document';
import { readForm } from '../html/read-form';
import { carriedDecisions, carriedFindingId } from './carried-finding-id';
import { carriedRuleName } from './carried-rule-name';
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

describe('what is no id of version 0.1', () => {
  it.each([
    findingId('markup', 'no name', 'a'),
    findingId('markup', 'no name', 'a', 'A has no name, so nothing of it is sent.', 'more'),
    findingId('markup', 'constructor', 'a', 'text'),
    findingId('markup', 'duplicate id', '', 'The identity “a” is there twice'),
    findingId('guard', 'past', 'a', 'only ASCII digits'),
    findingId('guard', 'past', 'a', 'only ASCII digits', 'key', 'more'),
    findingId('guard', 'rests', 'a', 'only ASCII digits', 'key'),
    findingId('guard', 'past', 'a', 'a name of its own', 'key'),
    findingId('action', 'a', 'The action key puts a newline, and the form has no button that sends it.'),
    findingId('action key', 'a', 'Something else.'),
    '["markup",1,"a","text"]',
    '["markup","duplicate id",1,"The id “a” is there twice"]',
    '{"0":"markup"}',
    '"markup"',
    'markup',
    '',
  ])('%s stays as it is', (id) => {
    expect(carriedFindingId(id as FindingId)).toBe(id);
  });

  it('is told from one: a guard that was got past, and one that blocked', () => {
    for (const found of ['past', 'blocks'])
      expect(carriedFindingId(findingId('guard', found, 'a', 'only ASCII digits', 'key'))).toBe(
        findingId('guard', found, 'a', 'allow', 'ASCII digits', 'key'),
      );
    const empty = findingId('markup', 'label for nothing', '', 'A label is tied to nothing.');
    expect(carriedFindingId(empty)).toBe(findingId('markup', 'label for nothing', '', ''));
  });
});

describe('names of guards in version 0.1', () => {
  it.each([
    ['only nothing', ['allow']],
    ['no ASCII digits, x, y', ['deny', 'ASCII digits', 'x, y']],
    ['only -+', ['allow', '-+']],
    ['at most 1 code unit', ['length', '1', 'code units']],
    ['at most 12 graphemes', ['length', '12', 'graphemes']],
    ['at most 2 decimals', ['decimals', '', '2']],
    ['at most 5 whole digits, at most 1 decimal', ['decimals', '5', '1']],
    ['a number from anywhere to 8', ['range', '', '8']],
    ['a number from -3 to anywhere', ['range', '-3', '']],
    ['all of it matches a\nb', ['pattern', 'whole', 'a\nb']],
    ['some part matches x', ['pattern', 'part', 'x']],
    ['none of 3 words', ['words', 'none of']],
    ['one of 1 words', ['words', 'one of']],
    ['a real date, dd.mm.yyyy', ['date', 'dd.mm.yyyy']],
    ['check digit, mod 97', ['check digit', 'mod 97']],
    ['upper case', ['case', 'upper']],
    ['mask 00-AA', ['mask', '00-AA']],
    ['at most 2 decimals or so', null],
    ['middle case', null],
    ['', null],
  ])('%s told %j', (name, told) => {
    expect(carriedRuleName(name)).toEqual(told);
  });
});

describe('decisions of version 0.1', () => {
  const decision = (text: string, at: string, reason = '') => ({
    finding: findingId('markup', 'no name', 'a', ...(text ? [text] : [])),
    kind: 'accept' as const,
    reason,
    at,
  });
  it('go with their findings, the latest last, those of one moment as they were', () => {
    const [later, old, same] = [
      decision('', '2026-03-02T00:00:00Z', 'later'),
      decision('A has no name.', '2026-03-01T00:00:00Z', 'old'),
      decision('', '2026-03-02T00:00:00Z', 'same'),
    ];
    expect(carriedDecisions([later, old, same])).toEqual([
      { ...old, finding: findingId('markup', 'no name', 'a') },
      later,
      same,
    ]);
    expect(carriedDecisions([])).toEqual([]);
  });
});
