import { describe, expect, it } from 'vitest';
import { enterField } from './enter-field';
import type { Field } from './field';
import { readForm } from './read-form';
import { firstSender, sendersIn, sends } from './sender';

function fields(markup: string): { readonly all: readonly Field[]; named(name: string): Field } {
  const all = readForm(markup).fields;
  return {
    all,
    named(name) {
      const found = all.find((field) => field.name === name);
      if (!found) throw new Error(name);
      return found;
    },
  };
}

describe('what sends a form', () => {
  it('is a submit button or a picture, and nothing else', () => {
    expect((['submit', 'image', 'button', 'reset', 'text'] as const).map(sends)).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });

  it('is its first button of those', () => {
    const { all, named } = fields(
      '<form><button name=other></button></form><form><button type=button name=no></button><input name=a><input type=image name=one><button name=two></button></form>',
    );
    const senders = sendersIn(all, false);
    expect(senders.map(({ name }) => name)).toEqual(['other', 'one', 'two']);
    expect(firstSender(senders, named('two'))?.name).toBe('one');
    expect(firstSender(senders, named('other'))?.name).toBe('other');
    expect(firstSender([], named('two'))).toBeNull();
  });

  it('is a plain button behind the last field where scripts send and nothing else does', () => {
    const { all } = fields(
      '<button type=button name=menu></button><input name=a><input type=checkbox name=b><button type=button name=save></button><button type=reset name=c></button><output name=d></output><button type=button name=later></button>',
    );
    expect(sendersIn(all, true).map(({ name }) => name)).toEqual(['save', 'later']);
    expect(sendersIn(all, false)).toEqual([]);
    const withSubmit = fields('<input name=a><button type=button name=x></button><button name=go></button>');
    expect(sendersIn(withSubmit.all, true).map(({ name }) => name)).toEqual(['go']);
  });

  it('is Enter in the first field with a line of text that can be used', () => {
    const { all, named } = fields(
      '<form><input name=other><button name=there></button></form><form><textarea name=a></textarea><input type=checkbox name=b><input disabled name=c><input type=number name=d><input name=e><button name=go></button></form><form><textarea></textarea><button name=none></button></form>',
    );
    expect([enterField(all, named('go'))?.name, enterField(all, named('there'))?.name]).toEqual([
      'd',
      'other',
    ]);
    expect(enterField(all, named('none'))).toBeNull();
  });
});
