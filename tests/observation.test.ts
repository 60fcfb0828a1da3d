import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoForm } from '@/core/demo/demo-forms';
import { limits, typingTasks } from '@/core/document/form-document';
import { readFormFile } from '@/core/document/form-file';
import { fieldId } from '@/core/html/field';
import { type PictureId, pictureId } from '@/core/observation/picture';
import type { Measured } from '@/core/observation/provenance';
import { askingOf, planOf } from '@/core/questions/asking';
import type { LookFacts, LookObservation } from '@/core/questions/look/facts';
import { type Observation, observationKey, pageQuestions } from '@/core/questions/observation';
import { typingStepOf } from '@/core/questions/typing/typing-step';
import type { Run, RunId } from '@/core/run/run';
import { readRunFile, runFileJsonSchema, writeRunFile } from '@/core/run/run-file';
import { askModels } from '@/core/sweep/ask-models';
import { owedAnswers } from '@/core/sweep/owed-answers';
import { collectRun, type Observers, sweep } from '@/core/sweep/sweep';
import type { SweepMessage } from '@/core/sweep/sweep-message';
import { askingFault, readSweepRequest } from '@/core/sweep/sweep-request';
import { defaultLineUp, findTarget, targets } from '@/core/target/line-up';
import { type EngineTarget, targetId } from '@/core/target/target';
import { ukkoVersion } from '@/core/version';
import { fileFaultText } from '@/core/words/file-fault-words';
import { provenanceText } from '@/core/words/provenance-words';
import { sweepFaultText } from '@/core/words/request-fault-words';
import packageFile from '../package.json';

const asking = askingOf(demoForm.markup, pageQuestions, typingTasks(demoForm));
const chromium = targetId('chromium');
const start = {
  id: 'r' as RunId,
  form: demoForm,
  lineUp: defaultLineUp,
  ukko: ukkoVersion,
  startedAt: '2026-11-23T08:00:00Z',
};
const picture = { id: 'a'.repeat(64) as PictureId, width: 2, height: 1, data: 'AAAA' };

const look: LookObservation = {
  field: fieldId('level'),
  target: chromium,
  at: '2026-11-23T08:00:01Z',
  provenance: {
    mark: 'measured',
    engine: 'Chromium',
    version: '156',
    protocol: 'WebDriver BiDi',
    unable: [],
  },
  question: 'look',
  state: 'closed',
  outcome: {
    status: 'answered',
    facts: {
      typeReflected: 'number',
      size: { width: 80, height: 21.5 },
      value: '',
      textShown: '3,5',
      sent: ['level='],
      font: '13px sans-serif',
      contrast: { text: 21, placeholder: null },
      pseudoClasses: [':enabled'],
      marks: [{ by: 'small::after', text: '!' }],
      moves: false,
      picture: picture.id,
    },
  },
};

const keyboard: Observation = {
  field: fieldId('level'),
  target: chromium,
  at: look.at,
  provenance: look.provenance,
  question: 'keyboard',
  outcome: {
    status: 'answered',
    facts: {
      asked: { purpose: 'number', hints: ['sensitive_data'] },
      layout: 'number/us',
      height: { before: 960, with: 540 },
      program: 'squeekboard',
      fieldInSight: true,
      tapped: [{ type: 'keydown', key: '1', inputType: null, data: null, value: '' }],
      picture: picture.id,
    },
  },
};
const onDevice: Observation = {
  ...keyboard,
  target: targetId('device-1'),
  provenance: { mark: 'captured', browser: 'Some browser 1', events: 'trusted' },
  outcome: {
    status: 'answered',
    facts: {
      asked: 'untold',
      layout: 'untold',
      height: { before: 700, with: 400 },
      program: null,
      fieldInSight: false,
      tapped: null,
      picture: null,
    },
  },
};

