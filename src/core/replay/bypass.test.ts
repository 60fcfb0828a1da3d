import { describe, expect, it } from 'vitest';
import { digits, fieldOf, habits } from '../../../tests/fixtures/modelled-field';
import type { Guard } from '../guard/guard';
import { editingKeys } from '../guard/offered-guards';
import { pageOf } from '../html/page-controls';
import type { Route } from '../questions/restriction/facts';
import { bypassTable } from './bypass';

const now = new Date('2026-03-14T10:30:00');

describe('ways in', () => {
  const byRoute = (route: Route) => habits(route === 'soft keys' ? 'blink-phone' : 'chromium');
  const rows = (guard: Guard, html = '<input name=a>', texts = ['1234', 'ab']) =>
    bypassTable(fieldOf(html), [guard], texts, byRoute, pageOf(`<form>${html}</form>`), now);
  const table = (guard: Guard, html = '<input name=a>') => {
    const [row] = rows(guard, html);
    return Object.fromEntries((row?.cells ?? []).map(({ route, outcome }) => [route, outcome]));
  };
  it('show that a filter on keys is bypassed by everything that is no key', () => {
    expect(table(digits)).toEqual({
      'hardware keys': 'held',
      'soft keys': 'bypassed',
      paste: 'bypassed',
      drop: 'bypassed',
      autofill: 'bypassed',
      dictation: 'bypassed',
      composition: 'bypassed',
      script: 'bypassed',
    });
  });
  it('show which keys a filter swallows', () => {
    const row = rows({ ...digits, keys: ['Tab'] }, '<input name=a>', [])[0];
    expect(row?.cells[0]).toMatchObject({
      outcome: 'blocked too much',
      swallowed: ['Backspace', 'Delete', 'Enter', 'ArrowLeft', 'Home', 'Select all'],
    });
  });
  it('show that a rule before the insert holds all but what fills the field by itself', () => {
    const found = table({ ...digits, stage: 'before insert' });
    expect([found.paste, found.drop, found.dictation, found['hardware keys']]).toEqual([
      'held',
      'held',
      'held',
      'held',
    ]);
    expect([found.autofill, found.composition, found.script]).toEqual(['bypassed', 'bypassed', 'bypassed']);
  });
  it('show that a rewrite holds everywhere but where a script sets the value', () => {
    const { script, ...others } = table({ ...digits, stage: 'after input' });
    expect(new Set(Object.values(others))).toEqual(new Set(['held']));
    expect(script).toBe('bypassed');
  });
  it('show what is rewritten, and tell it from what is taken away', () => {
    const upper: Guard = { kind: 'case', id: 'u', on: true, stage: 'after input', to: 'upper' };
    expect(table(upper)).toMatchObject({
      'hardware keys': 'rewritten',
      paste: 'rewritten',
      script: 'bypassed',
    });
    const short: Guard = {
      kind: 'length',
      id: 'l',
      on: true,
      stage: 'after input',
      most: 20,
      unit: 'graphemes',
    };
    const [row] = rows(short);
    expect(row?.cells.find(({ route }) => route === 'paste')).toEqual({
      route: 'paste',
      outcome: 'rewritten',
      script: [{ kind: 'text', route: 'paste', text: 'x'.repeat(21) }, { kind: 'leave' }],
      text: 'x'.repeat(20),
      swallowed: [],
    });
    expect(table({ ...upper, remedy: 'refuse' })).toMatchObject({ paste: 'bypassed' });
    expect(table({ ...upper, remedy: 'go back' })).toMatchObject({ paste: 'held' });
    expect(
      table({ ...upper, stage: 'on leaving', remedy: 'refuse' }, '<input name=a><button>Go</button>'),
    ).toMatchObject({ paste: 'held' });
  });
  it('try a guard that is off as if it were on, and none that objects to nothing', () => {
    const [off] = rows({ ...digits, stage: 'before insert', on: false });
    expect([off?.guard.on, off?.cells.find(({ route }) => route === 'paste')?.outcome]).toEqual([
      false,
      'held',
    ]);
    const all: Guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'before insert',
      source: '[\\s\\S]*',
      match: 'whole',
    };
    expect(rows(all)[0]?.cells.map((cell) => [cell.outcome, cell.script, cell.text])).toEqual(
      Array(8).fill(['not tried', [], '']),
    );
  });
  it('leave out what the target itself keeps out', () => {
    const found = rows({ ...digits, stage: 'before insert' }, '<input name=a type=number>')[0]?.cells;
    expect(found?.find(({ route }) => route === 'paste')).toMatchObject({ outcome: 'not tried', text: '' });
  });
  it('try the person’s own texts first, if they are not too long, and the shortest of all', () => {
    const no9: Guard = {
      kind: 'deny',
      id: 'd',
      on: true,
      stage: 'before insert',
      set: { classes: [], own: 'q' },
    };
    const bring = (texts: string[]) =>
      rows(no9, '<input name=a>', texts)[0]?.cells.find(({ route }) => route === 'drop')?.script[0];
    expect(bring([`q${'x'.repeat(400)}`])).toBeUndefined();
    expect(bring([`q${'x'.repeat(399)}`])).toEqual({
      kind: 'text',
      route: 'drop',
      text: `q${'x'.repeat(399)}`,
    });
    expect(bring(['qxx', 'xq', 'qx'])).toEqual({ kind: 'text', route: 'drop', text: 'xq' });
  });
  it('show a rule that keeps out what is right, by the way on which it does', () => {
    const whole: Guard = {
      kind: 'pattern',
      id: 'p',
      on: true,
      stage: 'before insert',
      source: '[A-Z]{3}',
      match: 'whole',
    };
    const cells = rows(whole, '<input name=a>', ['ABC'])[0]?.cells;
    expect(cells?.find(({ route }) => route === 'hardware keys')).toEqual({
      route: 'hardware keys',
      outcome: 'blocked too much',
      script: ['A', 'B', 'C'].map((key) => ({ kind: 'key', key })),
      text: '',
      swallowed: [],
    });
    expect(cells?.find(({ route }) => route === 'paste')?.outcome).toBe('held');
  });
  it('show a shortcut that a filter swallows by the keys that show it', () => {
    const keys = editingKeys.filter((key) => key !== 'Shortcut');
    expect(rows({ ...digits, keys })[0]?.cells[0]).toMatchObject({
      outcome: 'blocked too much',
      script: [{ kind: 'key', key: 'a', modifiers: ['Control'] }],
      swallowed: ['Select all'],
    });
  });
  it('show that a rule at submission holds whatever way the text came', () => {
    const { script, ...others } = table(
      { ...digits, stage: 'on submission' },
      '<input name=a><button>Go</button>',
    );
    expect(new Set([...Object.values(others), script])).toEqual(new Set(['held']));
  });
  it('bring what a rule cannot let stand: of one that acts while typing no beginning, of one that acts later any part', () => {
    const year: Guard = { kind: 'words', id: 'y', on: true, stage: 'key', sense: 'one of', words: ['12'] };
    const brought = (stage: Guard['stage']) =>
      rows({ ...year, stage } as Guard, '<input name=a>', ['1'])[0]?.cells.find(
        ({ route }) => route === 'drop',
      )?.script[0];
    const dropped = (text: string) => ({ kind: 'text', route: 'drop', text });
    expect((['key', 'before insert', 'after input'] as const).map(brought)).toEqual([
      dropped('x'),
      dropped('x'),
      dropped('x'),
    ]);
    expect((['on leaving', 'on submission'] as const).map(brought)).toEqual([dropped('1'), dropped('1')]);
  });
  it('bring it as each way does', () => {
    const short: Guard = {
      kind: 'length',
      id: 'l',
      on: true,
      stage: 'after input',
      most: 1,
      unit: 'graphemes',
    };
    const [row] = rows(short);
    const strokes = Object.fromEntries((row?.cells ?? []).map(({ route, script }) => [route, script]));
    const leave = { kind: 'leave' };
    expect(strokes).toMatchObject({
      'hardware keys': [{ kind: 'key', key: 'a' }, { kind: 'key', key: 'b' }, leave],
      'soft keys': [
        { kind: 'text', route: 'soft keys', text: 'a' },
        { kind: 'text', route: 'soft keys', text: 'b' },
        leave,
      ],
      paste: [{ kind: 'text', route: 'paste', text: 'ab' }, leave],
      composition: [{ kind: 'composition', texts: ['ab'] }, leave],
    });
  });
  it('ask for needed keys where there are keys alone', () => {
    const [row] = rows({ ...digits, keys: [] });
    expect(row?.cells.filter(({ swallowed }) => swallowed.length > 0).map(({ route }) => route)).toEqual([
      'hardware keys',
    ]);
    expect(row?.cells.find(({ route }) => route === 'drop')?.outcome).toBe('bypassed');
  });
  it('leave out what the target empties, also of a rule that wants something', () => {
    const some: Guard = {
      kind: 'pattern',
      id: 's',
      on: true,
      stage: 'on submission',
      source: '[0-9]+',
      match: 'whole',
    };
    expect(table(some, '<input name=a type=number>').paste).toBe('not tried');
  });
  it('take no rule for too strict where the target itself cuts what is right', () => {
    const code: Guard = {
      kind: 'pattern',
      id: 'c',
      on: true,
      stage: 'on submission',
      source: '[A-Z]{3}',
      match: 'whole',
    };
    const [row] = rows(code, '<input name=a maxlength=2><button>Go</button>', ['ABC']);
    expect(row?.cells.find(({ route }) => route === 'paste')?.outcome).toBe('held');
  });
  it('count what the field’s own constraint stops as held', () => {
    const atSign: Guard = {
      kind: 'allow',
      id: 'e',
      on: true,
      stage: 'on submission',
      set: { classes: ['ASCII digits'], own: '' },
    };
    expect(table(atSign, '<input name=a type=email><button>Go</button>').paste).toBe('held');
  });
});
