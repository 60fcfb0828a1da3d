/** npm run judge [-- held | pages]: holds what Ukko says of forms, of those held back, or of pages with scripts against what was expected of them, and prints precision and recall by harm. */
import { formFindingsAtOnce } from '../src/core/finding/collect-findings';
import { harms } from '../src/core/finding/finding';
import { restrictionByModel } from '../src/core/replay/restriction-by-model';
import { formsByLanguage } from '../tests/judgement/by-language';
import type { JudgedCase } from '../tests/judgement/case';
import { forms } from '../tests/judgement/forms';
import { formsFromPractice } from '../tests/judgement/from-practice';
import { heldBack } from '../tests/judgement/held-back';
import {
  type Judgement,
  judgementOf,
  ratiosOf,
  type Said,
  type Score,
  saidBy,
  sumOf,
} from '../tests/judgement/score';

const setup = { language: 'en-US', corrections: [] } as const;
const ask = restrictionByModel('2026-01-01T00:00:00Z');

function saidOf({ markup }: JudgedCase): Said[] {
  return formFindingsAtOnce({ markup, typing: {} }, setup, ask).map(saidBy);
}

const percent = (ratio: number | null) => (ratio === null ? '–' : `${(100 * ratio).toFixed(1)} %`);
const line = (name: string, score: Score) => {
  const { precision, recall } = ratiosOf(score);
  return `${name}: precision ${percent(precision)}, recall ${percent(recall)} (${score.right} right, ${score.wrong} wrong, ${score.missed} missed)`;
};

function judgeForms(cases: readonly JudgedCase[]): void {
  const judgements: Judgement[] = [];
  for (const judged of cases) {
    const judgement = judgementOf(judged, saidOf(judged));
    judgements.push(judgement);
    for (const one of judgement.wrong) console.log(`${judged.name}: wrong: ${one.join(' · ')}`);
    for (const one of judgement.missed) console.log(`${judged.name}: missed: ${one.join(' · ')}`);
  }
  const of = (harm: (typeof harms)[number]) =>
    sumOf(judgements.flatMap(({ byHarm }) => byHarm.get(harm) ?? []));
  for (const harm of harms) console.log(line(harm, of(harm)));
  console.log(line(`all ${judgements.length}`, sumOf(harms.map(of))));
}

const [sort, ...names] = process.argv.slice(2);
if (sort === 'pages') await (await import('./judge-pages')).judgePages(names);
else judgeForms(sort === 'held' ? heldBack : [...forms, ...formsByLanguage, ...formsFromPractice]);
process.exit();
