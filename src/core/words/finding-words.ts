import type { Finding, FoundOn } from '../finding/finding';
import { formatScript } from '../script/script-text';
import { claimWords } from './claim-words';
import { proofWords } from './proof-words';

/** What is told of a finding, the same in the app, in reports and on a terminal. */
export interface FindingWords {
  readonly says: string;
  readonly why: string;
  /** Null where only the team can tell. */
  readonly remedy: string | null;
  /** What else belongs to it: what has the same cause, the script that shows it. */
  readonly details: readonly string[];
}

const told = new WeakMap<Finding, FindingWords>();

/** The words of a finding, made once: lists ask for them again at every turn. */
export function findingWords(finding: Finding): FindingWords {
  const known = told.get(finding);
  if (known) return known;
  const words = wordsOf(finding);
  told.set(finding, words);
  return words;
}

/** The title alone. */
export function findingTitle(finding: Finding): string {
  return findingWords(finding).says;
}

/** What a target showed, in sentences. */
export function targetWords({ proofs, name }: FoundOn): string[] {
  return proofs.map((proof) => proofWords(proof, name));
}

function wordsOf({ claim, field, script, also }: Finding): FindingWords {
  const { details = [], ...lines } = claimWords(claim, field?.label ?? null);
  const others = also.flatMap((one) => {
    const other = claimWords(one.claim, one.field?.label ?? null);
    return [other.says, ...(other.details ?? [])];
  });
  const typed = script ? [`Script: ${formatScript(script).trim().split('\n').join(', ')}`] : [];
  return { ...lines, details: [...details, ...typed, ...others] };
}
