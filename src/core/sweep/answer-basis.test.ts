import { describe, expect, it } from 'vitest';
import { fieldId } from '../html/field';
import { askingOf } from '../questions/asking';
import type { PageQuestion } from '../questions/observation';
import { readScript } from '../script/script-text';
import { plainVariant } from '../target/variant';
import { answerBases, basisKept, type Reaching } from './answer-basis';

const markup = '<form><input name=a><input type=date name=b><button>Go</button></form>';
const who = { engine: 'chromium', version: '1.2', variant: plainVariant };
const reaching: Reaching = { near: 'n', bubble: 'b', popUp: 'p' };

interface Change {
  readonly markup?: string;
  readonly who?: Partial<typeof who>;
  readonly script?: string;
  readonly questions?: readonly PageQuestion[];
  readonly reaching?: Partial<Reaching> | null;
}

/** Of one answer about field a. */
function basis(question: PageQuestion, change: Change = {}) {
  const reading = readScript(change.script ?? 'type "x"');
  if (reading.status !== 'read') throw new Error('no script');
  const scripts = { a: { script: reading.script, guards: [] } };
  const asking = askingOf(change.markup ?? markup, change.questions ?? ['look', 'opening', 'parts'], scripts);
  const state = question === 'look' ? 'closed' : null;
  const given = change.reaching === null ? null : { ...reaching, ...change.reaching };
  return answerBases(asking, { ...who, ...change.who }).of({ question, field: fieldId('a'), state }, given);
}

const isKept = (question: PageQuestion, change: Change) =>
  basisKept(basis(question), basis(question, change)) !== null;

describe('an earlier answer', () => {
  it('is kept while the page is the same, whatever is known of the field', () => {
    expect(basisKept(basis('look'), basis('look', { reaching: null }))).toEqual(basis('look'));
    expect(isKept('submission', { reaching: null })).toBe(true);
  });

  it('is kept while what reaches its field is the same, whatever else is in the page', () => {
    const change = { markup: markup.replace('date', 'week') };
    expect(basisKept(basis('look'), basis('look', change))).toEqual(basis('look', change));
    expect(isKept('look', { ...change, reaching: { near: 'other' } })).toBe(false);
    expect(isKept('look', { ...change, reaching: null })).toBe(false);
  });

  it.each<[PageQuestion, boolean[]]>([
    ['look', [false, true, true]],
    ['message', [false, true, true]],
    ['typing', [false, true, true]],
    ['bubble', [true, false, true]],
    ['opening', [true, true, false]],
  ])('to the question %s depends on what its pictures show', (question, kept) => {
    const edited = `${markup}<p>`;
    const changes = [{ near: 'other' }, { bubble: 'other' }, { popUp: 'other' }];
    expect(changes.map((one) => isKept(question, { markup: edited, reaching: one }))).toEqual(kept);
  });

  it('to how a form is sent depends on all of the page, and so does typing that sends it', () => {
    const edited = `${markup}<p>`;
    expect(isKept('submission', { markup: edited })).toBe(false);
    expect(basis('typing', { script: 'key Enter' }).field).toBeNull();
    expect(basis('typing', { script: 'hold Enter x3' }).field).toBeNull();
    expect(basis('typing', { script: 'key Backspace' }).field).not.toBeNull();
  });

  it.each<[string, Change]>([
    ['engine', { who: { engine: 'firefox' } }],
    ['version', { who: { version: '1.3' } }],
    ['variant', { who: { variant: { ...plainVariant, scheme: 'dark' } } }],
  ])('is never kept for another %s', (_, change) => {
    for (const question of ['look', 'submission'] as const) expect(isKept(question, change)).toBe(false);
  });

  it('to typing is kept for the same script alone, and every other one for any', () => {
    expect(isKept('typing', { script: 'type "y"' })).toBe(false);
    expect(isKept('look', { script: 'type "y"' })).toBe(true);
  });

  it('of what a field is made is kept as long as it is asked beside the same', () => {
    expect(isKept('parts', { questions: ['parts'] })).toBe(false);
    expect(isKept('parts', { questions: ['parts', 'opening'] })).toBe(true);
  });
});
