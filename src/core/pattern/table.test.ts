import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  acceptsText,
  classOf,
  type Draft,
  dead,
  intervalOf,
  stateAfter,
  stateCount,
  step,
  type Table,
  tableOf,
} from './table';
import { edgesOf, shortestFrom, shortestText, shortestTo, typicalTexts } from './texts';

/** Where characters begin to differ in the drafts; one character of each. */
const bounds = [0, 0x61, 0x62, 0x80, 0x10000] as const;
const characters = ['!', 'a', 'b', 'é', '😀'] as const;

/** Tables as they may be drawn up: with states that are the same, that nothing leads to, and that lead nowhere. */
const drafts = fc.integer({ min: 1, max: 6 }).chain((count) =>
  fc.record({
    bounds: fc.constant(bounds),
    next: fc.array(
      fc.array(fc.integer({ min: dead, max: count - 1 }), {
        minLength: bounds.length,
        maxLength: bounds.length,
      }),
      { minLength: count, maxLength: count },
    ),
    accepts: fc.array(fc.boolean(), { minLength: count, maxLength: count }),
    start: fc.integer({ min: dead, max: count - 1 }),
  }),
);

/** What a draft says of a text, by following it. */
function follow({ next, accepts }: Draft, from: number, letters: readonly number[]): boolean {
  let state = from;
  for (const letter of letters) state = state === dead ? dead : (next[state]?.[letter] ?? dead);
  return state !== dead && accepts[state] === true;
}

/** All rows of so many letters and fewer. */
function rows(most: number): number[][] {
  const shorter = most === 0 ? [] : rows(most - 1);
  const longest = shorter.filter(({ length }) => length === most - 1);
  return most === 0
    ? [[]]
    : [...shorter, ...longest.flatMap((row) => characters.map((_, one) => [...row, one]))];
}
const short = rows(3);
const written = (letters: readonly number[]) => letters.map((one) => characters[one]).join('');

/** States of a draft that its start leads to, by what they accept: as many letters as there are states tell any two apart. */
function languages(draft: Draft): Set<string> {
  const reached = new Set(draft.start === dead ? [] : [draft.start]);
  for (const state of reached) for (const to of draft.next[state] ?? []) if (to !== dead) reached.add(to);
  // By refinement: states are alike as long as nothing that follows tells them apart.
  let kinds = draft.accepts.map((is) => `${is}`);
  for (let round = 0; round < draft.next.length; round++) {
    const told = kinds.map(
      (kind, state) => `${kind}(${draft.next[state]?.map((to) => (to === dead ? '' : kinds[to])).join()})`,
    );
    const names = [...new Set(told)];
    kinds = told.map((one) => `${names.indexOf(one)}`);
  }
  const isAlive = (state: number) => fewest(draft, state) !== null;
  return new Set([...reached].filter(isAlive).map((state) => kinds[state] as string));
}

/** UTF-16 code units to an accepted text, tried out. */
function fewest(draft: Draft, from: number): number | null {
  const best = draft.accepts.map((is) => (is ? 0 : Number.POSITIVE_INFINITY));
  for (let round = 0; round < 2 * best.length; round++)
    for (const [state, row] of draft.next.entries())
      for (const [one, to] of row.entries())
        if (to !== dead)
          best[state] = Math.min(best[state] as number, (best[to] as number) + (one === 4 ? 2 : 1));
  const found = best[from] ?? Number.POSITIVE_INFINITY;
  return Number.isFinite(found) ? found : null;
}

