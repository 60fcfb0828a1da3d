import type { Finding } from '../finding/finding';

/** Which earlier finding a later one is: by id, and then by what it claims, because a field that was given a name is another one, and its findings are not. */
export function pairsOf(before: readonly Finding[], after: readonly Finding[]): Map<Finding, Finding> {
  const pairs = new Map<Finding, Finding>();
  const left = new Set(before);
  for (const keyOf of [idOf, claimOf]) {
    const byKey = new Map([...left].map((finding) => [keyOf(finding), finding]));
    for (const finding of after) {
      const earlier = pairs.has(finding) ? undefined : byKey.get(keyOf(finding));
      if (!earlier || !left.has(earlier)) continue;
      pairs.set(finding, earlier);
      left.delete(earlier);
    }
  }
  return pairs;
}

const idOf = ({ id }: Finding): string => id;
const claimOf = ({ field, claim }: Finding): string => JSON.stringify([field?.label ?? null, claim]);

/** What is found no more, and what is found anew. */
export function goneAndFresh(
  before: readonly Finding[],
  after: readonly Finding[],
): { readonly gone: readonly Finding[]; readonly fresh: readonly Finding[] } {
  const pairs = pairsOf(before, after);
  const matched = new Set(pairs.values());
  return { gone: before.filter((one) => !matched.has(one)), fresh: after.filter((one) => !pairs.has(one)) };
}
