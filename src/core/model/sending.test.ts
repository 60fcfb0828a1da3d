import { describe, expect, it } from 'vitest';
import { sendingDifferences } from '../compare/sending-differences';
import { demoForm, hurriedForm } from '../demo/demo-forms';
import { readForm } from '../form/read-form';
import { trialFiles } from '../form/trial-files';
import { askingOf } from '../observation/asking';
import type { Sending, SubmissionObservation } from '../observation/observation';
import { receivedEntries } from '../standard/form-decodings';
import { standardWays, type Ways } from '../standard/ways';
import { targetId } from '../target/target';
import { answerSubmission } from './answer-submission';
import { engineWays } from './engine-ways';
import { predict } from './predict';
import { unsentFields } from './unsent-fields';
import { waysToSend } from './ways-to-send';

function predicted(markup: string) {
  const asking = askingOf(markup, ['submission']);
  return predict(targetId('chromium'), asking, '').map((one) => {
    const { outcome } = one as SubmissionObservation;
    if (outcome.status !== 'answered') throw new Error(outcome.reason);
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
      unsentFields(hurriedForm.markup, fields, 0, standardWays).map(({ field, why }) => `${field}: ${why}`),
    ).toEqual([
      'input-5: it has no name',
      'meter-27: a meter is never sent',
      'progress-28: a progress bar is never sent',
      'output-29: an output is never sent',
    ]);
    const outside = '<input name=out><form><input name=in disabled><button></button></form>';
    expect(
      unsentFields(outside, readForm(outside).fields, 0, standardWays)
        .slice(0, 2)
        .map(({ why }) => why),
    ).toEqual(['it belongs to no form', 'it is disabled']);
  });
});

describe('when one may send', () => {
  const ways = (inner: string) => {
    const markup = `<form>${inner}</form>`;
    const { fields } = readForm(markup);
    const button = fields.find(({ kind }) => kind === 'submit');
    if (!button) throw new Error('no button');
    return Object.fromEntries(waysToSend(markup, fields, button).map(({ way, result }) => [way, result]));
  };
  it('differs by the way while something is not valid', () => {
    expect(ways('<input name=a required><button>Go</button>')).toEqual({
      button: 'stopped',
      'button while valid': 'nothing: there is no button',
      enter: 'stopped, as by Go',
      'requestSubmit()': 'stopped',
      'submit()': 'sent, though 1 field is not valid',
    });
    expect(ways('<input name=a required><button formnovalidate>Draft</button>').enter).toBe(
      'sent, though 1 field is not valid, as by Draft',
    );
    expect(Object.values(ways('<input name=a><button disabled>Go</button>'))).toContain('nothing');
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
    sendingDifferences(a, b, 'Chromium', readForm('<label>Boat <input name=a></label>').fields).map(
      ({ text }) => text,
    );
  it('differ by outcome, by what is in the way, and by entries', () => {
    const blocked: Sending = {
      status: 'blocked',
      by: readForm('<input name=a>').fields[0]?.id ?? null,
      message: 'Fill it.',
      invalid: [],
    };
    expect(differences(sent('a=1'), sent('a=1'))).toEqual([]);
    expect(differences(sent('a=1&b=2'), sent('a=2&c=3'))).toEqual([
      'a is “2”, in Chromium “1”.',
      'c is sent here, in Chromium it is not.',
      'b is not sent here, in Chromium it is.',
    ]);
    expect(differences(blocked, sent(''))).toEqual([
      'Here the form is sent, in Chromium a field is in the way.',
    ]);
    expect(differences(blocked, { ...blocked, by: null, message: 'Mend it.' })).toEqual([
      'Here no field is in the way, in Chromium Boat.',
      'It says “Mend it.”, Chromium says “Fill it.”.',
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
    const sentIn = (ways: Ways) => answerSubmission({ html, by: '#go' }, ways);
    expect(sentIn(engineWays.webkit)).toMatchObject({ url: '/?a=&' });
    expect(sentIn(engineWays.chromium)).toMatchObject({ url: '/?a=&%23128512;' });
  });
});