describe('a table', () => {
  it('accepts what its draft accepts', () => {
    fc.assert(
      fc.property(drafts, (draft) => {
        const table = tableOf(draft);
        for (const letters of short)
          expect([letters, acceptsText(table, written(letters))]).toEqual([
            letters,
            follow(draft, draft.start, letters),
          ]);
      }),
    );
  });

  it('has a state for each thing that may follow, from the start on, and none from which nothing is accepted', () => {
    fc.assert(
      fc.property(drafts, (draft) => {
        const table = tableOf(draft);
        expect(stateCount(table)).toBe(languages(draft).size);
        const isNone = fewest(draft, draft.start) === null;
        expect(table.start).toBe(isNone ? dead : 0);
        expect(table.toEnd.length).toBe(stateCount(table));
        if (!isNone) expect(table.toEnd[0]).toBe(fewest(draft, draft.start));
      }),
    );
  });

  it('tells no characters apart that are alike to all states, and knows the class of each', () => {
    fc.assert(
      fc.property(drafts, (draft) => {
        const { bounds: own, classes, classCount, next, ascii } = tableOf(draft);
        const columns = Array.from({ length: classCount }, (_, one) =>
          next.filter((_to, place) => place % classCount === one).join(),
        );
        expect(new Set(columns).size).toBe(columns.length);
        expect(own[0]).toBe(0);
        for (let interval = 1; interval < own.length; interval++)
          expect(classes[interval]).not.toBe(classes[interval - 1]);
        const table = tableOf(draft);
        for (const code of [0, 0x60, 0x61, 0x62, 0x63, 0x7f]) expect(classOf(table, code)).toBe(ascii[code]);
        for (const code of [0, 0x61, 0x7f, 0x80, 0xffff, 0x10000, 0x10ffff])
          expect(classOf(table, code)).toBe(classes[intervalOf(own, code)]);
      }),
    );
  });

  it('finds the interval of a code point, its bounds included', () => {
    const own = Uint32Array.from([0, 5, 6, 100]);
    expect([0, 4, 5, 6, 7, 99, 100, 101].map((code) => intervalOf(own, code))).toEqual([
      0, 0, 1, 2, 2, 2, 3, 3,
    ]);
    expect(intervalOf(Uint32Array.from([0]), 7)).toBe(0);
  });

  it('goes on from any state, and from none nowhere; a pair of surrogates is one character', () => {
    const table = tableOf({
      bounds: [0, 0x10000],
      next: [
        [0, 1],
        [dead, dead],
      ],
      accepts: [false, true],
      start: 0,
    });
    expect(stateAfter(table, 'x😀')).toBe(1);
    expect(stateAfter(table, 'x😀y')).toBe(dead);
    expect(stateAfter(table, '\ud83d')).toBe(0);
    expect(stateAfter(table, '', 1)).toBe(1);
    expect(step(table, dead, 0x61)).toBe(dead);
  });

  it('shares the classes that its draft names', () => {
    const draft = {
      bounds: [0, 0x61, 0x62, 0x63],
      classes: [0, 1, 0, 1],
      next: [
        [dead, 1],
        [dead, dead],
      ],
      accepts: [false, true],
      start: 0,
    };
    const table = tableOf(draft);
    expect(['a', 'c', 'b', '!'].map((text) => acceptsText(table, text))).toEqual([true, true, false, false]);
    expect(table.classCount).toBe(2);
  });
});

/** Those that accept something. */
const tables: fc.Arbitrary<Table> = drafts.map(tableOf).filter(({ start }) => start !== dead);

describe('texts of a table', () => {
  it('the shortest is accepted, and as short as can be', () => {
    fc.assert(
      fc.property(tables, (table) => {
        for (const [state, units] of table.toEnd.entries()) {
          const text = shortestFrom(table, state) ?? 'none';
          expect(text.length).toBe(units);
          expect(table.accepts[stateAfter(table, text, state)]).toBe(1);
        }
        expect(shortestText(table)).toBe(shortestFrom(table, 0));
        expect(shortestFrom(table, dead)).toBeNull();
      }),
    );
  });

  it('lead to every state, with as few characters as can be', () => {
    fc.assert(
      fc.property(tables, (table) => {
        const found = shortestTo(table);
        expect(found.size).toBe(stateCount(table));
        expect(found.get(0)).toBe('');
        for (const [state, text] of found) {
          expect(stateAfter(table, text)).toBe(state);
          for (const { to } of edgesOf(table, state))
            expect([...(found.get(to) as string)].length).toBeLessThanOrEqual([...text].length + 1);
        }
      }),
    );
    expect(shortestTo(tableOf({ bounds: [0], next: [[dead]], accepts: [false], start: 0 }))).toEqual(
      new Map(),
    );
  });

  it('lead along edges that together are all characters that lead on, none from one code unit to two', () => {
    fc.assert(
      fc.property(tables, fc.integer({ min: 0, max: 0x10ffff }), (table, code) => {
        for (const state of table.accepts.keys()) {
          const all = edgesOf(table, state).filter(({ min, max }) => min <= code && code <= max);
          const to = step(table, state, code);
          expect(all.map((edge) => edge.to)).toEqual(to === dead ? [] : [to]);
          for (const { min, max } of edgesOf(table, state)) expect(min > 0xffff).toBe(max > 0xffff);
        }
      }),
    );
  });

  it('that are typical are accepted, each once, the shortest first, no more than are asked for, and always the same', () => {
    fc.assert(
      fc.property(tables, fc.integer({ min: 1, max: 8 }), (table, most) => {
        const found = typicalTexts(table, most);
        expect(found.length).toBeLessThanOrEqual(most);
        expect(found).toContain(shortestText(table));
        expect(new Set(found).size).toBe(found.length);
        for (const text of found) expect([text, acceptsText(table, text)]).toEqual([text, true]);
        expect(found).toEqual([...found].sort((a, b) => a.length - b.length || (a < b ? -1 : 1)));
        expect(typicalTexts(table, most)).toEqual(found);
      }),
    );
    expect(typicalTexts(tableOf({ bounds: [0], next: [[dead]], accepts: [false], start: 0 }), 3)).toEqual([]);
  });
});
