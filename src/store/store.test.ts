import { nameOfSpoiled, setAsideFile, setSpoiledAside } from './set-aside';
import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { demoForm, hurriedForm } from '@/core/demo/demo-forms';
import type { FormId } from '@/core/document/form-document';
import { type Picture, pictureBytes, pictureId } from '@/core/observation/picture';
import { askingOf, planOf } from '@/core/questions/asking';
import { lookNotAsked } from '@/core/questions/look/facts';
import { type Observation, observationKey } from '@/core/questions/observation';
import type { RunId } from '@/core/run/run';
import { readRunFile, writeRunFile } from '@/core/run/run-file';
import { askModels } from '@/core/sweep/ask-models';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import { defaultLineUp, targets } from '@/core/target/line-up';
import { type EngineTarget, targetId } from '@/core/target/target';
import { askServer } from './ask-server';
import { UkkoDatabase } from './database';
import { deleteForm } from './delete-form';
import { leaveDraft, takeDraft } from './draft';
import { ensureForms, newForm, restoreDemo, saveForm } from './forms';
import { forgetTarget, lineUpOf, ownTargets, saveLineUp, saveTarget } from './line-ups';
import { isOutOfRoom } from './room';
import { addRun, beginRun, deleteEverything, deleteRun, keep, loadRun, observationsOf, runsOf } from './runs';
import { sweepIntoRun, type TargetProgress } from './sweep-into-run';
import { trustPage, untrustedFault } from './trusted-pages';

let database: UkkoDatabase;
beforeEach(() => {
  database = new UkkoDatabase(`test-${crypto.randomUUID()}`);
});
afterEach(() => {
  vi.unstubAllGlobals();
  return database.delete();
});

const asking = askingOf('<input name=a required>', ['look', 'message']);
const chromium = targets.filter((target): target is EngineTarget => target.id === 'chromium');
const lineUp = defaultLineUp.targets.filter((target) => target.ask !== 'engine' || target.id === 'chromium');

/** A window whose `localStorage` keeps what it is told in the map that comes back. */
function windowWithStorage(): ReadonlyMap<string, string> {
  const kept = new Map<string, string>();
  const localStorage = {
    setItem: (key: string, value: string) => kept.set(key, value),
    getItem: (key: string) => kept.get(key) ?? null,
    removeItem: (key: string) => kept.delete(key),
  };
  vi.stubGlobal('window', { localStorage });
  return kept;
}

async function samplePicture(byte: number): Promise<Picture> {
  const bytes = new Uint8Array([137, 80, 78, 71, byte]);
  return { id: pictureId(bytes), width: 5, height: 1, data: btoa(String.fromCharCode(...bytes)) };
}

function observed(state: 'closed' | 'filled', picture: Picture): Observation {
  return {
    field: 'a' as Observation['field'],
    target: chromium[0]?.id ?? ('chromium' as Observation['target']),
    provenance: { mark: 'measured', engine: 'Chromium', version: '1', protocol: 'P', unable: [] },
    at: '2026-11-23T08:00:00Z',
    question: 'look',
    state,
    outcome: {
      status: 'answered',
      facts: {
        typeReflected: 'text',
        size: null,
        value: '',
        ...lookNotAsked,
        picture: picture.id,
      },
    },
  };
}

describe('line-ups', () => {
  it('are those of the demo until a person chooses, form by form', async () => {
    expect(await lineUpOf(database, demoForm.id)).toEqual(defaultLineUp);
    const alone = { targets: chromium, reference: targetId('chromium') };
    await saveLineUp(database, demoForm.id, alone);
    expect(await lineUpOf(database, demoForm.id)).toEqual(alone);
    expect(await lineUpOf(database, hurriedForm.id)).toEqual(defaultLineUp);
  });
  it('can hold targets of the person’s own', async () => {
    const own = { ...(chromium[0] as EngineTarget), id: targetId('own-1'), name: 'Mine' };
    await saveTarget(database, own);
    expect(await ownTargets(database)).toEqual([own]);
    await forgetTarget(database, own.id);
    expect(await ownTargets(database)).toEqual([]);
  });
});

