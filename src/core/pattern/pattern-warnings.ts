import { type Budget, GaveUp } from '../regexp/budget';
import type { Pattern } from '../regexp/pattern';
import { withEndHyphensEscaped } from '../standard/pattern-attribute';
import { lengthTable, without } from './combine';
import { usualBudget } from './limits';
import { type Part, partsOf, type SourceSpan, spanOfRow } from './parts';
import { patternTable } from './pattern-table';
import { acceptsText, dead, type Table } from './table';
import { shortestText } from './texts';

/** What is probably not meant, with a text that shows it. Its sentence is made in `words/`. */
export type PatternWarning = Shown &
  (
    | { readonly sort: Exclude<WarningSort, 'is ignored' | 'never matches'> }
    /** `reason` is the matcher's own; null: a hyphen stands where the v flag wants it escaped, which some engines take. */
    | { readonly sort: 'is ignored'; readonly reason: string | null }
    /** `source` is what never matches; `isAnchored`: an anchor stands in the middle of it. */
    | { readonly sort: 'never matches'; readonly source: string; readonly isAnchored: boolean }
  );

interface Shown {
  /** Where it stands in the source; null: all of it. */
  readonly span: SourceSpan | null;
  /** A text that shows it; null where no text can. */
  readonly witness: string | null;
  /** The source without the fault; null where nobody can tell what was meant. */
  readonly remedy: string | null;
}

export const warningSorts = [
  'is ignored',
  'accepts nothing',
  'accepts no text',
  'never matches',
  'anchors bind one alternative',
  'dot takes anything',
  'A to z',
  'digits of other scripts',
] as const;
export type WarningSort = (typeof warningSorts)[number];

/** Everything about a pattern that its own text and its table tell; what takes time to find out is asked apart. */
export function patternWarnings(pattern: Pattern, budget = usualBudget()): PatternWarning[] {
  const found = patternTable(pattern);
  if (found.status === 'fault') return ignored(pattern, found.reason);
  const rows = partsOf(pattern.source);
  if (!rows) return [];
  const inside = rows.flatMap((row) => row.flatMap((part, at) => within(part, row[at - 1], row[at + 1])));
  const table = found.status === 'known' ? found.table : null;
  try {
    return [
      ...(table ? wholeWarnings(table) : []),
      ...neverMatching(pattern, rows, table, budget),
      ...looseAnchors(pattern, rows, table, budget),
      ...inside.flatMap(({ part, before, after }) =>
        part.is === 'set' ? setWarnings(pattern, part, before, after, table, budget) : [],
      ),
    ];
  } catch (error) {
    if (error instanceof GaveUp) return [];
    throw error;
  }
}

