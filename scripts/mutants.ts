/**
 * npm run mutants [-- FOLDER[/FILE]…]: changes the code of folders of src/core a little, one change at a time, and prints how many of the
 * changes the folder's own tests notice; of a file, or of all files whose names begin so, alone where one is named. The changes that they
 * did not notice are listed in tmp/mutants-FOLDER[-FILE].txt.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { Stryker } from '@stryker-mutator/core';

const folders = ['script', 'guard', 'replay', 'html', 'finding', 'standard', 'pattern'];

type Mutant = Awaited<ReturnType<Stryker['runMutationTest']>>[number];

/** Changes that some test noticed, by failing or by never ending, of those that it ran over. */
interface Score {
  readonly noticed: number;
  readonly made: number;
}

/** @param asked a folder, or the beginning of the name of files in one */
async function scoreOf(asked: string): Promise<Score> {
  const [folder = '', ...file] = asked.split('/');
  const name = asked.replaceAll('/', '-');
  // What the tests are is read by their configuration, in processes of their own.
  process.env.UKKO_MUTANTS = folder;
  const results = await new Stryker({
    mutate: [
      `src/core/${folder}/${file.length > 0 ? `${file.join('/')}*` : '**/*'}.ts`,
      '!src/core/**/*.test.ts',
      '!src/core/**/*-schema.ts',
    ],
    incrementalFile: `tmp/mutants-${name}.json`,
  }).runMutationTest();
  const unnoticed = results.filter(({ status }) => status === 'Survived' || status === 'NoCoverage');
  writeFileSync(`tmp/mutants-${name}.txt`, unnoticed.map(line).join('\n'));
  const noticed = results.filter(({ status }) => status === 'Killed' || status === 'Timeout').length;
  return { noticed, made: noticed + unnoticed.length };
}

function line({ fileName, location, mutatorName, replacement, status }: Mutant): string {
  const place = `${fileName.replace(/.*src\/core\//, '')}:${location.start.line}:${location.start.column}-${location.end.line}:${location.end.column}`;
  return `${place} ${mutatorName}${status === 'NoCoverage' ? ' (no test runs it)' : ''}: ${replacement}`;
}

const told = (name: string, { noticed, made }: Score) =>
  `${name}: ${noticed} of ${made} changes noticed, ${((100 * noticed) / made).toFixed(1)} %`;

mkdirSync('tmp', { recursive: true });
const asked = process.argv.slice(2);
const scores: Score[] = [];
for (const one of asked.length > 0 ? asked : folders) {
  const score = await scoreOf(one);
  scores.push(score);
  console.log(told(one, score));
}
const sum = (of: keyof Score) => scores.reduce((all, score) => all + score[of], 0);
console.log(told('all', { noticed: sum('noticed'), made: sum('made') }));
