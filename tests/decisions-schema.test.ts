import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { decisionsJsonSchema } from '@/core/finding/decisions-file';

it('decisions beside the code have the published schema', () => {
  const published = readFileSync(new URL('../docs/decisions.schema.json', import.meta.url), 'utf8');
  expect(JSON.parse(published)).toEqual(decisionsJsonSchema());
});