describe('what version 1 of the database kept', () => {
  it('is there after the upgrade, in the shape of today', async () => {
    const name = `old-${Math.random()}`;
    const old = new Dexie(name);
    old.version(1).stores({
      forms: 'id, changedAt',
      runs: 'id, [formId+startedAt]',
      observations: '[run+key], run',
      pictures: 'id',
    });
    const { unable: _, ...provenance } = {
      mark: 'measured',
      engine: 'E',
      version: '1',
      protocol: 'P',
      unable: [],
    };
    await old.table('runs').put({
      id: 'r',
      formId: demoForm.id,
      startedAt: '2026-11-01T00:00:00Z',
      lineUp: { targets: ['chromium'], reference: 'chromium' },
    });
    await old.table('observations').put({
      run: 'r',
      key: 'chromium|measured|message|a',
      observation: {
        field: 'a',
        target: 'chromium',
        question: 'message',
        provenance,
        outcome: { status: 'answered', facts: { tried: '', willValidate: true, flags: [], message: '' } },
      },
    });
    old.close();
    const now = new UkkoDatabase(name);
    const [run] = await runsOf(now, demoForm.id);
    expect(run?.lineUp.targets.map((target) => target.name)).toEqual(['Chromium']);
    expect((await observationsOf(now, 'r' as RunId))[0]).toMatchObject({
      provenance: { unable: [] },
      outcome: { facts: { saysTitle: null } },
    });
    await now.delete();
  });
});

describe('what version 6 of the database kept', () => {
  it('is there after the upgrade: every answer of every run, and every picture', async () => {
    const name = `old-${Math.random()}`;
    const old = new Dexie(name);
    old.version(6).stores({ runs: 'id, [formId+startedAt]', observations: '[run+key], run', pictures: 'id' });
    const picture = await samplePicture(1);
    const { data: _, ...about } = picture;
    await old
      .table('pictures')
      .put({ ...about, blob: new Blob([pictureBytes(picture)], { type: 'image/png' }) });
    const answers = [observed('closed', picture), observed('filled', picture)];
    const elsewhere = answers.map((one) => ({ ...one, target: targetId('firefox') }));
    for (const run of ['r1', 'r2'])
      await old.table('observations').bulkPut(
        [...answers, ...(run === 'r2' ? elsewhere : [])].map((observation) => ({
          run,
          key: observationKey(observation),
          observation,
        })),
      );
    old.close();
    const now = new UkkoDatabase(name);
    expect(await observationsOf(now, 'r1' as RunId)).toEqual(answers);
    expect(await observationsOf(now, 'r2' as RunId)).toEqual([...answers, ...elsewhere]);
    expect(now.tables.map((table) => table.name)).not.toContain('observations');
    expect(await now.pictures.toArray()).toEqual([picture]);
    await now.delete();
  });
});

describe('forms', () => {
  it('are the demo forms on the first visit, the good one first, and stay as the person left them', async () => {
    await ensureForms(database);
    expect((await database.forms.orderBy('changedAt').reverse().toArray()).map((form) => form.id)).toEqual([
      demoForm.id,
      hurriedForm.id,
    ]);
    await saveForm(database, { ...demoForm, markup: '<input>' });
    await ensureForms(database);
    expect((await database.forms.get(demoForm.id))?.markup).toBe('<input>');
    await restoreDemo(database);
    expect((await database.forms.get(demoForm.id))?.markup).toBe(demoForm.markup);
  });
  it('get back the last edit of a page that went away', async () => {
    windowWithStorage();
    leaveDraft({ ...demoForm, name: 'Edited' });
    await takeDraft(database);
    expect((await database.forms.get(demoForm.id))?.name).toBe('Edited');
    await saveForm(database, demoForm);
    await takeDraft(database);
    expect((await database.forms.get(demoForm.id))?.name).toBe(demoForm.name);
  });
  it('can be new', async () => {
    const id = await newForm(database, '<input>', 'Mine');
    expect(await database.forms.get(id)).toMatchObject({ name: 'Mine', typing: {} });
  });
});

