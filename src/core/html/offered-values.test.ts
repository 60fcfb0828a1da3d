import { describe, expect, it } from 'vitest';
import { offeredFormValues, offeredValues } from './offered-values';
import { readForm } from './read-form';

describe('values on offer', () => {
  const page = readForm(
    '<form id=entry><input type=time name=high><input name=bird list=birds><input type=email><select autocomplete></select></form><datalist id=birds></datalist>',
  );
  const offered = (index: number, name: string) => {
    const field = page.fields[index];
    if (!field) throw new Error(String(index));
    return offeredValues(field, name, page);
  };
  it('suit the kind, and name what is in the page', () => {
    expect(offered(0, 'step')).toContain('900');
    expect(offered(1, 'list')).toEqual(['birds']);
    expect(offered(1, 'form')).toEqual(['entry']);
    expect(offered(1, 'dirname')).toEqual(['bird.dir']);
    expect(offered(2, 'autocomplete').slice(0, 3)).toEqual(['off', 'username', 'email']);
    expect(offered(2, 'inputmode')[0]).toBe('email');
    expect(offered(2, 'autocomplete')).not.toContain('street-address');
    expect(offered(3, 'autocomplete')).toContain('street-address');
    expect(offered(1, 'title')).toEqual([]);
  });
  it('of forms are those of the standard', () => {
    expect(offeredFormValues('method')).toEqual(['get', 'post', 'dialog']);
    expect(offeredFormValues('accept-charset')).toEqual(['UTF-8']);
    expect(offeredFormValues('action')).toEqual([]);
    expect(offeredFormValues('constructor')).toEqual([]);
  });
});
