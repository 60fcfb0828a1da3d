import type { StoredSetAside, UkkoDatabase } from './database';

type Row = Readonly<Record<string, unknown>>;
type Check = (row: Row) => boolean;

function isRow(value: unknown): value is Row {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

const hasTexts =
  (...names: string[]): Check =>
  (row) =>
    names.every((name) => typeof row[name] === 'string');

const isPlan = (plan: unknown) => isRow(plan) && hasTexts('script')(plan) && Array.isArray(plan.guards);

const isForm = (form: unknown) =>
  isRow(form) &&
  hasTexts('id', 'name', 'markup')(form) &&
  isRow(form.typing) &&
  Object.values(form.typing).every(isPlan);

const isTarget = (target: unknown) => isRow(target) && hasTexts('id', 'name', 'ask')(target);

const isLineUp = (lineUp: unknown) =>
  isRow(lineUp) &&
  hasTexts('reference')(lineUp) &&
  Array.isArray(lineUp.targets) &&
  lineUp.targets.length > 0 &&
  lineUp.targets.every(isTarget);

/**
 * What a row of each table must have for the views to draw it at all. No more is asked than that: a row of an older Ukko that lacks
 * something else is well.
 */
const checks: readonly {
  readonly table: 'forms' | 'runs' | 'lineUps' | 'targets';
  readonly isWell: Check;
}[] = [
  { table: 'forms', isWell: (row) => isForm(row) && hasTexts('changedAt')(row) },
  {
    table: 'runs',
    isWell: (row) => hasTexts('id', 'formId', 'startedAt')(row) && isForm(row.form) && isLineUp(row.lineUp),
  },
  { table: 'lineUps', isWell: (row) => hasTexts('formId')(row) && isLineUp(row) },
  { table: 'targets', isWell: isTarget },
];

/**
 * Takes rows that cannot be read out of the way, before any view meets one: a single spoiled row would leave the app blank. What they
 * hold is kept as it was found, and can be saved as a file.
 * @returns how many were set aside now
 */
export async function setSpoiledAside(
  database: UkkoDatabase,
  at = new Date().toISOString(),
): Promise<number> {
  const tables = checks.map(({ table }) => database.table(table));
  return database.transaction('rw', [...tables, database.setAside], async () => {
    let count = 0;
    for (const { table, isWell } of checks) {
      const spoiled: [key: never, row: unknown][] = [];
      await database.table(table).each((row, { primaryKey }) => {
        if (!isRow(row) || !isWell(row)) spoiled.push([primaryKey as never, row]);
      });
      for (const [key, row] of spoiled) {
        await database.table<Omit<StoredSetAside, 'number'>>('setAside').add({ table, row, at });
        await database.table(table).delete(key);
        count++;
      }
    }
    return count;
  });
}

/** All that was set aside, as the text of a file. */
export async function setAsideFile(database: UkkoDatabase): Promise<string> {
  return `${JSON.stringify({ format: 'ukko-set-aside', rows: await database.setAside.toArray() }, null, 2)}\n`;
}

/** What a damaged row was called, as far as it says so. */
export function nameOfSpoiled({ table, row }: StoredSetAside): string {
  const kinds: Readonly<Record<string, string>> = {
    forms: 'form',
    runs: 'sweep',
    lineUps: 'line-up',
    targets: 'target',
  };
  const form = isRow(row) && isRow(row.form) ? row.form : row;
  const name = isRow(form)
    ? [form.name, form.id].find((one) => typeof one === 'string' && one !== '')
    : undefined;
  return `${kinds[table] ?? table}${name === undefined ? ' without a name' : ` “${String(name).slice(0, 60)}”`}`;
}
