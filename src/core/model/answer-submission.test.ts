import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { noDeviations } from '../standard/deviations';
import { receivedEntries } from '../standard/form-decodings';
import { encodeEntries, enctypes } from '../standard/form-encodings';
import { encodeText, outputEncoding } from '../standard/text-encodings';
import { answerSubmission } from './answer-submission';
import { engineDeviations } from './deviations/engine-deviations';

const send = (inner: string, form = 'method=post', deviations = noDeviations) =>
  answerSubmission(
    { html: `<form action="/log" ${form}>${inner}<button id=go>Go</button></form>`, by: '#go' },
    deviations,
  );
const body = (inner: string, form?: string, deviations = noDeviations) => {
  const answer = send(inner, form, deviations);
  return answer && 'body' in answer ? answer.body : JSON.stringify(answer);
};

describe('what is sent', () => {
  it.each([
    [
      'in tree order, with what has no name left out',
      '<input name=b value=2><input value=x><input name=a value="1 &amp; 2">',
      'b=2&a=1+%26+2',
    ],
    [
      'nothing of what is disabled',
      '<input name=a value=1 disabled><fieldset disabled><input name=b></fieldset>',
      '',
    ],
    [
      'what is checked',
      '<input type=checkbox name=c checked><input type=checkbox name=d><input type=radio name=r value=1 checked>',
      'c=on&r=1',
    ],
    [
      'every option that is selected and not disabled',
      '<select name=s multiple><option selected>a<option selected disabled>b<option value=" c" selected>c</select>',
      's=a&s=+c',
    ],
    ['line breaks as CR LF', '<textarea name=t>a\nb</textarea>', 't=a%0D%0Ab'],
    [
      'hard wrapping',
      '<textarea name=t wrap=hard cols=10>the quick brown fox</textarea>',
      't=the+quick%0D%0Abrown+fox',
    ],
    ['the direction', '<input name=a value="\u05d0" dir=auto dirname=d>', 'a=%D7%90&d=rtl'],
    ['the direction around it', '<div dir=rtl><input name=a dirname=d></div>', 'a=&d=rtl'],
    [
      'the name of the encoding',
      '<input type=hidden name=_CHARSET_ value=x><input name=_charset_ value=y>',
      '_CHARSET_=UTF-8&_charset_=y',
    ],
    ['a form owner by id alone', '<input name=a value=1 form=none><input name=b value=2>', 'b=2'],
  ])('%s', (_, inner, sent) => {
    expect(body(inner)).toBe(sent);
  });
  it('by the button that was pressed, and its overrides', () => {
    const html =
      '<form action=/log><input name=a value=1><button name=b value=x>one</button><button id=two name=b value=y formmethod=post formaction="/drafts?z=1" formenctype=text/plain>two</button></form>';
    expect(answerSubmission({ html, by: '#two' })).toEqual({
      method: 'POST',
      url: '/drafts?z=1',
      contentType: 'text/plain',
      body: 'a=1\r\nb=y\r\n',
      blockedBy: null,
    });
  });
  it('by GET in the address, whose own query goes', () => {
    expect(
      answerSubmission({
        html: '<form action="/log?old=1#f"><input name=a value="é"><button id=go></button></form>',
        by: '#go',
      }),
    ).toEqual({ method: 'GET', url: '/log?a=%C3%A9', contentType: null, body: '', blockedBy: null });
  });
  it('in several parts, with names escaped and files named', () => {
    const html =
      '<form method=post enctype=multipart/form-data><input name="a&quot;b&#10;c" value="1"><input type=file name=f id=file><button id=go></button></form>';
    expect(answerSubmission({ html, by: '#go', files: { '#file': ['tide.txt'] } })).toMatchObject({
      contentType: 'multipart/form-data; boundary=BOUNDARY',
      body: '--BOUNDARY\r\nContent-Disposition: form-data; name="a%22b%0D%0Ac"\r\n\r\n1\r\n--BOUNDARY\r\nContent-Disposition: form-data; name="f"; filename="tide.txt"\r\nContent-Type: text/plain\r\n\r\n\r\n--BOUNDARY--\r\n',
    });
  });
  it('in the encoding that the form asks for', () => {
    expect(
      send('<input name=a value="é€例">', 'method=post accept-charset="bogus windows-1252"'),
    ).toMatchObject({
      body: 'a=%E9%80%26%2320363%3B',
    });
    expect(
      send('<input name=a value="é">', 'method=post accept-charset=iso-8859-15 enctype=text/plain'),
    ).toMatchObject({
      body: 'a=\u00e9\r\n',
      bodyIsLatin1Bytes: true,
    });
  });
});