describe('a form that is deleted', () => {
  it('goes with its sweeps, pictures and decisions, and leaves those of others', async () => {
    await saveForm(database, demoForm);
    await saveForm(database, { ...demoForm, id: 'other' as FormId });
    const [mine, others] = [
      await beginRun(database, demoForm, defaultLineUp),
      await beginRun(database, { ...demoForm, id: 'other' as FormId }, defaultLineUp),
    ];
    const [shared, own] = [await samplePicture(1), await samplePicture(2)];
    await keep(database, mine.id, [observed('closed', shared), observed('filled', own)], [shared, own]);
    await keep(database, others.id, [observed('closed', shared)], [shared]);
    await deleteForm(database, demoForm.id);
    expect(await database.forms.toCollection().primaryKeys()).toEqual(['other']);
    expect(await loadRun(database, mine.id)).toBeNull();
    expect((await loadRun(database, others.id))?.pictures).toHaveLength(1);
    expect(await database.pictures.count()).toBe(1);
  });
});

describe('runs', () => {
  it('come back from a file as they were, after everything was deleted', async () => {
    const run = await beginRun(database, demoForm, defaultLineUp);
    const picture = await samplePicture(1);
    await keep(database, run.id, [observed('closed', picture)], [picture]);
    const before = await loadRun(database, run.id);
    const file = before && writeRunFile(before);
    await deleteEverything(database);
    expect(await loadRun(database, run.id)).toBeNull();
    const reading = readRunFile(file ?? '');
    if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
    await addRun(database, reading.run);
    expect(await loadRun(database, run.id)).toEqual(before);
    expect((await database.forms.get(demoForm.id))?.name).toBe(demoForm.name);
  });

  it('opened beside a form of the same id leave that form alone', async () => {
    await saveForm(database, { ...demoForm, name: 'Mine now' });
    const run = {
      id: 'r',
      form: demoForm,
      lineUp: defaultLineUp,
      ukko: '0.1.0',
      startedAt: '2026-11-23T08:00:00Z',
      finishedAt: null,
      observations: [],
      pictures: [],
    };
    await addRun(database, run as unknown as Parameters<typeof addRun>[1]);
    expect((await database.forms.get(demoForm.id))?.name).toBe('Mine now');
  });

  it('list the latest first, and take only their own pictures along when deleted', async () => {
    const [shared, own] = [await samplePicture(1), await samplePicture(2)];
    const first = await beginRun(database, demoForm, defaultLineUp);
    await new Promise((resolve) => setTimeout(resolve, 5));
    const second = await beginRun(database, demoForm, defaultLineUp);
    await keep(database, first.id, [observed('closed', shared)], [shared]);
    await keep(database, second.id, [observed('closed', shared), observed('filled', own)], [shared, own]);
    expect((await runsOf(database, demoForm.id)).map((run) => run.id)).toEqual([second.id, first.id]);
    await deleteRun(database, second.id);
    expect(await database.pictures.toCollection().primaryKeys()).toEqual([shared.id]);
    expect(await observationsOf(database, first.id)).toHaveLength(1);
  });

  it('hold one answer to a question: the later one', async () => {
    const run = await beginRun(database, demoForm, defaultLineUp);
    const [old, late] = [await samplePicture(1), await samplePicture(2)];
    await keep(database, run.id, [observed('closed', old)], [old]);
    const other = observed('filled', old);
    await keep(database, run.id, [other], []);
    await keep(database, run.id, [observed('closed', late)], [late]);
    expect(await observationsOf(database, run.id)).toEqual([observed('closed', late), other]);
  });
});

