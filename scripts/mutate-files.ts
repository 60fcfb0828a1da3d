import { Command } from 'commander';
import { mutationFaults } from '../tests/fixtures/mutations';

const { files, seed } = new Command('mutate-files')
  .description('opens many spoiled form, run and workspace files; the tests open 500')
  .option('--files <count>', 'how many', '10000')
  .option('--seed <number>', 'where the mutations begin', String(Date.now() % 2 ** 31))
  .parse()
  .opts<{ files: string; seed: string }>();

const faults = await mutationFaults(Number(files), Number(seed));
for (const { file, number, why } of faults.slice(0, 20)) console.log(`${file} ${number}: ${why}`);
console.log(`${files} files from seed ${seed}: ${faults.length} without a sentence`);
process.exitCode = faults.length > 0 ? 1 : 0;
