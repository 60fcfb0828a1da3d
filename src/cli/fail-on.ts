import { type Finding, type Harm, harms } from '@/core/finding/finding';
import { type Report, type SinceBaseline, sinceBaseline, standings } from '@/core/report/report';

/** Which findings fail a build, by how they stand to the baseline. */
export const failOns = ['new', 'changed', 'any', 'never'] as const;

/** Words for harms on the command line. */
export const harmNames: Readonly<Record<string, Harm>> = {
  worst: 'cannot enter a valid value',
  lost: 'value lost',
  wrong: 'wrong value sent',
  misled: 'person misled',
  cosmetic: 'cosmetic',
};

export interface FailOn {
  readonly when: (typeof failOns)[number];
  /** Findings of other harms fail nothing. */
  readonly harms: readonly Harm[];
}

export const failsNever: FailOn = { when: 'never', harms };

/** Reads `new` or `new:worst,lost`; null for what is neither. */
export function readFailOn(text: string): FailOn | null {
  const [sort, names, ...more] = text.split(':');
  const when = failOns.find((one) => one === sort);
  if (when === undefined || more.length > 0) return null;
  if (names === undefined) return { when, harms };
  const named = names
    .split(',')
    .map((name) => (Object.hasOwn(harmNames, name) ? harmNames[name] : undefined));
  const known = named.filter((harm) => harm !== undefined);
  return known.length === named.length ? { when, harms: known } : null;
}

const standing: Readonly<Record<FailOn['when'], readonly SinceBaseline[]>> = {
  new: ['new', 'found'],
  changed: ['new', 'changed', 'found'],
  any: standings,
  never: [],
};

/** The findings that fail the build: what a team accepted does not, nor what is not the same each time it is asked. */
export function failing(report: Report, { when, harms: wanted }: FailOn): Set<Finding> {
  return new Set(
    report.findings.filter(
      (finding) =>
        wanted.includes(finding.harm) &&
        standing[when].includes(sinceBaseline(report, finding)) &&
        report.decisions.get(finding.id)?.kind !== 'accept' &&
        !(finding.claim.code === 'typed' && finding.claim.effect === 'unsteady'),
    ),
  );
}