describe('answers that are kept in any order', () => {
  it('are those that a map of the latest would hold', async () => {
    const answer = fc.record({
      target: fc.constantFrom('chromium', 'firefox', 'webkit'),
      state: fc.constantFrom<'closed' | 'filled'>('closed', 'filled'),
      byte: fc.integer({ min: 0, max: 3 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(fc.array(answer, { maxLength: 5 }), { maxLength: 6 }), async (batches) => {
        const run = await beginRun(database, demoForm, defaultLineUp);
        const latest = new Map<string, Observation>();
        for (const batch of batches) {
          const answers = await Promise.all(
            batch.map(async ({ target, state, byte }) => ({
              ...observed(state, await samplePicture(byte)),
              target: targetId(target),
            })),
          );
          for (const one of answers) latest.set(observationKey(one), one);
          await keep(database, run.id, answers, []);
        }
        const found = await observationsOf(database, run.id);
        expect(new Map(found.map((one) => [observationKey(one) as string, one]))).toEqual(latest);
        expect(found.length).toBe(latest.size);
      }),
      { numRuns: 40 },
    );
  });
});

/** Answers fetch with these NDJSON lines, cut at awkward places. */
function serve(lines: readonly unknown[], status = 200): void {
  const text = lines.map((line) => `${JSON.stringify(line)}\n`).join('');
  const parts = text.match(/[\s\S]{1,50}/g) ?? [];
  const body = new ReadableStream({
    start(controller) {
      for (const part of parts) controller.enqueue(new TextEncoder().encode(part));
      controller.close();
    },
  });
  vi.stubGlobal('fetch', async () => new Response(body, { status }));
}

async function askedServer(): Promise<SweepMessage[]> {
  const messages: SweepMessage[] = [];
  await askServer(chromium, asking, (message) => messages.push(message), new AbortController().signal);
  return messages;
}

describe('asking the server', () => {
  it('passes on what the stream says, wherever it is cut', async () => {
    const observation = observed('closed', await samplePicture(1));
    const said = [
      { type: 'started', target: 'chromium', total: 5 },
      { type: 'observation', observation },
      { type: 'finished', target: 'chromium' },
    ];
    serve(said);
    expect(await askedServer()).toEqual(said);
  });
  it('marks as failed what never came when the stream breaks off', async () => {
    serve([{ type: 'observation', observation: observed('closed', await samplePicture(1)) }]);
    const messages = await askedServer();
    expect(messages.filter((m) => m.type === 'observation')).toHaveLength(planOf(asking).length);
    expect(messages.at(-1)).toMatchObject({
      type: 'failed',
      failure: { code: 'server silent' },
    });
  });
  it('tells why the server refused, and stands a dead server', async () => {
    const refusal = { code: 'sweeps full', most: 4 };
    serve([{ failure: { code: 'server refused', refusal } }], 429);
    expect((await askedServer()).at(-1)).toMatchObject({
      type: 'failed',
      failure: { code: 'server refused', refusal },
    });
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('refused')));
    expect((await askedServer()).at(-1)).toMatchObject({ type: 'failed' });
  });
});

describe('a sweep into a run', () => {
  it('keeps every answer, tells how far each target is, and marks the run as finished', async () => {
    const run = await beginRun(database, demoForm, defaultLineUp);
    const picture = await samplePicture(3);
    const reports: (readonly TargetProgress[])[] = [];
    await sweepIntoRun(
      database,
      run.id,
      lineUp,
      asking,
      {
        engines: async ([target], _, emit) => {
          if (!target) return;
          emit({ type: 'started', target: target.id, total: 5 });
          emit({ type: 'picture', picture });
          emit({ type: 'observation', observation: observed('closed', picture) });
          emit({ type: 'failed', target: target.id, failure: { code: 'server silent' } });
        },
        probe: async (target, _, emit) => emit({ type: 'started', target: target.id, total: 5 }),
        models: askModels(() => new Date()),
      },
      (progress) => reports.push(progress),
      new AbortController().signal,
    );
    expect(reports.at(-1)).toMatchObject([
      {
        target: 'chromium',
        done: 1,
        // It was given before this sweep began.
        kept: 1,
        total: 5,
        field: 'a',
        state: 'failed',
        failure: { code: 'server silent' },
      },
      { target: 'this-browser', state: 'asking' },
      { target: 'blink-phone', done: 6, kept: 0, state: 'finished' },
    ]);
    expect(await observationsOf(database, run.id)).toHaveLength(7);
    expect((await database.runs.get(run.id))?.finishedAt).not.toBeNull();
  });

  it('that is cancelled keeps what came and stays unfinished', async () => {
    const run = await beginRun(database, demoForm, defaultLineUp);
    const abort = new AbortController();
    const stopping = {
      engines: async () => abort.abort(),
      probe: async () => undefined,
      models: askModels(() => new Date()),
    };
    const two = askingOf('<input name=a required><input name=b>', ['look', 'message']);
    await sweepIntoRun(database, run.id, lineUp, two, stopping, () => undefined, abort.signal);
    const kept = await observationsOf(database, run.id);
    expect(kept.length).toBeGreaterThan(0);
    expect((await database.runs.get(run.id))?.finishedAt).toBeNull();
  });
});

