import { describe, expect, it } from 'vitest';
import { type FormDocument, type FormId, typingTasks } from '@/core/document/form-document';
import { readFormFile, writeFormFile } from '@/core/document/form-file';
import { formFindingsAtOnce } from '@/core/finding/collect-findings';
import type { FieldId } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import { readForm } from '@/core/html/read-form';
import { predict } from '@/core/model/predict';
import { askingOf } from '@/core/questions/asking';
import { readSweepRequest } from '@/core/sweep/sweep-request';
import { targetId } from '@/core/target/target';
import { askRestriction } from './fixtures/ask-restriction';

const names = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf', 'isPrototypeOf'];

/** Every text of a form is a name of what every object has: field, id, attribute, type, mode, colour, file. */
const markupWith = (name: string) =>
  `<form id="${name}"><label for="${name}">${name}</label><input id="${name}" name="${name}" type="${name}" ${name}="${name}" inputmode="${name}" pattern="[a-z]+" autocomplete="${name}" list="${name}" enterkeyhint="${name}" value="${name}"><input type=color name=c value="${name}"><input type=radio name="${name}"><button name="${name}" value="${name}">Send</button></form>`;

describe.each(names)('a field called %s', (name) => {
  const markup = markupWith(name);
  const plan = { script: `type "${name}"`, guards: [] };
  const form: FormDocument = {
    id: 'f' as FormId,
    name,
    markup,
    typing: Object.fromEntries([[name, plan]]) as FormDocument['typing'],
  };

  it('is read, found about, and predicted like any other', () => {
    const { fields } = readForm(markup);
    expect(fields[0]).toMatchObject({ id: name, name, kind: 'text' });
    expect(
      formFindingsAtOnce({ markup, typing: {} }, { language: 'en-US', corrections: [] }, askRestriction)
        .length,
    ).toBeGreaterThan(0);
    const none = predict(targetId('chromium'), askingOf(markup, ['typing'], {}), '2026-11-29T08:00:00Z');
    expect(none).toEqual([]);
    const asking = askingOf(markup, ['look', 'typing', 'message', 'submission'], typingTasks(form));
    const answers = predict(targetId('chromium'), asking, '2026-11-29T08:00:00Z');
    expect(answers.filter(({ question }) => question === 'typing')).toMatchObject([
      { field: name, outcome: { status: 'answered' } },
    ]);
  });

  it('has its plan in a file, and in a request', () => {
    const reading = readFormFile(writeFormFile(form));
    expect(reading.status === 'read' && ownEntry(reading.form.typing, name)).toEqual(plan);
    const request = {
      targets: [{ id: 'chromium', ask: 'engine' }],
      asking: askingOf(markup, ['typing'], typingTasks(form)),
    };
    const read = readSweepRequest(JSON.parse(JSON.stringify(request)));
    // Whatever else is missing in it: the scripts are not what it stumbles over.
    if (read.status === 'fault') expect(JSON.stringify(read.fault)).not.toMatch(/scripts/);
  });

  it('is found under its own name alone', () => {
    expect(ownEntry({}, name)).toBeUndefined();
    expect(ownEntry(form.typing, 'other' as FieldId)).toBeUndefined();
  });
});