/** Some engines take a hyphen where the v flag forbids it, and then apply a pattern that the others leave alone. */
function ignored(pattern: Pattern, reason: string): PatternWarning[] {
  const mended = withEndHyphensEscaped(pattern.source).replace(/\[-(?=.)/g, '[\\-');
  const other = mended === pattern.source ? null : patternTable({ ...pattern, source: mended });
  const isHyphen = other?.status === 'known';
  return [
    {
      sort: 'is ignored',
      reason: isHyphen ? null : reason,
      span: null,
      witness: isHyphen ? shortestText(without(anyText, other.table)) : null,
      remedy: isHyphen ? mended : null,
    },
  ];
}

const anyText = lengthTable(1, null, 'code units');

function wholeWarnings(table: Table): PatternWarning[] {
  const ofAll = { span: null, remedy: null };
  if (table.start === dead) return [{ sort: 'accepts nothing', witness: null, ...ofAll }];
  return acceptsText(table, '') ? [{ sort: 'accepts no text', witness: '', ...ofAll }] : [];
}

/** Alternatives that no text can reach, most often because an anchor stands where something comes before or behind it. */
function neverMatching(
  pattern: Pattern,
  rows: readonly (readonly Part[])[],
  table: Table | null,
  budget: Budget,
): PatternWarning[] {
  if (table?.start === dead && rows.length === 1) return [];
  return rows.flatMap((row) => {
    const span = spanOfRow(row);
    if (!span) return [];
    const source = pattern.source.slice(span.start, span.end);
    const alone = patternTable({ ...pattern, source }, budget);
    if (alone.status !== 'known' || alone.table.start !== dead) return [];
    const isAnchored = row.some(({ is }) => is === 'place');
    return [
      {
        sort: 'never matches' as const,
        source,
        isAnchored,
        span,
        witness: null,
        remedy: null,
      },
    ];
  });
}

/** `^a|b$` held against a part: each anchor binds its own alternative alone. */
function looseAnchors(
  pattern: Pattern,
  rows: readonly (readonly Part[])[],
  table: Table | null,
  budget: Budget,
): PatternWarning[] {
  if (pattern.match === 'whole' || rows.length < 2 || !table) return [];
  const has = (words: string, part: Part | undefined) => part?.is === 'place' && part.words === words;
  const begins = rows.map((row) => has('at the beginning', row[0]));
  const ends = rows.map((row) => has('at the end', row.at(-1)));
  const isLoose =
    (begins.includes(true) || ends.includes(true)) && !(begins.every(Boolean) && ends.every(Boolean));
  if (!isLoose) return [];
  const inner = pattern.source.replace(/^\^/, '').replace(/\$$/, '');
  const remedy = `^(?:${inner})$`;
  const meant = patternTable({ ...pattern, source: remedy }, budget);
  if (meant.status !== 'known') return [];
  return [
    {
      sort: 'anchors bind one alternative',
      span: null,
      witness: shortestText(without(table, meant.table, budget)),
      remedy,
    },
  ];
}

interface Within {
  readonly part: Part;
  readonly before: Part | undefined;
  readonly after: Part | undefined;
}

/** Every part, with its neighbours in its row. */
function within(part: Part, before?: Part, after?: Part): Within[] {
  const own: Within = { part, before, after };
  switch (part.is) {
    case 'choice':
    case 'look':
      return [
        own,
        ...part.rows.flatMap((row) => row.flatMap((one, at) => within(one, row[at - 1], row[at + 1]))),
      ];
    case 'times':
      return [own, ...within(part.part)];
    default:
      return [own];
  }
}

type SetSort = 'dot takes anything' | 'A to z' | 'digits of other scripts';

function setWarnings(
  pattern: Pattern,
  part: Extract<Part, { is: 'set' }>,
  before: Part | undefined,
  after: Part | undefined,
  table: Table | null,
  budget: Budget,
): PatternWarning[] {
  const replaced = (raw: string) =>
    pattern.source.slice(0, part.span.start) + raw + pattern.source.slice(part.span.end);
  const witnessOf = (remedy: string): string | null => {
    const other = patternTable({ ...pattern, source: remedy }, budget);
    return table && other.status === 'known' ? shortestText(without(table, other.table, budget)) : null;
  };
  const warning = (sort: SetSort, raw: string): PatternWarning[] => {
    const remedy = replaced(raw);
    const witness = witnessOf(remedy);
    return witness === null && table ? [] : [{ sort, span: part.span, witness, remedy }];
  };
  const isAlone = part.raw === '.' && (isWritten(before) || isWritten(after));
  if (isAlone) return warning('dot takes anything', '\\.');
  if (/(?:^|[^\\])[A-Z]-[a-z]/.test(part.raw))
    return warning('A to z', part.raw.replace(/([A-Z])-([a-z])/, '$1-Za-$2'));
  if (/\\p\{(?:Nd|N|Number|Decimal_Number|(?:General_Category|gc)=(?:Nd|N))\}/.test(part.raw))
    return warning(
      'digits of other scripts',
      part.raw.replace(/\\p\{[^}]*\}/, part.raw.startsWith('[') ? '0-9' : '[0-9]'),
    );
  return [];
}

/** A letter or digit that is written as itself, or a run of what words are made of. */
function isWritten(part: Part | undefined): boolean {
  if (part?.is === 'times') return isWritten(part.part);
  return part?.is === 'set' && /^(?:[\p{L}\p{N}]|\\w|\[[^^][^\]]*\])$/u.test(part.raw);
}
