import { type Part, takingParts } from './parts';

/** Which part of a pattern took each character of a text, as far as it goes. */
export interface PathThrough {
  /** By character (code points), the id of the part that took it. */
  readonly parts: readonly number[];
  /** Ids of the parts that can take the next character. */
  readonly next: ReadonlySet<number>;
  /** All of the text was taken, and the pattern may end here. */
  readonly isWhole: boolean;
}

type Step =
  | { readonly does: 'take'; readonly part: number; readonly is: RegExp; to: number }
  | { readonly does: 'fork'; readonly to: number[] }
  | { readonly does: 'end' };

/** How often a part is drawn out one behind the other, counts within counts multiplied; more often it may be taken any number of times. */
const mostDrawn = 200;

/** The way of texts through the parts of a pattern. What looks ahead or back is passed by: this shows, it does not judge. */
export function pathFinder(rows: readonly (readonly Part[])[]): (text: string) => PathThrough {
  const steps: Step[] = [];
  const add = (step: Step): number => steps.push(step) - 1;
  const end = add({ does: 'end' });
  const start = anyOf(rows, end, 1);

  function anyOf(all: readonly (readonly Part[])[], to: number, drawn: number): number {
    return add({
      does: 'fork',
      to: all.map((row) => row.reduceRight((next, part) => one(part, next, drawn), to)),
    });
  }
  /** @param drawn how often the part is drawn for the counts around it */
  function one(part: Part, to: number, drawn: number): number {
    switch (part.is) {
      case 'set':
        return add({ does: 'take', part: part.id, is: new RegExp(`^(?:${part.raw})$`, 'v'), to });
      case 'choice':
        return anyOf(part.rows, to, drawn);
      case 'times':
        return repeated(part, to, drawn);
      case 'place':
      case 'look':
      case 'again':
        return to;
    }
  }
  function repeated({ part, min, max }: Extract<Part, { is: 'times' }>, to: number, drawn: number): number {
    const room = Math.max(1, Math.floor(mostDrawn / drawn));
    const first = Math.min(min, room);
    const isLoop = max === null || max > room;
    const within = drawn * Math.max(1, isLoop ? first + 1 : max);
    let next = to;
    if (isLoop) {
      const fork = add({ does: 'fork', to: [] });
      (steps[fork] as { to: number[] }).to.push(one(part, fork, within), to);
      next = fork;
    } else
      for (let time = min; time < max; time++)
        next = add({ does: 'fork', to: [one(part, next, within), to] });
    for (let time = 0; time < first; time++) next = one(part, next, within);
    return next;
  }

  /** Steps at which the text stands, each with the one from which it was reached. */
  type Places = Map<number, { readonly from: number | null }>;
  const opened = (froms: readonly (readonly [number, number | null])[]): Places => {
    const places: Places = new Map();
    // The last one first: ways that come first in the pattern win.
    const waiting = [...froms].reverse();
    for (let item = waiting.pop(); item; item = waiting.pop()) {
      const [at, from] = item;
      if (places.has(at)) continue;
      places.set(at, { from });
      const step = steps[at];
      if (step?.does === 'fork') for (const to of step.to.toReversed()) waiting.push([to, from]);
    }
    return places;
  };

  return (text) => {
    const layers: Places[] = [opened([[start, null]])];
    for (const character of text) {
      const before = layers.at(-1) as Places;
      const reached = [...before.keys()].flatMap((at): [number, number][] => {
        const step = steps[at];
        return step?.does === 'take' && step.is.test(character) ? [[step.to, at]] : [];
      });
      if (reached.length === 0) break;
      layers.push(opened(reached));
    }
    const last = layers.at(-1) as Places;
    const isAll = layers.length - 1 === Array.from(text).length;
    const parts: number[] = [];
    let at: number | null = last.has(end) ? end : ([...last.keys()][0] ?? null);
    for (let layer = layers.length - 1; layer > 0 && at !== null; layer--) {
      const taken: number | null = layers[layer]?.get(at)?.from ?? null;
      const step = taken === null ? undefined : steps[taken];
      if (step?.does === 'take') parts.unshift(step.part);
      at = taken;
    }
    const next = [...last.keys()].flatMap((place) => {
      const step = steps[place];
      return step?.does === 'take' ? [step.part] : [];
    });
    return { parts, next: new Set(next), isWhole: isAll && last.has(end) };
  };
}

/** Ids of the parts that no text went through; of texts that the pattern does not take as a whole nothing counts. */
export function untouchedParts(rows: readonly (readonly Part[])[], texts: readonly string[]): number[] {
  const find = pathFinder(rows);
  const touched = new Set(
    texts.flatMap((text) => {
      const { parts, isWhole } = find(text);
      return isWhole ? parts : [];
    }),
  );
  return takingParts(rows).flatMap(({ id }) => (touched.has(id) ? [] : [id]));
}
