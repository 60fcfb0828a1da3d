import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { GaveUp } from '../regexp/budget';
import { findTarget } from '../target/line-up';
import { targetId } from '../target/target';
import { type AskRestriction, findingsOfRun, formFindings, formFindingsAtOnce } from './collect-findings';
import { claimCode, type Finding } from './finding';

const setup = { language: 'en-US', corrections: [] } as const;
const found = (markup: string, ask: AskRestriction = askRestriction, more: object = {}) =>
  formFindingsAtOnce({ markup, typing: {}, ...more }, setup, ask);
const codes = (all: readonly Finding[]) => all.map((one) => [one.field?.id ?? null, claimCode(one)]);

describe('what is found of a form', () => {
  it('is told field by field, so that progress can be shown', () => {
    const work = formFindings(
      { markup: '<label>A <input name=a></label><label>B <input type=date name=b></label>', typing: {} },
      setup,
      askRestriction,
    );
    const yielded: unknown[] = [];
    let step = work.next();
    for (; !step.done; step = work.next()) yielded.push(step.value);
    expect(yielded).toEqual([1, 2]);
    expect(step.value).toEqual(
      found('<label>A <input name=a></label><label>B <input type=date name=b></label>'),
    );
  });

  it('says what took too many steps, once for each reason, and loses nothing else', () => {
    const markup =
      '<label>A <input name=a pattern="[A-z]" title=a></label><label>B <input type=checkbox name=b></label>';
    const gaveUp: AskRestriction = () => {
      throw new GaveUp('too many steps');
    };
    const all = found(markup, gaveUp);
    expect(codes(all)).toEqual([...codes(found(markup)), ['a', 'not worked out']]);
    expect(all.at(-1)).toMatchObject({
      claim: { code: 'not worked out', reasons: ['too many steps'] },
      harm: 'cosmetic',
      evidence: 'rule',
    });
  });

  it('asks about fields alone whose text is typed, and lets no fault of the program pass for one of the form', () => {
    const asked: string[] = [];
    const ask: AskRestriction = (field, ...rest) => {
      asked.push(field.id);
      return askRestriction(field, ...rest);
    };
    found(
      '<input name=a><select name=b><option>x</select><textarea name=c></textarea><input type=file name=d>',
      ask,
    );
    expect(asked).toEqual(['a', 'c']);
    const broken: AskRestriction = () => {
      throw new TypeError('broken');
    };
    expect(() => found('<input name=a>', broken)).toThrow('broken');
  });

  it('says what keyboards lack, not what a keypad may lack by the standard: guards put signs in by themselves', () => {
    const slash = '<label>A <input name=a inputmode=numeric pattern="[0-9]/[0-9]"></label>';
    expect(codes(found(slash))).toEqual([
      ['a', 'pattern without a hint'],
      ['a', 'keyboard lacks'],
    ]);
    const guards = [{ id: 'm', on: true, stage: 'after input', kind: 'mask', mask: '0/0' }];
    const masked = found(slash, askRestriction, { typing: { a: { script: '', guards } } });
    expect(codes(masked)).toEqual([['a', 'pattern without a hint']]);
  });

  it('leaves what keypads of other fields lack to them, and goes by the keyboards that came up for a field itself', () => {
    const rule = 'inputmode=numeric pattern="[0-9]/[0-9]" title="1/2"';
    const two = `<label>A <input name=a ${rule}></label><label>B <input name=b></label>`;
    const asked = [
      {
        field: 'b',
        target: targetId('firefox'),
        name: 'Firefox',
        mark: 'measured',
        layout: 'number/us',
        tapped: null,
      },
    ] as unknown as Parameters<typeof formFindingsAtOnce>[3];
    const of = (id: string) =>
      formFindingsAtOnce({ markup: two, typing: {} }, setup, askRestriction, asked)
        .filter(({ field, evidence }) => field?.id === id && evidence === 'keyboards')
        .flatMap(({ targets }) => targets.map(({ name }) => name));
    expect(of('a')).toEqual(['Android-like phone', 'iOS-like phone']);
    expect(of('b')).toEqual([]);
  });

  it('is nothing of the action key in a field that a form in its form cut off', () => {
    const b = '<label>B <textarea name=b></textarea></label>';
    const nested = `<form><label>A <input name=a></label><form></form>${b}</form>`;
    expect(codes(found(`<form><label>A <input name=a></label></form>${b}`))).toContainEqual([
      'b',
      'action key',
    ]);
    const all = codes(found(nested));
    expect(all).toContainEqual([null, 'form ends early']);
    expect(all.filter(([id, code]) => id === 'b' && code === 'action key')).toEqual([]);
  });

  it('goes by what is known of the page: whether scripts send it', () => {
    const markup = '<form><label>A <input></label><button>Go</button></form>';
    const page = { address: 'http://localhost/', form: 0, steps: '' };
    const names = (more: object) =>
      codes(found(markup, askRestriction, more)).filter(([, code]) => code === 'no name');
    expect(names({})).toHaveLength(1);
    expect(names({ page })).toEqual([]);
    expect(names({ page: { ...page, hasScripts: true } })).toEqual([]);
    expect(names({ page: { ...page, hasScripts: false } })).toHaveLength(1);
  });
});

describe('what is found of a run', () => {
  it('is what is found of its form, each cause once, the worst first', () => {
    const markup = '<label>A <input name=a pattern="[A-z]" title=a></label><label>B <input></label>';
    const chromium = targetId('chromium');
    const lineUp = { targets: [chromium].flatMap((id) => findTarget(id) ?? []), reference: chromium };
    const run = { form: { id: 'f', name: 'F', markup, typing: {} }, lineUp, observations: [] };
    const all = findingsOfRun(run as never, setup, askRestriction);
    expect(all.map(({ id }) => id).sort()).toEqual(
      found(markup)
        .map(({ id }) => id)
        .sort(),
    );
    expect(all.map(({ harm }) => harm)).toEqual(
      ['value lost', 'value lost', 'wrong value sent'].slice(-all.length),
    );
  });
});
