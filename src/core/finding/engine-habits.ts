import type { Finding } from './finding';

/** What an engine does to every field by itself: its own sizes, its own words, its own parts. A team may never want to hear of it. */
export const isEngineHabit = ({ claim }: Pick<Finding, 'claim'>): boolean => claim.code === 'engines differ';

export function withoutEngineHabits(findings: readonly Finding[]): Finding[] {
  return findings.filter((finding) => !isEngineHabit(finding));
}
