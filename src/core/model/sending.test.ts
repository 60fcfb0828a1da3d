import { describe, expect, it } from 'vitest';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import { trialFiles } from '../document/trial-files';
import { readForm } from '../html/read-form';
import { askingOf } from '../questions/asking';
import { sendingDifferences } from '../questions/submission/differences';
import type { Sending, SubmissionObservation } from '../questions/submission/facts';
import { type Deviations, noDeviations } from '../standard/deviations';
import { receivedEntries } from '../standard/form-decodings';
import { targetId } from '../target/target';
import { unsentFieldClause, wayWords } from '../words/submission-words';
import { answerSubmission } from './answer-submission';
import { engineDeviations } from './deviations/engine-deviations';
import { predict } from './predict';
import { unsentFields } from './unsent-fields';
import { waysToSend } from './ways-to-send';

function predicted(markup: string) {
  const asking = askingOf(markup, ['submission']);
  return predict(targetId('chromium'), asking, '').map((one) => {
    const { outcome } = one as SubmissionObservation;
    if (outcome.status !== 'answered') throw new Error(JSON.stringify(outcome));
    return { button: one.field, ...outcome.facts };
  });
}

describe('what the model says of a submission', () => {
  it('stops the demo form at its first field, and sends all of it filled in', () => {
    const [draft, send] = predicted(demoForm.markup);
    expect(draft?.asIs).toMatchObject({ status: 'sent', url: '/drafts' });
    expect(send?.asIs).toEqual({
      status: 'blocked',
      by: 'station',
      message: 'Please fill out this field.',
      invalid: ['station', 'observer', 'email', 'pin', 'passphrase', 'date', 'level', 'tide'],
    });
    if (send?.filled.status !== 'sent') throw new Error('not sent');
    const entries = receivedEntries(send.filled.url, send.filled.contentType, send.filled.body);
    expect(entries.slice(0, 3).map(({ name, value }) => [name, value])).toEqual([
      ['station', 'SKR-04'],
      ['observer', 'Ada Holm'],
      ['island', 'hst'],
    ]);
    expect(entries.at(-1)).toMatchObject({ name: 'do', value: 'send' });
    expect(entries.filter(({ name }) => name === 'photos')).toHaveLength(2);
  });
  it('names what is never sent, and why', () => {
    const { fields } = readForm(hurriedForm.markup);
    expect(
      unsentFields(hurriedForm.markup, fields, 0, noDeviations).map(
        (one) => `${one.field}: ${unsentFieldClause(one)}`,
      ),
    ).toEqual([
      'input-5: it has no name',
      'meter-27: a meter is never sent',
      'progress-28: a progress bar is never sent',
      'output-29: an output is never sent',
    ]);
    const outside = '<input name=out><form><input name=in disabled><button></button></form>';
    expect(
      unsentFields(outside, readForm(outside).fields, 0, noDeviations)
        .slice(0, 2)
        .map(({ why }) => why),
    ).toEqual(['no form', 'disabled']);
    // What a script's own element puts into the form nobody knows from markup.
    const widgets = '<form><div contenteditable id=a></div><x-dial role=slider id=b></x-dial></form>';
    expect(
      unsentFields(widgets, readForm(widgets).fields, 0, noDeviations).map(
        (one) => `${one.field}: ${unsentFieldClause(one)}`,
      ),
    ).toEqual(['a: it is no control of the form, and only a script can send it']);
  });
});

describe('when one may send', () => {
  const deviations = (inner: string) => {
    const markup = `<form>${inner}</form>`;
    const { fields } = readForm(markup);
    const button = fields.find(({ kind }) => kind === 'submit');
    if (!button) throw new Error('no button');
    return Object.fromEntries(
      waysToSend(markup, fields, button).map(({ way, outcome }) => [way, wayWords(outcome).result]),
    );
  };
  it('differs by the way while something is not valid', () => {
    expect(deviations('<input name=a required><button>Go</button>')).toEqual({
      button: 'stopped',
      'button while valid': 'nothing: there is no button',
      enter: 'stopped, as by Go',
      'requestSubmit()': 'stopped',
      'submit()': 'sent, though 1 field is not valid',
    });
    expect(deviations('<input name=a required><button formnovalidate>Draft</button>').enter).toBe(
      'sent, though 1 field is not valid, as by Draft',
    );
    expect(Object.values(deviations('<input name=a><button disabled>Go</button>'))).toContain('nothing');
  });
});

describe('two submissions compared', () => {
  const sent = (body: string): Sending => ({
    status: 'sent',
    method: 'POST',
    url: '/log',
    contentType: 'application/x-www-form-urlencoded',
    body,
  });
  const differences = (a: Sending, b: Sending) =>
    sendingDifferences(a, b, readForm('<label>Boat <input name=a></label>').fields);
  it('differ by outcome, by what is in the way, and by entries', () => {
    const blocked: Sending = {
      status: 'blocked',
      by: readForm('<input name=a>').fields[0]?.id ?? null,
      message: 'Fill it.',
      invalid: [],
    };
    expect(differences(sent('a=1'), sent('a=1'))).toEqual([]);
    expect(differences(sent('a=1&b=2'), sent('a=2&c=3'))).toEqual([
      { what: 'entry', name: 'a', here: ['2'], there: ['1'] },
      { what: 'entry', name: 'c', here: ['3'], there: [] },
      { what: 'entry', name: 'b', here: [], there: ['2'] },
    ]);
    expect(differences(blocked, sent(''))).toEqual([{ what: 'outcome', here: 'sent', there: 'blocked' }]);
    expect(differences(blocked, { ...blocked, by: null, message: 'Mend it.' })).toEqual([
      { what: 'blocked', here: null, there: 'Boat' },
      { what: 'message', here: 'Mend it.', there: 'Fill it.' },
    ]);
  });
});

describe('files to choose', () => {
  const files = (attributes: string) => {
    const [field] = readForm(`<form><input ${attributes}></form>`).fields;
    return field ? trialFiles(field).map(({ name, type }) => `${name} ${type}`) : [];
  };
  it('suit what the field accepts, two where there may be several, none where nobody can choose', () => {
    expect(files('type=file')).toEqual(['Möwen "Nord".txt text/plain']);
    expect(files('type=file multiple accept="image/*"')).toEqual([
      'Möwen "Nord".png image/png',
      'seal.png image/png',
    ]);
    expect(files('type=file accept=".pdf"')).toEqual(['Möwen "Nord".pdf application/pdf']);
    expect(files('type=file disabled')).toEqual([]);
    expect(files('type=text')).toEqual([]);
  });
  it('are names alone where the form is not sent in parts', () => {
    const [sent] = predicted(
      '<form action="/log"><input type=file name=photo><button name=do value=x>Send</button></form>',
    );
    expect(sent?.filled).toMatchObject({ url: '/log?photo=M%C3%B6wen+%22Nord%22.txt&do=x' });
    expect(sent?.asIs).toMatchObject({ url: '/log?photo=&do=x' });
  });
});

describe('a query in plain text', () => {
  it('ends at a hash sign in WebKit, even at that of a character that the encoding lacks', () => {
    const html =
      '<form method=post accept-charset=windows-1252><input name=a value="😀"><button id=go formmethod=get formenctype=text/plain>Go</button></form>';
    const sentIn = (deviations: Deviations) => answerSubmission({ html, by: '#go' }, deviations);
    expect(sentIn(engineDeviations.webkit)).toMatchObject({ url: '/?a=&' });
    expect(sentIn(engineDeviations.chromium)).toMatchObject({ url: '/?a=&%23128512;' });
  });
});