describe('a storage without room', () => {
  /** What a browser throws at each row that is put in. */
  const full = () =>
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('No room.', 'QuotaExceededError');
    });

  it('ends a sweep at once, and what cannot be kept is thrown', async () => {
    const run = await beginRun(database, demoForm, defaultLineUp);
    const picture = await samplePicture(4);
    const putting = full();
    let ended = false;
    const sweeping = sweepIntoRun(
      database,
      run.id,
      chromium,
      asking,
      {
        engines: async (_, __, emit, signal) => {
          emit({ type: 'observation', observation: observed('closed', picture) });
          // An engine goes on until it is told to end.
          await new Promise<void>((done) => signal.addEventListener('abort', () => done()));
          ended = true;
        },
        probe: async () => undefined,
        models: askModels(() => new Date()),
      },
      () => undefined,
      new AbortController().signal,
    );
    const error = await sweeping.catch((thrown: unknown) => thrown);
    putting.mockRestore();
    expect(isOutOfRoom(error)).toBe(true);
    expect(ended).toBe(true);
    expect((await database.runs.get(run.id))?.finishedAt).toBeNull();
  });

  it('leaves the last edit of a page that went away where it is, until it can be kept', async () => {
    const kept = windowWithStorage();
    await ensureForms(database);
    leaveDraft({ ...demoForm, name: 'Edited' });
    const putting = full();
    expect((await takeDraft(database))?.name).toBe('Edited');
    putting.mockRestore();
    expect(await takeDraft(database)).toBeNull();
    expect((await database.forms.get(demoForm.id))?.name).toBe('Edited');
    expect(kept.size).toBe(0);
  });
});

describe('a page of the developer’s own', () => {
  const page = { address: 'http://localhost:5173/log', form: 1, steps: 'click "New"' };

  it('is opened once it was confirmed here, with the steps and the hold that were confirmed', async () => {
    expect(await untrustedFault(database, page)).toContain('http://localhost:5173/log');
    await trustPage(database, page);
    expect(await untrustedFault(database, page)).toBeNull();
    expect(await untrustedFault(database, { ...page, form: 0 })).toBeNull();
    for (const other of [
      { ...page, steps: 'click "Delete all"' },
      { ...page, address: 'http://localhost:5173/admin' },
      { ...page, held: true },
    ])
      expect(await untrustedFault(database, other)).not.toBeNull();
    expect(await untrustedFault(database, null)).toBeNull();
  });

  it('that was there before anybody was asked stays so, and a spoiled row keeps none of that from coming', async () => {
    const name = `old-${Math.random()}`;
    const old = new Dexie(name);
    old.version(9).stores({ forms: 'id, changedAt' });
    await old.table('forms').bulkPut([
      { ...demoForm, page },
      { id: 'x', page: 7 },
      { id: 'y', page: null },
    ]);
    old.close();
    const now = new UkkoDatabase(name);
    expect(await untrustedFault(now, page)).toBeNull();
    expect(await now.trustedPages.count()).toBe(1);
    await now.delete();
  });
});

