import { readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { Guard } from '@/core/guard/guard';
import { projectRoot } from './bundle';

const entry = 'src/probe/in-page/attach-guards.ts';
const importLine = /^import (?:type )?(?:\{[^}]*\}|[\w*]+(?: as \w+)?) from '(\.[^']+)';\n/gm;

/**
 * The guards of a field as one TypeScript module without dependencies: the very sources that act in the replay, one after
 * the other, and these guards as data. Throws when a source has an import that is not relative.
 */
export async function guardModule(guards: readonly Guard[]): Promise<string> {
  const sources = new Map<string, string>();
  await gather(entry, sources);
  const parts = [...sources].map(([path, source]) => {
    const isEntry = path === entry;
    const body = source.replace(importLine, '').trim();
    return `// ${path.replace(/^src\//, '')}\n\n${isEntry ? body : body.replace(/^export /gm, '')}`;
  });
  return `// Restriction rules for a form field, written by Ukko. No dependencies; call guardField with an input or a textarea.

${parts.join('\n\n')}

// The guards of this field, in the order in which they act.

export const guards: readonly Guard[] = ${JSON.stringify(guards, null, 2)};

export function guardField(element: HTMLInputElement | HTMLTextAreaElement): AttachedGuards {
  return attachGuards(element, guards);
}
`;
}

/** In a page its own matcher answers. */
function sourceFor(path: string): string {
  return path.endsWith('/regexp/compiled-pattern.ts') ? 'src/probe/in-page/pattern-in-page.ts' : path;
}

/** A source after everything that it imports. */
async function gather(
  path: string,
  into: Map<string, string>,
  underWay: readonly string[] = [],
): Promise<void> {
  if (into.has(path) || underWay.includes(path)) return;
  const root = projectRoot();
  const source = await readFile(/* turbopackIgnore: true */ `${root}/${path}`, 'utf8');
  const foreign = /^import .* from '(?!\.)([^']+)'/m.exec(source);
  if (foreign)
    throw new Error(`${path} imports ${foreign[1]}, which a module without dependencies cannot have.`);
  for (const [, target = ''] of source.matchAll(importLine))
    await gather(sourceFor(join(/* turbopackIgnore: true */ dirname(path), `${target}.ts`)), into, [
      ...underWay,
      path,
    ]);
  into.set(path, source);
}
