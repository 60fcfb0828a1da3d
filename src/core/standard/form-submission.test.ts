import { describe, expect, it } from 'vitest';
import { pageOf } from '../html/page-controls';
import { parsedState } from './control-state';
import { type Submission, type SubmissionOutcome, submit } from './form-submission';

/** What comes of the first form of a page. */
function outcome(markup: string, submission: Partial<Submission> = {}): SubmissionOutcome {
  const { controls, forms } = pageOf(markup);
  const own = controls.filter(({ form }) => form === 0).map((control) => parsedState(control));
  return submit(
    { attributes: forms[0] ?? {}, controls: own },
    { submitter: null, base: 'https://skerry.example/log/new?old#top', boundary: 'BOUNDARY', ...submission },
  );
}

function request(markup: string, submission: Partial<Submission> = {}): string {
  const sent = outcome(markup, submission);
  if (sent.status !== 'sent') return sent.status === 'blocked' ? 'blocked' : sent.why;
  return [`${sent.method} ${sent.url}`, sent.contentType, sent.body].filter(Boolean).join(' | ');
}

describe('a form that is sent', () => {
  it.each<[what: string, markup: string, expected: string]>([
    ['goes to its page by GET', '<form><input name=a value="1 2"></form>', 'GET /log/new?a=1+2'],
    ['keeps the question mark of an empty query', '<form></form>', 'GET /log/new?'],
    ['loses the query of its action', '<form action="/x?y=1#z"><input name=a></form>', 'GET /x?a='],
    ['goes where an address leads', '<form action="../up"><input name=a></form>', 'GET /up?a='],
    [
      'is encoded for an address by POST',
      '<form method=post action=/x?y=1><input name=a value="å&b"></form>',
      'POST /x?y=1 | application/x-www-form-urlencoded | a=%C3%A5%26b',
    ],
    [
      'is written in lines as plain text',
      '<form method=post action=/x enctype=text/plain><input name=a value=1><input name=b value=2></form>',
      'POST /x | text/plain | a=1\r\nb=2\r\n',
    ],
    [
      'is written in parts',
      '<form method=post action=/x enctype=multipart/form-data><input name=a value=1></form>',
      'POST /x | multipart/form-data; boundary=BOUNDARY | --BOUNDARY\r\nContent-Disposition: form-data; name="a"\r\n\r\n1\r\n--BOUNDARY--\r\n',
    ],
    [
      'takes what it does not know for what is usual',
      '<form method=put action=/x enctype=text/xml><input name=a value=1></form>',
      'GET /x?a=1',
    ],
    [
      'is written in another encoding',
      '<form accept-charset="nothing windows-1252"><input name=a value=å></form>',
      'GET /log/new?a=%E5',
    ],
    ['leaves the page not, by dialog', '<form method=dialog></form>', 'dialog'],
    ['asks no server by mail', '<form action="mailto:a@b.example"></form>', 'no server'],
    ['needs an address', '<form action="https://:0:0"></form>', 'no address'],
  ])('%s', (_, markup, expected) => {
    expect(request(markup)).toBe(expected);
  });

  it('goes by what the button says before what the form says', () => {
    const markup =
      '<form action=/a method=get><input name=n required><button name=do formaction=/b formmethod=post formenctype=text/plain formnovalidate>Go</button></form>';
    expect(request(markup, { submitter: 1 })).toBe('POST /b | text/plain | n=\r\ndo=\r\n');
    expect(request(markup)).toBe('blocked');
  });

  it('is not sent by what sends no form', () => {
    const why = 'no submit button';
    expect(request('<form><button type=reset>Back</button></form>', { submitter: 0 })).toBe(why);
    expect(request('<form><button disabled>Go</button></form>', { submitter: 0 })).toBe(why);
  });

  it('is stopped by all that is not valid, the first in tree order in front', () => {
    const markup = '<form><input name=a><input name=b required><input type=email name=c value=x></form>';
    const blocked = outcome(markup);
    if (blocked.status !== 'blocked') throw new Error(blocked.status);
    expect(blocked.by.attributes.name).toBe('b');
    expect(blocked.invalid.map(({ attributes }) => attributes.name)).toEqual(['b', 'c']);
    expect(request(markup.replace('<form', '<form novalidate'))).toBe('GET /log/new?a=&b=&c=x');
  });

  it('asks a group of radio buttons for one, whichever of them says so', () => {
    const markup = '<form><input type=radio name=r value=1><input type=radio name=r value=2 required></form>';
    expect(request(markup)).toBe('blocked');
    expect(request(markup.replace('value=1', 'value=1 checked'))).toBe('GET /log/new?r=1');
  });
});

describe('what a form is sent with', () => {
  it.each([
    [
      '<form accept-charset=" \tnothing  windows-1252 utf-8"><input name=a value=å></form>',
      'GET /log/new?a=%E5',
    ],
    ['<form accept-charset=""><input name=a value=å></form>', 'GET /log/new?a=%C3%A5'],
    ['<form accept-charset="no such"><input name=a value=å></form>', 'GET /log/new?a=%C3%A5'],
    ['<form action="ftp://a.example/"><input name=a></form>', 'no server'],
    ['<form action="x-https://a.example/"><input name=a></form>', 'no server'],
    ['<form action="httpsx://a.example/"><input name=a></form>', 'no server'],
    ['<form action="http://a.example/b"><input name=a></form>', 'GET /b?a='],
    ['<form method=POST action=/x><input name=a></form>', 'POST /x | application/x-www-form-urlencoded | a='],
    ['<form method=post action="/x#y"></form>', 'POST /x | application/x-www-form-urlencoded'],
    ['<form method=get enctype=text/plain action=/x><input name=a value="1 2"></form>', 'GET /x?a=1+2'],
  ])('%s: %s', (markup, expected) => {
    expect(request(markup)).toBe(expected);
  });

  it('is the place that was clicked, and the files that were chosen', () => {
    expect(
      request('<form><input type=image name=i></form>', { submitter: 0, clickedAt: { x: 3, y: 4 } }),
    ).toBe('GET /log/new?i.x=3&i.y=4');
    const files = new Map([[0, [{ name: 'a.txt', type: 'text/plain', content: 'x' }]]]);
    expect(request('<form><input type=file name=f></form>', { files })).toBe('GET /log/new?f=a.txt');
    expect(request('<form><input type=file name=f></form>')).toBe('GET /log/new?f=');
  });
});
