import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import JSZip from 'jszip';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { demoForm, hurriedForm } from '@/core/demo/demo-forms';
import type { FindingId } from '@/core/finding/finding';
import { type Picture, pictureId } from '@/core/observation/picture';
import { lookNotAsked } from '@/core/questions/look/facts';
import type { Observation } from '@/core/questions/observation';
import { defaultLineUp } from '@/core/target/line-up';
import { targetId } from '@/core/target/target';
import { baselineOf, setBaseline } from './baselines';
import { type StoredRun, UkkoDatabase } from './database';
import { saveForm } from './forms';
import { saveLineUp } from './line-ups';
import { isNearlyFull, isOutOfRoom, thinPictures } from './room';
import { beginRun, deleteRun, finishRun, keep, loadRun, observationsOf } from './runs';
import { mergeWorkspaceFile, writeWorkspaceFile } from './workspace-file';

let [here, there] = [null, null] as unknown as [UkkoDatabase, UkkoDatabase];
beforeEach(() => {
  [here, there] = ['here', 'there'].map((name) => new UkkoDatabase(`${name}-${crypto.randomUUID()}`)) as [
    UkkoDatabase,
    UkkoDatabase,
  ];
});
afterEach(async () => {
  vi.useRealTimers();
  await here.delete();
  await there.delete();
});

function picture(byte: number): Picture {
  const bytes = new Uint8Array([137, 80, 78, 71, byte]);
  return { id: pictureId(bytes), width: 5, height: 1, data: btoa(String.fromCharCode(...bytes)) };
}

const look = (shown: Picture, at: string): Observation => ({
  field: 'a' as Observation['field'],
  target: targetId('chromium'),
  provenance: { mark: 'measured', engine: 'Chromium', version: '1', protocol: 'P', unable: [] },
  at,
  question: 'look',
  state: 'closed',
  outcome: {
    status: 'answered',
    facts: { typeReflected: 'text', size: null, value: at, ...lookNotAsked, picture: shown.id },
  },
});

/** A browser with the demo form, a sweep of it, a decision, a line-up and a baseline. */
async function used(database: UkkoDatabase, byte = 1): Promise<StoredRun> {
  await saveForm(database, demoForm);
  const run = await beginRun(database, demoForm, defaultLineUp);
  await keep(database, run.id, [look(picture(byte), '2026-01-01T00:00:00Z')], [picture(byte)]);
  await finishRun(database, run.id);
  await database.decisions.put({
    formId: demoForm.id,
    finding: 'x' as FindingId,
    kind: 'later',
    reason: '',
    at: '2026-01-01T00:00:00Z',
  });
  await saveLineUp(database, demoForm.id, defaultLineUp);
  await setBaseline(database, demoForm.id, run.id);
  return run;
}

