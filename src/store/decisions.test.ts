import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import type { FormId } from '@/core/document/form-document';
import type { ProjectDecision } from '@/core/finding/decisions-file';
import type { FindingId } from '@/core/finding/finding';
import { UkkoDatabase } from './database';
import { projectDecisions, takeDecisions } from './decisions';

const early = '2026-01-01T00:00:00Z';
const late = '2026-02-01T00:00:00Z';
const decision = (form: string | undefined, finding: string, at = early): ProjectDecision => ({
  ...(form !== undefined && { form }),
  finding: finding as FindingId,
  kind: 'accept',
  reason: 'in spring',
  at,
});

async function databaseWith(...names: readonly string[]): Promise<UkkoDatabase> {
  const database = new UkkoDatabase(`decisions-${crypto.randomUUID()}`);
  for (const name of names)
    await database.forms.put({ id: name as FormId, name, markup: '', typing: {}, changedAt: early });
  return database;
}

describe('decisions of a project', () => {
  it('are those about forms that are here, each with the name of its form', async () => {
    const database = await databaseWith('Checkout', 'Log');
    expect(await takeDecisions(database, [decision('checkout.html', 'a'), decision('Gone', 'b')])).toEqual({
      taken: 1,
      elsewhere: 1,
    });
    expect(await projectDecisions(database)).toEqual([decision('Checkout', 'a')]);
  });

  it('hold for every form where they name none, and the later of two holds', async () => {
    const database = await databaseWith('Checkout', 'Log');
    await takeDecisions(database, [decision('Checkout', 'a', late)]);
    expect(await takeDecisions(database, [decision(undefined, 'a')])).toEqual({ taken: 1, elsewhere: 0 });
    expect(await projectDecisions(database)).toEqual([decision('Checkout', 'a', late), decision('Log', 'a')]);
    expect(await takeDecisions(database, [decision('Log', 'a', late)])).toEqual({ taken: 1, elsewhere: 0 });
  });

  it('of forms that were deleted are left out', async () => {
    const database = await databaseWith('Checkout');
    await takeDecisions(database, [decision('Checkout', 'a')]);
    await database.forms.clear();
    expect(await projectDecisions(database)).toEqual([]);
  });
});
