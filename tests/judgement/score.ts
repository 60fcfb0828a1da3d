import { claimCode, type Finding, type Harm, harms } from '@/core/finding/finding';
import type { Expected, JudgedCase } from './case';

/** What was said of a case. */
export type Said = Expected;

function codeOf(claim: Finding['claim']): string {
  if (claim.code === 'typed') return `typed ${claim.effect}`;
  return claim.code === 'seen' ? `seen ${claim.sight}` : claimCode({ claim });
}

/** What a finding says, as it is expected; of typing also what scripts do, of an engine what it showed. */
export function saidBy({ harm, field, claim }: Finding): Said {
  const code = codeOf(claim);
  return [harm, field?.label ?? null, code];
}

/** Counts of one harm: what was rightly said, wrongly said, and not said. */
export interface Score {
  readonly right: number;
  readonly wrong: number;
  readonly missed: number;
}

export interface Judgement {
  readonly wrong: readonly Said[];
  readonly missed: readonly Expected[];
  readonly byHarm: ReadonlyMap<Harm, Score>;
}

const key = (one: Expected) => JSON.stringify(one);

/** Holds what was said of a case against what was expected of it; what is arguable counts neither way. */
export function judgementOf(
  { must, arguable }: Pick<JudgedCase, 'must' | 'arguable'>,
  said: readonly Said[],
): Judgement {
  const expected = new Set(must.map(key));
  const told = new Set(said.map(key));
  const right = said.filter((one) => expected.has(key(one)));
  const wrong = said.filter((one) => !expected.has(key(one)) && !arguable.includes(one[2]));
  const missed = must.filter((one) => !told.has(key(one)));
  const of = (all: readonly Expected[], harm: Harm) => all.filter(([own]) => own === harm).length;
  return {
    wrong,
    missed,
    byHarm: new Map(
      harms.map((harm) => [
        harm,
        { right: of(right, harm), wrong: of(wrong, harm), missed: of(missed, harm) },
      ]),
    ),
  };
}

export function sumOf(scores: readonly Score[]): Score {
  return scores.reduce(
    (sum, { right, wrong, missed }) => ({
      right: sum.right + right,
      wrong: sum.wrong + wrong,
      missed: sum.missed + missed,
    }),
    { right: 0, wrong: 0, missed: 0 },
  );
}

/** Of what was said, how much is so; of what is so, how much was said. Null where there is nothing to be counted. */
export function ratiosOf({ right, wrong, missed }: Score): {
  readonly precision: number | null;
  readonly recall: number | null;
} {
  return {
    precision: right + wrong === 0 ? null : right / (right + wrong),
    recall: right + missed === 0 ? null : right / (right + missed),
  };
}