/** A sweep whose engine answers one question and whose probe answers none. */
async function smallRun(): Promise<Run> {
  const gathered = collectRun(start);
  const observers: Observers = {
    engines: async (_, __, emit) => {
      emit({ type: 'picture', picture });
      for (const observation of [look, keyboard, onDevice]) emit({ type: 'observation', observation });
      emit({ type: 'finished', target: chromium });
    },
    probe: async () => undefined,
    models: askModels(() => new Date()),
  };
  await sweep(targets, asking, observers, gathered.emit, new AbortController().signal);
  return gathered.run('2026-11-23T08:00:05Z');
}

describe('a sweep', () => {
  it('asks each target in its own way and gathers a run', async () => {
    const run = await smallRun();
    expect(run.pictures).toEqual([picture]);
    expect(run.observations.filter((o) => o.target === chromium)).toEqual([look, keyboard]);
    expect(run.observations.filter((o) => o.target === 'blink-phone')).toHaveLength(planOf(asking).length);
  });

  it('lets one observer break without taking the answers of the others along', async () => {
    const messages: SweepMessage[] = [];
    const broken: Observers = {
      engines: () => Promise.reject(new Error('broken')),
      probe: async () => undefined,
      models: askModels(() => new Date()),
    };
    await expect(
      sweep(targets, asking, broken, (m) => messages.push(m), new AbortController().signal),
    ).rejects.toThrow('broken');
    expect(messages.some((m) => m.type === 'finished')).toBe(true);
  });
});

describe('owed answers', () => {
  it('names what never came, question by question', () => {
    const books = owedAnswers(asking);
    books.give(look);
    const missing = books.failed(look, { code: 'server silent' });
    expect(missing).toHaveLength(books.total - 1);
    expect(missing.map(observationKey)).not.toContain(observationKey(look));
    expect(missing.every((o) => o.outcome.status === 'failed')).toBe(true);
  });
});

