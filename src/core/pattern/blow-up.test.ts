import { describe, expect, it } from 'vitest';
import { growthOf, slowTexts, textsOver } from './blow-up';
import type { SlowText } from './slow-text';

const over = (source: string, ambiguities?: Parameters<typeof slowTexts>[1]) =>
  slowTexts(source, ambiguities).map(({ before, again, after }) => `${before}|${again}|${after}`);
const ended = (before: string, again: string) =>
  ['!', '', '@', '\u0001'].map((end) => `${before}|${again}|${end}`);

describe('texts over which a matcher may take long', () => {
  it('are each repeated piece as it is, and the shortest piece of which it is made', () => {
    const texts = (again: string) =>
      textsOver({ grows: 'exponentially', before: 'x', again }).map(
        (one) => `${one.before}|${one.again}|${one.after}`,
      );
    expect(texts('abab')).toEqual([...ended('x', 'ab'), ...ended('x', 'abab')]);
    expect(texts('aab')).toEqual(ended('x', 'aab'));
    expect(texts('a')).toEqual(ended('x', 'a'));
  });

  it('stand behind the shortest text that leads to each part that is repeated without end, or twenty times', () => {
    expect(over('x{2}(?:ab)*', [])).toEqual(ended('xx', 'ab'));
    expect(over('a{0,19}b', [])).toEqual([]);
    expect(over('a{0,20}b', [])).toEqual(ended('', 'a'));
    expect(over('[A-Z](?:b+|c)d+', [])).toEqual([...ended('A', 'b'), ...ended('Ab', 'd')]);
  });

  it('are looked for in what is repeated, and in what looks ahead', () => {
    expect(over('(?:ab*){2}', [])).toEqual(ended('a', 'b'));
    expect(over('(?=ab*)x', [])).toEqual(ended('a', 'b'));
  });

  it('of a choice are first those that two of its ways take', () => {
    expect(over('(?:[ab]|[bc]|[cd])*', []).slice(0, 8)).toEqual([...ended('', 'b'), ...ended('', 'c')]);
    // Nothing that is empty is repeated.
    expect(over('(?:a?|b?)*', []).every((text) => !text.includes('||'))).toBe(true);
  });

  it('begin with those of known ambiguities, and are forty at most', () => {
    const known = { grows: 'exponentially', before: 'q', again: 'r' } as const;
    expect(over('a*', [known])).toEqual([...ended('q', 'r'), ...ended('', 'a')]);
    expect(over('(?:a*b*c*d*e*f*g*)(?:h*i*j*k*l*m*n*)', [known])).toHaveLength(40);
    expect(over('(', [known])).toEqual([]);
  });
});

const text: SlowText = { before: '', again: 'a', after: '!' };
const later = () => Date.now() + 60_000;
/** A matcher that takes so long over so many pieces, ms. */
const taking = (ms: (pieces: number) => number) => {
  const asked: number[] = [];
  const time = (long: string) => {
    asked.push(long.length - 1);
    return ms(long.length - 1);
  };
  return { asked, time };
};

describe('how the time of a matcher grows', () => {
  it('doubles with a few pieces more: measuring ends where it is slow', async () => {
    const { asked, time } = taking((pieces) => 2 ** pieces / 10_000);
    const { grows, took } = await growthOf(text, time, later());
    expect(grows).toBe('doubles');
    expect([...new Set(asked)]).toEqual([6, 9, 12, 15, 18]);
    expect(took.at(-1)).toEqual([18, 2 ** 18 / 10_000]);
  });

  it('is a power where many pieces make it slow', async () => {
    const { asked, time } = taking((pieces) => pieces ** 2 / 10_000);
    const { grows, took } = await growthOf(text, time, later());
    expect(grows).toBe('with a power');
    expect([...new Set(asked)].slice(-4)).toEqual([100, 200, 400, 800]);
    expect(took[0]).toEqual([50, 0.25]);
  });

  it('is no fault in proportion to the length, however long the text gets', async () => {
    const { asked, time } = taking((pieces) => pieces / 1000);
    const { grows, took } = await growthOf(text, time, later());
    expect(grows).toBe('in proportion');
    expect(asked.at(-1)).toBe(25_600);
    expect(took).toHaveLength(21);
    expect((await growthOf(text, taking((pieces) => pieces / 100).time, later())).grows).toBe(
      'in proportion',
    );
  });

  it('is not measured over many pieces where few are slow from the beginning', async () => {
    const { asked, time } = taking(() => 25);
    expect(await growthOf(text, time, later())).toMatchObject({ grows: 'in proportion', took: [[6, 25]] });
    expect(asked).toEqual([6, 6, 6]);
  });

  it('is no fault where the machine did something else once or twice: what is slow is asked again', async () => {
    const busyAt = (times: number, ms: number) => {
      let count = 0;
      return taking((pieces) => (pieces === 12 && count++ < times ? ms : 0));
    };
    for (const times of [1, 2]) {
      const { asked, time } = busyAt(times, 30);
      expect((await growthOf(text, time, later())).took).toContainEqual([12, 0]);
      expect(asked.filter((pieces) => pieces === 12)).toHaveLength(times + 1);
    }
    const slow = busyAt(3, 30);
    expect(await growthOf(text, slow.time, later())).toMatchObject({ grows: 'doubles' });
    // Nobody waits twice for what takes a quarter of a second.
    const endless = busyAt(1, 250);
    expect(await growthOf(text, endless.time, later())).toMatchObject({ grows: 'doubles' });
    expect(endless.asked.filter((pieces) => pieces === 12)).toHaveLength(1);
  });

  it('is measured until the time is over', async () => {
    const { asked, time } = taking(() => 0);
    expect(await growthOf(text, time, Date.now() - 1)).toMatchObject({ grows: 'in proportion', took: [] });
    expect(asked).toEqual([]);
  });
});