describe('a workspace file', () => {
  it('takes everything along to another browser, pictures and all', async () => {
    const run = await used(here);
    const merge = await mergeWorkspaceFile(there, await writeWorkspaceFile(here));
    expect(merge).toEqual({ status: 'merged', merged: { forms: 1, runs: 1, decisions: 1, pictures: 1 } });
    expect(await loadRun(there, run.id)).toEqual(await loadRun(here, run.id));
    expect((await baselineOf(there, demoForm.id))?.id).toBe(run.id);
    for (const table of ['forms', 'decisions', 'lineUps', 'runs', 'answers'])
      expect(await there.table(table).toArray()).toEqual(await here.table(table).toArray());
  });

  it('merges: a second time nothing comes, and answers that were given later take the place of earlier ones', async () => {
    const run = await used(here);
    const file = await writeWorkspaceFile(here);
    await mergeWorkspaceFile(there, file);
    const nothing = { forms: 0, runs: 0, decisions: 0, pictures: 0 };
    expect(await mergeWorkspaceFile(there, file)).toEqual({ status: 'merged', merged: nothing });
    const later = look(picture(2), '2026-02-01T00:00:00Z');
    await keep(there, run.id, [later], [picture(2)]);
    await mergeWorkspaceFile(there, file);
    expect(await observationsOf(there, run.id)).toEqual([later]);
    await mergeWorkspaceFile(here, await writeWorkspaceFile(there));
    expect(await observationsOf(here, run.id)).toEqual([later]);
  });

  it('keeps what is here beside what comes', async () => {
    await used(here);
    await saveForm(there, { ...demoForm, markup: '<input name=mine>' });
    await saveForm(there, hurriedForm);
    await mergeWorkspaceFile(there, await writeWorkspaceFile(here));
    const forms = await there.forms.toArray();
    expect(forms.map(({ name }) => name).sort()).toEqual([
      'Skerry Tide Log',
      'Skerry Tide Log (from a workspace)',
      'Skerry Tide Log, in a hurry',
    ]);
    expect((await there.forms.get(demoForm.id))?.markup).toBe('<input name=mine>');
  });

  it.each<readonly [string, (zip: JSZip) => void, string]>([
    ['without its contents', (zip) => zip.remove('workspace.json'), 'not a workspace file of Ukko'],
    ['with contents that are none', (zip) => zip.file('workspace.json', 'x'), 'not valid JSON'],
    [
      'with a spoiled sweep',
      (zip) => zip.file('runs/1.json', '{"format":"ukko-run","version":3}'),
      'In runs/1.json of the workspace file: The run file is wrong',
    ],
    [
      'with a picture that is another one',
      (zip) => zip.file(`pictures/${picture(1).id}.png`, 'other'),
      'is damaged',
    ],
    [
      'with a part that unpacks to too much',
      (zip) =>
        zip.file(`pictures/${picture(1).id}.png`, new Uint8Array(20_000_001), { compression: 'DEFLATE' }),
      'unpacks to more than Ukko takes',
    ],
  ])('%s is refused with a sentence, and nothing is kept', async (_, spoil, sentence) => {
    await used(here);
    const zip = await JSZip.loadAsync(await (await writeWorkspaceFile(here)).arrayBuffer());
    spoil(zip);
    const merge = await mergeWorkspaceFile(
      there,
      new Blob([await zip.generateAsync({ type: 'arraybuffer' })]),
    );
    expect(merge).toMatchObject({ status: 'fault', text: expect.stringContaining(sentence) });
    expect(await Promise.all(there.tables.map((table) => table.count()))).toEqual(there.tables.map(() => 0));
  });

  it('whose parts unpack to too much in all is refused, and nothing is kept', async () => {
    await used(here);
    const file = await writeWorkspaceFile(here);
    const limits = { part: 100_000, picture: 100_000, all: 5000 };
    expect(await mergeWorkspaceFile(there, file, limits)).toMatchObject({
      status: 'fault',
      text: expect.stringContaining('unpacks to more than Ukko takes'),
    });
    expect(await there.runs.count()).toBe(0);
    expect((await mergeWorkspaceFile(there, file, { ...limits, all: 100_000 })).status).toBe('merged');
  });

  it('with parts that are called by paths gives its own parts and nothing else', async () => {
    await used(here);
    const zip = await JSZip.loadAsync(await (await writeWorkspaceFile(here)).arrayBuffer());
    const run = await zip.file('runs/1.json')?.async('string');
    for (const name of [
      '../runs/2.json',
      '/runs/3.json',
      'runs/../../4.json',
      'runs/..%2f5.json',
      'C:\\runs\\6.json',
    ])
      zip.file(name, run ?? '', { createFolders: false });
    const file = new Blob([await zip.generateAsync({ type: 'arraybuffer' })]);
    expect(await mergeWorkspaceFile(there, file)).toMatchObject({ status: 'merged', merged: { runs: 1 } });
  });

  it('that is no zip file is refused', async () => {
    expect(await mergeWorkspaceFile(there, new Blob(['PK nothing']))).toMatchObject({
      status: 'fault',
      text: expect.stringContaining('is damaged, or no zip file'),
    });
  });

  it('of version 1 is opened', async () => {
    const file = readFileSync(new URL('../../tests/fixtures/files/workspace-1.zip', import.meta.url));
    expect(await mergeWorkspaceFile(there, new Blob([Uint8Array.from(file)]))).toMatchObject({
      status: 'merged',
      merged: { forms: 2, runs: 1, decisions: 1 },
    });
  });

  it('comes without the pictures that were thinned out', async () => {
    const run = await used(here);
    await here.pictures.clear();
    expect((await mergeWorkspaceFile(there, await writeWorkspaceFile(here))).status).toBe('merged');
    expect((await observationsOf(there, run.id)).length).toBe(1);
  });
});

describe('room', () => {
  it('is made by the pictures of old sweeps; the latest and the baseline keep theirs', async () => {
    vi.useFakeTimers({ toFake: ['Date'] });
    const runs: StoredRun[] = [];
    for (const byte of [1, 2, 3]) {
      vi.setSystemTime(`2026-01-0${byte}T00:00:00Z`);
      runs.push(await used(here, byte));
    }
    const [first, second] = runs;
    if (!first || !second) throw new Error('no runs');
    await setBaseline(here, demoForm.id, first.id);
    expect(await thinPictures(here)).toEqual({ pictures: 1, bytes: 8 });
    expect(await here.pictures.toCollection().primaryKeys()).not.toContain(picture(2).id);
    expect((await observationsOf(here, second.id)).length).toBe(1);
    await deleteRun(here, first.id);
    expect(await baselineOf(here, demoForm.id)).toBeNull();
  });

  it('is short when one more sweep might not fit', () => {
    expect(isNearlyFull({ used: 0, quota: 1e9 })).toBe(false);
    expect(isNearlyFull({ used: 0.95e9, quota: 1e9 })).toBe(true);
    expect(isNearlyFull({ used: 1e9, quota: 1.02e9 })).toBe(true);
    const quota = new DOMException('full', 'QuotaExceededError');
    expect(isOutOfRoom(quota)).toBe(true);
    expect(isOutOfRoom(Object.assign(new Error('aborted'), { inner: quota }))).toBe(true);
    expect(isOutOfRoom(new Error('broken'))).toBe(false);
  });
});
