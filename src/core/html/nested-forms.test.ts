import { describe, expect, it } from 'vitest';
import { nestedForms } from './nested-forms';

const found = (markup: string) =>
  nestedForms(markup).map(({ tag, outer, cutAt }) => [
    markup.slice(tag.start, tag.end),
    outer,
    cutAt === null ? null : markup.slice(0, cutAt),
  ]);

describe('a form in a form', () => {
  it('is told with the form around it and where that ends for it', () => {
    expect(found('<form><form class=a><input></form><input></form>')).toEqual([
      ['<form class=a>', 0, '<form><form class=a><input></form>'],
    ]);
    expect(found('<form></form><form><p><form></p></form>')).toEqual([['<form>', 1, null]]);
    expect(found('<form><form><form></form></form></form>')).toHaveLength(2);
  });

  it.each([
    '<form></form><form></form>',
    '<form><!-- <form> --></form>',
    '<form><textarea><form></textarea></form>',
    '<form title="<form>"></form>',
    '<form><script>"<form>"</script></form>',
    '<formula></formula><form></form>',
    '<form><template><form></form></template></form>',
  ])('is none in %s', (markup) => {
    expect(found(markup)).toEqual([]);
  });
});