describe('a run file', () => {
  const published = new URL('../docs/run-file.schema.json', import.meta.url);
  const schema = new Ajv({ strict: false, validateFormats: false }).compile(
    JSON.parse(readFileSync(published, 'utf8')),
  );

  it('gives the same run back, and keeps to the published schema', async () => {
    const run = await smallRun();
    const text = writeRunFile(run);
    expect(readRunFile(text)).toEqual({ status: 'read', run });
    expect([schema(JSON.parse(text)), schema.errors]).toEqual([true, null]);
  });

  it('is checked by the schema that is published; `npm run schemas` writes it anew', () => {
    expect(JSON.parse(readFileSync(published, 'utf8'))).toEqual(runFileJsonSchema());
  });

  it.each([
    ['', 'This is not a run file of Ukko.'],
    ['{"format":"ukko-run"', 'This is not a run file of Ukko.'],
    ['[1]', 'This is not a run file of Ukko.'],
    [
      '{"format":"ukko-run","version":99}',
      'The run file has version 99; this Ukko reads up to version 5. Open it with a newer Ukko.',
    ],
    ['{"format":"ukko-run"}', 'The run file does not state its version.'],
    ['{"format":"ukko-run","version":1}', 'The run file is wrong at '],
  ])('%j is refused with a sentence', (text, sentence) => {
    const reading = readRunFile(text);
    expect(reading.status === 'fault' && fileFaultText(reading.fault)).toContain(sentence);
  });

  it.each([1, 2, 3, 4])(
    'as an Ukko of that time wrote it, version %i, is read, and written anew',
    (version) => {
      const file = readFileSync(new URL(`./fixtures/files/run-${version}.json`, import.meta.url), 'utf8');
      expect(JSON.parse(file).version).toBe(version);
      const reading = readRunFile(file);
      if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
      expect([reading.run.form.name, reading.run.ukko]).toEqual(['boat.html', version < 3 ? null : '0.1.0']);
      expect(reading.run.observations.length).toBeGreaterThan(10);
      expect(readRunFile(writeRunFile(reading.run))).toEqual(reading);
    },
  );

  it('of version 3 is read with codes in the place of what it said, and what is not known stays as it was said', () => {
    const file = readFileSync(new URL('./fixtures/files/run-3-reasons.json', import.meta.url), 'utf8');
    const reading = readRunFile(file);
    if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
    const { observations } = reading.run;
    const reasons = observations.flatMap(({ outcome }) =>
      outcome.status === 'inapplicable' ? [outcome.reason] : [],
    );
    expect(new Set(reasons.map(({ code }) => code)).size).toBeGreaterThan(20);
    expect(reasons.filter(({ code }) => code === 'older')).toEqual([
      { code: 'older', text: 'Somebody wrote this.' },
    ]);
    const whys = observations.flatMap((one) =>
      one.question === 'submission' && one.outcome.status === 'answered' && /^b\d$/.test(one.field)
        ? [one.outcome.facts.asIs]
        : [],
    );
    expect(whys.flatMap((one) => (one.status === 'nothing' ? [one.why] : []))).toEqual([
      { code: 'no request' },
      { code: 'no form' },
      { code: 'no address' },
      { code: 'no server' },
      { code: 'policy', allowed: 'https://x.test' },
      { code: 'no line of text' },
      { code: 'dialog' },
      { code: 'no submit button' },
      { code: 'older', text: 'asleep' },
    ]);
    expect(
      observations.flatMap(({ outcome }) => (outcome.status === 'failed' ? [outcome.failure] : [])),
    ).toEqual([{ code: 'older', text: 'Chromium went away in the middle of the work.' }]);
    expect(readRunFile(writeRunFile(reading.run))).toEqual(reading);
    expect([schema(JSON.parse(writeRunFile(reading.run))), schema.errors]).toEqual([true, null]);
  });

  it('of version 3 says of a measured keyboard which one could be asked then, of a device’s own nothing', async () => {
    const run = { ...(await smallRun()), observations: [keyboard, onDevice] };
    const version3 = JSON.parse(writeRunFile(run).replace(/"program": [^,]*,/g, ''));
    const reading = readRunFile(JSON.stringify({ ...version3, version: 3 }));
    expect(reading).toEqual({ status: 'read', run });
    expect(readRunFile(JSON.stringify(version3)).status).toBe('fault');
  });

  it('and a form file of version 1 are opened', () => {
    const file = readFileSync(new URL('./fixtures/files/form-1.json', import.meta.url), 'utf8');
    expect(readFormFile(file)).toMatchObject({ status: 'read', form: { name: 'Skerry Tide Log' } });
  });

  it('says which Ukko asked', () => {
    expect(packageFile.version).toBe(ukkoVersion);
  });

  it('of version 1 is read: targets are found by their ids, and what was not asked then is not known', async () => {
    const run = await smallRun();
    const { sent, font, contrast, pseudoClasses, marks, ...facts } =
      look.outcome.status === 'answered' ? look.outcome.facts : ({} as LookFacts);
    expect([sent, font, contrast, pseudoClasses, marks].every((one) => one !== null)).toBe(true);
    const { unable: _, ...provenance } = look.provenance as Measured;
    const version1 = {
      ...run,
      format: 'ukko-run',
      version: 1,
      lineUp: { targets: ['chromium', 'gone'], reference: 'chromium' },
      observations: [
        { ...look, provenance, outcome: { status: 'answered', facts: { ...facts, parts: null } } },
      ],
    };
    const reading = readRunFile(JSON.stringify(version1));
    if (reading.status === 'fault') throw new Error(JSON.stringify(reading.fault));
    expect(reading.run.lineUp.targets.map(({ name }) => name)).toEqual(['Chromium', 'gone']);
    expect(reading.run.observations[0]).toMatchObject({
      provenance: { unable: [] },
      outcome: { facts: { typeReflected: 'number', sent: null, contrast: null } },
    });
    expect(readRunFile(writeRunFile(reading.run))).toEqual(reading);
  });

  it('with any one thing in it spoiled is refused with a sentence, or read as a run that can be written again', async () => {
    const text = writeRunFile({ ...(await smallRun()), observations: [look] });
    const value = JSON.parse(text);
    const paths = pathsIn(value);
    const spoil = fc.oneof(
      fc.constantFrom(null, -1, '', [], {}, true, 'x'.repeat(300)),
      fc.string(),
      fc.integer(),
    );
    fc.assert(
      fc.property(fc.constantFrom(...paths), spoil, (path, by) => {
        const spoiled = replaced(value, path, by);
        const reading = readRunFile(JSON.stringify(spoiled));
        // A version of before is raised before it is checked.
        if (path[0] !== 'version') expect(schema(spoiled)).toBe(reading.status === 'read');
        if (reading.status === 'read') expect(readRunFile(writeRunFile(reading.run))).toEqual(reading);
        else expect(fileFaultText(reading.fault)).toMatch(/^[A-Z].*\.$/s);
      }),
      { numRuns: 500 },
    );
  });
});

