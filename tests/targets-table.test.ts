import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { markOf } from '@/core/observation/provenance';
import { targets } from '@/core/target/line-up';

describe('docs/targets.md', () => {
  it('says of every target that ships what it is and how it is known', () => {
    const rows = readFileSync(new URL('../docs/targets.md', import.meta.url), 'utf8').split('\n');
    for (const target of targets)
      expect(rows).toContain(`| \`${target.id}\` | ${target.name} | ${markOf(target)} | ${target.note} |`);
  });
});