describe('what is not sent', () => {
  it('a form with something that is not valid, unless it says so', () => {
    expect(send('<input name=a required id=first><input type=email name=b value=x>')).toEqual({
      noRequest: true,
      blockedBy: 'first',
    });
    expect(body('<input name=a required>', 'method=post novalidate')).toBe('a=');
    expect(send('<input type=radio name=r required><input type=radio name=r>')).toMatchObject({
      noRequest: true,
      blockedBy: 'r',
    });
  });
  it('by a button of another sort, of no form, or one that nobody finds', () => {
    const by = (html: string) => answerSubmission({ html, by: '#go' });
    expect(by('<form><button id=go type=button></button></form>')).toEqual({
      noRequest: true,
      blockedBy: null,
    });
    expect(by('<form><button id=go disabled></button></form>')).toEqual({ noRequest: true, blockedBy: null });
    expect(by('<button id=go></button>')).toEqual({ noRequest: true, blockedBy: null });
    expect(by('<form method=dialog><button id=go></button></form>')).toEqual({
      noRequest: true,
      blockedBy: null,
    });
    expect(by('<form action="mailto:a@b"><button id=go></button></form>')).toEqual({
      noRequest: true,
      blockedBy: null,
    });
    expect(by('<form></form>')).toBeNull();
  });
});

describe('where engines part', () => {
  it('about addresses, datalists, directions and wrapping', () => {
    const each = (inner: string) =>
      [noDeviations, engineDeviations.chromium, engineDeviations.firefox, engineDeviations.webkit].map(
        (deviations) => body(inner, 'method=post novalidate', deviations),
      );
    expect(each('<input type=email name=a value="a@münchen.de">')).toEqual([
      'a=a%40m%C3%BCnchen.de',
      'a=a%40xn--mnchen-3ya.de',
      'a=a%40m%C3%BCnchen.de',
      'a=a%40m%C3%BCnchen.de',
    ]);
    expect(each('<datalist><input name=d value=1></datalist>')).toEqual(['', 'd=1', 'd=1', 'd=1']);
    expect(each('<input name=a dirname="">')).toEqual(['a=', 'a=&=ltr', 'a=', 'a=&=ltr']);
    expect(each('<textarea name=t wrap=hard cols=10>the quick fox</textarea>')[1]).toBe(
      't=the+quick+%0D%0Afox',
    );
  });
});

describe('encodings', () => {
  const entry = fc.record({
    name: fc.string({ unit: 'grapheme', minLength: 1 }),
    value: fc.string({ unit: 'grapheme' }),
    ordinal: fc.constant(0),
  });
  it.each(enctypes)('%s: a server reads what was meant', (enctype) => {
    const crlf = (text: string) => text.replace(/\r\n|\r|\n/g, '\r\n');
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 5 }), (entries) => {
        // Plain text is not meant to be read by programs: a name with = or a line break is lost.
        fc.pre(
          enctype !== 'text/plain' ||
            entries.every(({ name, value }) => !/[=\r\n]/.test(name) && !/[\r\n]/.test(value)),
        );
        // A percent sign in a name looks like an escaped quote.
        fc.pre(enctype !== 'multipart/form-data' || entries.every(({ name }) => !name.includes('%')));
        const { contentType, body } = encodeEntries(
          entries,
          enctype,
          'UTF-8',
          'a-boundary-that-is-nowhere-else',
        );
        expect(receivedEntries('/', contentType, body).map(({ name, value }) => [name, value])).toEqual(
          entries.map(({ name, value }) => [crlf(name), crlf(value)]),
        );
      }),
    );
  });
  it.each(['windows-1252', 'iso-8859-15', 'koi8-r', 'shift_jis', 'gbk', 'euc-kr', 'big5'])(
    '%s: what is encoded is decoded to the same text',
    (label) => {
      const encoding = outputEncoding(label) ?? '';
      fc.assert(
        fc.property(
          fc.string({ unit: fc.integer({ min: 0x20, max: 0x7e }).map((code) => String.fromCharCode(code)) }),
          (text) => {
            expect(encodeText(text, encoding)).toBe(text);
          },
        ),
      );
      expect(encodeText('😀', encoding)).toBe('&#128512;');
    },
  );
  it('takes the first label that there is', () => {
    expect(['latin1', 'UTF-16', 'Shift_JIS', 'nonsense'].map(outputEncoding)).toEqual([
      'windows-1252',
      'UTF-8',
      'Shift_JIS',
      null,
    ]);
  });
});
