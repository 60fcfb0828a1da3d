import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FormDocument, FormId } from '../document/form-document';
import { type OwnPage, pageAddressFault } from '../document/own-page';
import { formatSteps, type PageStep, readSteps } from '../document/page-steps';
import { readForm } from '../html/read-form';
import { predict } from '../model/predict';
import { askingOf } from '../questions/asking';
import { formatScript } from '../script/script-text';
import { targetId } from '../target/target';
import { pageFaultText } from '../words/page-fault-words';
import { scriptsForPage } from './usual-scripts';

describe('the address of a page', () => {
  it.each([
    'http://localhost:5173/log',
    'http://127.0.0.1/',
    'https://[::1]:8443/a?b=c',
    'http://tides.localhost:3000/',
  ])('%s is on this machine', (address) => {
    expect(pageAddressFault(address, [])).toBeNull();
  });
  it.each([
    'http://localhost.tides.example/',
    'http://127.0.0.1.tides.example/',
    'http://tides.example#localhost',
    'http://localhost@tides.example/',
    'ftp://localhost/',
    'javascript:alert(1)',
    '//localhost/log',
    '',
  ])('%j is not', (address) => {
    const fault = pageAddressFault(address, []);
    expect(fault && pageFaultText(fault)).toMatch(/^[A-Z h].*\.$/);
  });
  it('elsewhere is opened when it is listed, by its whole origin', () => {
    const listed = ['https://staging.example:8443'];
    expect(pageAddressFault('https://staging.example:8443/log', listed)).toBeNull();
    expect(pageAddressFault('http://staging.example:8443/log', listed)).toMatchObject({ code: 'not listed' });
    expect(pageAddressFault('https://staging.example/log', listed)).toMatchObject({ code: 'not listed' });
  });
});

describe('steps before a form', () => {
  const text = fc.string({ minLength: 1, unit: 'grapheme' }).filter((one) => !/[\n\r]/.test(one));
  const step: fc.Arbitrary<PageStep> = fc.oneof(
    // What leads away is no step; it has tests of its own.
    fc.record({ kind: fc.constant('go' as const), path: text.map((one) => `/log/${one}`) }),
    fc.record({ kind: fc.constantFrom('click' as const, 'wait' as const), what: text }),
    fc.record({ kind: fc.constant('fill' as const), what: text, text: fc.string() }),
  );
  it('read back what was written', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 9 }), (steps) => {
        expect(readSteps(formatSteps(steps))).toEqual({ status: 'read', steps });
      }),
    );
  });
  it('may have empty lines and words for people among them', () => {
    expect(readSteps('# sign in\n\n  fill "User" "ada"\nclick "Sign in"')).toMatchObject({
      steps: [{ kind: 'fill' }, { kind: 'click' }],
    });
  });
  it.each([
    'click',
    'click Sign in',
    'fill "User"',
    'click "a" "b"',
    'jump "a"',
    'click ""',
    'click "a',
    'click "\\x"',
  ])('%s is none, and a sentence says what is', (line) => {
    const reading = readSteps(`go "/"\n${line}`);
    expect(reading).toMatchObject({
      status: 'fault',
      line: 2,
      fault: { code: 'no step' },
    });
  });
  it.each([
    'javascript:alert(1)',
    ' \\u0001java\\nscript:alert(1)',
    'file:///etc/passwd',
    '//elsewhere.example/x',
    '\\\\\\\\elsewhere.example',
    'http:elsewhere.example',
    'https://elsewhere.example/',
    'data:text/html,x',
    'about:blank',
    'blob:x',
  ])('never lead away from the server of the page: go to %s', (path) => {
    const reading = readSteps(`wait "x"\ngo "${path}"`);
    expect(reading).toMatchObject({
      status: 'fault',
      line: 2,
      fault: { code: 'leaves the server', path: expect.any(String) },
    });
  });
  it.each(['/log', 'log?a=1#b', '?page=2', '/a b', './x'])('lead within it: go to %s', (path) => {
    expect(readSteps(`go "${path}"`)).toEqual({ status: 'read', steps: [{ kind: 'go', path }] });
  });
  it('are not too many', () => {
    expect(readSteps('go "/"\n'.repeat(51))).toMatchObject({
      status: 'fault',
      fault: { code: 'too many steps', most: 50 },
    });
  });
});

describe('a page of one’s own', () => {
  const page: OwnPage = { address: 'http://localhost/', form: 0, steps: '' };
  const form: FormDocument = {
    id: 'f' as FormId,
    name: 'Log',
    markup:
      '<form><label>Code <input name=code pattern="[0-9]{4}"></label><input type=checkbox name=ok><label>Own <input name=own></label><button>Go</button></form>',
    typing: { [readForm('<input name=own>').fields[0]?.id ?? '']: { script: 'type "mine"', guards: [] } },
    page,
  };
  it('is typed into where nobody wrote a script: a value, all of it deleted, and a character in the middle', () => {
    const { fields } = readForm(form.markup);
    const scripts = scriptsForPage(form, fields);
    const texts = Object.fromEntries(
      Object.entries(scripts).map(([id, task]) => [id, formatScript(task.script).trim()]),
    );
    expect(Object.keys(texts)).toEqual(['code', 'own']);
    expect(texts.code).toMatch(
      /^type "\d{4}"\nselect all\nkey Backspace\ntype "\d{3}"\nkey ArrowLeft\ntype "\d"\nleave$/,
    );
    expect(texts.own).toBe('type "mine"');
  });
  it('sends and draws in a way that the model owns up not to know', () => {
    const asking = askingOf(form.markup, ['parts', 'submission', 'message'], {}, null, page);
    const outcomes = predict(targetId('chromium'), asking, '').map(({ question, outcome }) => [
      question,
      outcome.status,
    ]);
    expect(outcomes).toContainEqual(['submission', 'inapplicable']);
    expect(
      outcomes.filter(([question]) => question === 'parts').every(([, status]) => status === 'inapplicable'),
    ).toBe(true);
    expect(outcomes).toContainEqual(['message', 'answered']);
  });
});
