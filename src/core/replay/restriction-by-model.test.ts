import { describe, expect, it } from 'vitest';
import { demoForms } from '../demo/demo-forms';
import type { Guard } from '../guard/guard';
import { editingKeys } from '../guard/offered-guards';
import { isTypedText } from '../html/field';
import { ownEntry } from '../html/own-entry';
import { pageOf } from '../html/page-controls';
import { readForm } from '../html/read-form';
import { observationSchema } from '../questions/observation-schema';
import { fitted } from '../reading/misfit';
import { restrictionByModel } from './restriction-by-model';

const ask = restrictionByModel('2026-01-02T03:04:05Z');
const digits = { classes: ['digits'], own: '' } as const;
const guardOn = (stage: Guard['stage'], more: object = {}) =>
  ({ id: stage, on: true, kind: 'allow', set: digits, stage, ...more }) as Guard;

function answer(guards: readonly Guard[], samples = '', html = '<form><input name=a></form>') {
  const [field] = readForm(html).fields;
  if (!field) throw new Error('no field');
  const { outcome } = ask(field, { script: '', guards, samples }, pageOf(html));
  if (outcome.status !== 'answered') throw new Error(outcome.status);
  return outcome.facts;
}

const tooDeep = `${'('.repeat(3000)}a${')'.repeat(3000)}`;

describe('what the model says of the rules of a field', () => {
  it('fits the schema of observations, for every field of the demo', () => {
    const observed = demoForms.flatMap(({ markup, typing }) =>
      readForm(markup)
        .fields.filter(({ kind }) => isTypedText(kind))
        .map((field) => ask(field, ownEntry(typing, field.id) ?? { script: '', guards: [] }, pageOf(markup))),
    );
    expect(
      observed.some(({ outcome }) => outcome.status === 'answered' && outcome.facts.guards.length > 0),
    ).toBe(true);
    const misfits = observed
      .map((one) => fitted(observationSchema as never, one))
      .filter(({ status }) => status !== 'fits');
    expect(misfits).toEqual([]);
  });

  it('tells a guard that is passed by some ways, whether that is caught in the end, and what holds later', () => {
    const [open] = answer([guardOn('key', { keys: editingKeys })]).guards;
    expect(open?.cells.find(({ route }) => route === 'paste')?.outcome).toBe('bypassed');
    expect([open?.isCaught, open?.later.map(({ guard }) => guard.stage)]).toEqual([
      false,
      ['before insert', 'after input'],
    ]);
    const [caught] = answer([guardOn('key', { keys: editingKeys }), guardOn('on submission')]).guards;
    expect(caught?.isCaught).toBe(true);
  });

  it('leaves out guards that are off, and tries nothing later for what holds', () => {
    const { guards } = answer([{ ...guardOn('key'), on: false }, guardOn('after input', { remedy: 'mend' })]);
    expect(guards.map(({ guard, later }) => [guard.stage, later])).toEqual([['after input', []]]);
  });

  it('tells keys that a guard swallows, and that sparing them mends it', () => {
    const [greedy] = answer([guardOn('key', { keys: [] })]).guards;
    expect(greedy?.cells.find(({ route }) => route === 'hardware keys')?.swallowed).toContain('Backspace');
    expect(greedy?.sparingKeys?.cells.every(({ swallowed }) => swallowed.length === 0)).toBe(true);
  });

  it('tells the shortest valid value that cannot be typed', () => {
    const pattern = '<form><input name=a pattern="[0-9]x"></form>';
    expect(answer([guardOn('before insert')], '', pattern).blocked).toEqual({ value: '1x', beginning: '1x' });
    expect(
      answer([guardOn('before insert')], '', '<form><input name=a pattern="[0-9]"></form>').blocked,
    ).toBeNull();
  });

  it('tells the samples that come out otherwise', () => {
    const { samples } = answer([guardOn('on submission')], 'text,expected\n12,accepted\nx,accepted\n');
    expect(samples.tried).toBe(2);
    expect(samples.others).toMatchObject([{ text: 'x', expected: 'accepted', verdict: 'refused' }]);
  });

  it('says of a rule that cannot be worked out that it cannot', () => {
    const slow = {
      id: 's',
      on: true,
      kind: 'pattern',
      stage: 'before insert',
      source: tooDeep,
      match: 'whole',
    };
    const html = '<form><input name=a></form>';
    const [field] = readForm(html).fields;
    if (!field) throw new Error('no field');
    const plan = { script: '', guards: [slow as Guard], samples: '' };
    expect(ask(field, plan, pageOf(html)).outcome).toMatchObject({
      status: 'failed',
      failure: { code: 'not worked out', why: 'nested too deeply' },
    });
  });

  it('tries a rule at later stages in the way that fits it', () => {
    const later = (guard: Guard) =>
      answer([guard]).guards[0]?.later.map(({ guard: one }) => [
        one.stage,
        'remedy' in one ? one.remedy : null,
      ]);
    expect(later(guardOn('key', { keys: editingKeys }))).toEqual([
      ['before insert', null],
      ['after input', 'mend'],
    ]);
    expect(later(guardOn('before insert'))).toEqual([['after input', 'mend']]);
    const pattern = { kind: 'pattern', source: '[0-9]*', match: 'whole' };
    expect(later(guardOn('before insert', pattern))).toEqual([['after input', 'go back']]);
    expect(later(guardOn('after input', { ...pattern, remedy: 'refuse' }))).toEqual([]);
  });

  it('spares keys of a filter on keys alone, and where it swallows some', () => {
    const sparing = (guard: Guard, samples?: string) =>
      answer([guard], samples).guards[0]?.sparingKeys ?? null;
    expect(sparing(guardOn('key', { keys: editingKeys }))).toBeNull();
    const strict = guardOn('before insert', { kind: 'pattern', source: '[0-9]{1,3}x', match: 'whole' });
    expect(answer([strict]).guards[0]?.cells.some(({ outcome }) => outcome === 'blocked too much')).toBe(
      false,
    );
    expect(sparing(strict)).toBeNull();
  });

  it('takes a rule on leaving for one that catches, and one while typing not', () => {
    const caught = (also: Guard) =>
      answer([guardOn('key', { keys: editingKeys }), also]).guards.find(({ guard }) => guard.stage === 'key')
        ?.isCaught;
    expect(caught(guardOn('on leaving', { id: 'l', remedy: 'refuse' }))).toBe(true);
    expect(caught(guardOn('key', { id: 'k', keys: editingKeys }))).toBe(false);
  });

  it('counts no sample that could not be judged as one that comes out otherwise', () => {
    const html = `<form><input name=a pattern="${tooDeep}"></form>`;
    const { samples } = answer([], 'text,expected\na,refused\na,accepted\na,unfinished\n', html);
    expect(samples.tried).toBe(3);
    expect(samples.others).toEqual([]);
  });
});