type Path = readonly (string | number)[];

function pathsIn(value: unknown, at: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [at, ...Object.entries(value).flatMap(([key, inner]) => pathsIn(inner, [...at, key]))];
}

function replaced(value: unknown, [key, ...rest]: Path, by: unknown): unknown {
  if (key === undefined) return by;
  const copy: Record<string, unknown> = Object.assign(Array.isArray(value) ? [] : {}, value);
  copy[key] = replaced(copy[key], rest, by);
  return copy;
}

describe('a sweep request', () => {
  const request = {
    markup: '<input name=a>',
    questions: ['look'],
    scripts: {},
    fields: null,
    targets: [findTarget(chromium)],
  };

  it('is read into an asking', () => {
    const reading = readSweepRequest(request);
    expect(reading.status === 'read' && [reading.asking.fields.length, reading.targets[0]?.id]).toEqual([
      1,
      'chromium',
    ]);
    const said = readSweepRequest({ ...request, language: 'ja', markup: '<input name=a>' });
    expect(said.status === 'read' && said.asking.fields[0]?.controls[0].language).toBe('ja');
    expect(readSweepRequest({ ...request, language: null }).status).toBe('read');
    expect(readSweepRequest({ ...request, language: 'no such tag' }).status).toBe('fault');
    const chosen = readSweepRequest({ ...request, fields: ['b'], markup: '<input name=a><input name=b>' });
    expect(chosen.status === 'read' && chosen.asking.fields.map((f) => f.id)).toEqual(['b']);
  });

  it('may say what is there of an earlier sweep', () => {
    const basis = { page: '0'.repeat(20), field: null };
    const answer = { field: 'a', question: 'message', state: null, basis };
    const reading = readSweepRequest({ ...request, earlier: [{ target: 'chromium', answers: [answer] }] });
    expect(reading.status === 'read' && [...reading.earlier]).toEqual([['chromium', [answer]]]);
    const wrong = { ...answer, basis: { ...basis, page: 'z'.repeat(20) } };
    const refused = readSweepRequest({ ...request, earlier: [{ target: 'chromium', answers: [wrong] }] });
    expect(refused.status === 'fault' && sweepFaultText(refused.fault)).toContain(
      'earlier[0].answers[0].basis.page',
    );
  });

  it.each([
    [{ ...request, markup: '' }, 'The form has no markup.'],
    [{ ...request, markup: '<p>no fields</p>' }, 'The form has no fields yet.'],
    [{ ...request, markup: '<input>'.repeat(limits.fields + 1) }, `one sweep takes up to ${limits.fields}.`],
    [
      { ...request, markup: 'x'.repeat(limits.markup + 1) },
      'The markup is longer than 1,000,000 characters.',
    ],
    [{ ...request, targets: [findTarget(targetId('blink-phone'))] }, 'targets[0]'],
    [{ ...request, targets: ['chromium'] }, 'targets[0]'],
    [{ ...request, targets: [{ ...findTarget(chromium), address: 'http://elsewhere' }] }, 'address'],
    [{ ...request, targets: [findTarget(chromium), findTarget(chromium)] }, 'Two targets have the same id.'],
    [{ ...request, address: 'http://elsewhere' }, 'address'],
    [{ ...request, scripts: { a: { script: [{ kind: 'key', key: 'x'.repeat(65) }], guards: [] } } }, 'key'],
    [null, ''],
    ['{}', ''],
  ])('%# is refused with a sentence', (value, sentence) => {
    const reading = readSweepRequest(value);
    expect(reading.status === 'fault' && sweepFaultText(reading.fault)).toContain(sentence);
  });

  it('has limits that the CLI keeps too', () => {
    expect(askingFault(asking)).toBeNull();
    expect(askingFault(askingOf('', ['look']))).toEqual({ code: 'no fields' });
  });
});