describe('decisions of version 10 of the database', () => {
  it('stay with their findings, the later of two on what is one now, and those of nobody knows what', async () => {
    const name = `old-${Math.random()}`;
    const old = new Dexie(name);
    old.version(10).stores({ decisions: '[formId+finding], formId' });
    const decision = (finding: string, at: string) => ({
      formId: 'f',
      finding,
      kind: 'accept',
      reason: at,
      at,
    });
    const noLabel = ' has no label: a click on the words beside it does nothing, and it is not read out.';
    await old
      .table('decisions')
      .bulkPut([
        decision(JSON.stringify(['markup', 'no label', 'a', noLabel]), '2026-11-02T00:00:00Z'),
        decision(JSON.stringify(['markup', 'no label', 'a', `Boat${noLabel}`]), '2026-11-01T00:00:00Z'),
        decision(JSON.stringify(['detour', 'b', 'tel']), '2026-11-01T00:00:00Z'),
        decision(JSON.stringify(['guard', 'past', 'b', 'no spaces', 'key']), '2026-11-01T00:00:00Z'),
        decision('torn', '2026-11-01T00:00:00Z'),
      ]);
    old.close();
    const now = new UkkoDatabase(name);
    const kept = await now.decisions.toArray();
    expect(new Map(kept.map(({ finding, reason }) => [finding, reason]))).toEqual(
      new Map([
        ['["markup","no label","a"]', '2026-11-02T00:00:00Z'],
        ['["detour","b","tel"]', '2026-11-01T00:00:00Z'],
        ['["guard","past","b","deny","spaces","key"]', '2026-11-01T00:00:00Z'],
        ['torn', '2026-11-01T00:00:00Z'],
      ]),
    );
    await now.delete();
  });
});

describe('answers of version 12 of the database', () => {
  it('say by a code why there is none', async () => {
    const name = `old-${Math.random()}`;
    const old = new Dexie(name);
    old.version(12).stores({ answers: '[run+target], run' });
    const answer = (field: string, outcome: object) => ({ question: 'message', field, outcome });
    await old.table('answers').put({
      run: 'r',
      target: 'chromium',
      observations: [
        answer('a', { status: 'inapplicable', reason: 'The field does not take focus.' }),
        answer('b', { status: 'failed', reason: 'The field does not take focus.' }),
        null,
      ],
    });
    old.close();
    const now = new UkkoDatabase(name);
    const [row] = await now.answers.toArray();
    expect(row?.observations).toEqual([
      answer('a', { status: 'inapplicable', reason: { code: 'no focus' } }),
      answer('b', {
        status: 'failed',
        failure: { code: 'older', text: 'The field does not take focus.' },
      }),
      null,
    ]);
    await now.delete();
  });
});

describe('rows that cannot be read', () => {
  it('are set aside whole, and cost those that are well nothing', async () => {
    const fresh = new UkkoDatabase(`spoiled ${Math.random()}`);
    await ensureForms(fresh);
    const well = await fresh.forms.toArray();
    const spoiled = { ...well[0], id: 'spoiled', name: 'Torn', markup: null };
    await fresh
      .table('forms')
      .bulkPut([spoiled, { id: 'bare' }, { ...well[0], id: 'plans', typing: { a: null } }]);
    await fresh.table('lineUps').put({ formId: 'x', targets: 'none' });
    await fresh.table('targets').put({ id: 'y' });
    expect(await setSpoiledAside(fresh)).toBe(5);
    expect(await fresh.forms.toArray()).toEqual(well);
    expect(await fresh.lineUps.count()).toBe(0);
    const aside = await fresh.setAside.toArray();
    expect(aside.map(({ row }) => row)).toContainEqual(spoiled);
    expect(aside.map(nameOfSpoiled)).toContain('form “Torn”');
    expect(JSON.parse(await setAsideFile(fresh)).rows).toHaveLength(5);
    expect(await setSpoiledAside(fresh)).toBe(0);
    fresh.close();
  });

  it('are none of those that Ukko itself writes', async () => {
    const fresh = new UkkoDatabase(`well ${Math.random()}`);
    await ensureForms(fresh);
    await beginRun(fresh, demoForm, defaultLineUp);
    expect(await setSpoiledAside(fresh)).toBe(0);
    fresh.close();
  });
});
