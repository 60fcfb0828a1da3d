/** npm run schemas: writes the JSON Schemas that docs/ publishes, from the schemas by which Ukko checks. */
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { runFileJsonSchema } from '../src/core/run/run-file';

const formatted = execFileSync('node_modules/.bin/biome', ['format', '--stdin-file-path=schema.json'], {
  input: JSON.stringify(runFileJsonSchema()),
});
writeFileSync(new URL('../docs/run-file.schema.json', import.meta.url), formatted);
