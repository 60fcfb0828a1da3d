/** npm run schemas: writes the JSON Schemas that docs/ publishes, from the schemas by which Ukko checks. */
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { decisionsJsonSchema } from '../src/core/finding/decisions-file';
import { reportJsonSchema } from '../src/core/report/json-report-schema';
import { runFileJsonSchema } from '../src/core/run/run-file';

for (const [name, schema] of [
  ['run-file', runFileJsonSchema()],
  ['report', reportJsonSchema()],
  ['decisions', decisionsJsonSchema()],
] as const) {
  const formatted = execFileSync('node_modules/.bin/biome', ['format', '--stdin-file-path=schema.json'], {
    input: JSON.stringify(schema),
  });
  writeFileSync(new URL(`../docs/${name}.schema.json`, import.meta.url), formatted);
}