describe('a run of a form of any size', () => {
  const options = (count: number) =>
    Array.from({ length: count }, (_, index) => `<option selected value=${index}>o`).join('');

  it.each([
    ['a long name', `<form><input name="${'n'.repeat(5000)}" required><button>Send</button></form>`],
    [
      'a long label',
      `<form><label>${'l'.repeat(50_000)}<input name=a required></label><button>Send</button></form>`,
    ],
    ['many options', `<form><select multiple name=m>${options(3000)}</select><button>Send</button></form>`],
    ['a long value', `<form><input name=a value="${'v'.repeat(100_000)}"><button>Send</button></form>`],
    ['many fields in the way', `<form>${'<input required name=a>'.repeat(450)}<button>Send</button></form>`],
  ])('can be asked for, and is read again as it was written: %s', async (_, markup) => {
    const phone = targets.find(({ id }) => id === 'blink-phone');
    if (!phone) throw new Error('no phone');
    const form = { ...demoForm, markup };
    const questions = pageQuestions.filter((one) => one !== 'typing');
    const gathered = collectRun({ ...start, form, lineUp: { targets: [phone], reference: phone.id } });
    const observers = {
      engines: async () => undefined,
      probe: async () => undefined,
      models: askModels(() => new Date()),
    };
    await sweep([phone], askingOf(markup, questions), observers, gathered.emit, new AbortController().signal);
    const run = gathered.run('2026-11-23T08:00:09Z');
    expect(run.observations.length).toBeGreaterThan(0);
    const reading = readRunFile(writeRunFile(run));
    expect(reading).toMatchObject({ status: 'read', run: { observations: run.observations } });
    const request = {
      markup,
      questions,
      scripts: {},
      fields: askingOf(markup, questions).fields.map(({ id }) => id),
      targets: targets.filter(({ ask }) => ask === 'engine').slice(0, 1),
      page: null,
    };
    expect(readSweepRequest(request).status).toBe('read');
  });
});

describe('small things', () => {
  it('says where an answer comes from in one line', () => {
    expect(provenanceText(look.provenance)).toBe('Measured: Chromium 156 over WebDriver BiDi');
    expect(provenanceText({ mark: 'captured', browser: 'Chrome 156', events: 'script-made' })).toContain(
      'script-made events',
    );
  });
  it('names a picture by what is in it', async () => {
    expect(pictureId(new Uint8Array([1]))).toMatch(/^[0-9a-f]{64}$/);
    expect(pictureId(new Uint8Array([1]))).not.toBe(pictureId(new Uint8Array([2])));
  });
  it('keeps an answer’s target, mark, question and field apart in its key', () => {
    const other: Observation = { ...look, provenance: { mark: 'modelled', model: 'm', source: 's' } };
    expect(observationKey(other)).not.toBe(observationKey(look));
    expect(observationKey({ ...look, state: 'filled' })).not.toBe(observationKey(look));
  });
  it('knows its targets', () => {
    expect(findTarget(targetId('nobody'))).toBeNull();
    expect((findTarget(chromium) as EngineTarget).engine).toBe('chromium');
  });
  it('reads a refused stroke off its events', () => {
    const typed = {
      text: '',
      caret: { start: 0, end: 0 },
      value: '',
      events: [],
      guard: null,
      rewrittenBy: [],
      endless: null,
      hadFocus: true,
    };
    expect(typingStepOf({ kind: 'key', key: 'a' }, typed).refused).toBe('target');
    expect(typingStepOf({ kind: 'key', key: 'a' }, { ...typed, hadFocus: false }).refused).toBeNull();
    expect(typingStepOf({ kind: 'key', key: 'Home' }, typed).refused).toBeNull();
    expect(typingStepOf({ kind: 'key', key: 'a' }, { ...typed, guard: 'g' }).refused).toBe('guard');
  });
});
