import { describe, expect, it } from 'vitest';
import { directionOfText } from './direction';
import { pageOf } from './page-controls';

const owners = (markup: string) =>
  pageOf(markup).controls.map(({ attributes, form }) => {
    const name = attributes.find((one) => one.name === 'name')?.value;
    return `${name} ${form === null ? 'none' : form}`;
  });

describe('the form owner', () => {
  it.each([
    ['the form around it', '<form><p><input name=a></p></form>', ['a 0']],
    ['none outside of forms', '<form></form><input name=a>', ['a none']],
    ['the form that it names', '<form></form><form id=f></form><input name=a form=f>', ['a 1']],
    [
      'the form that it names before that around it',
      '<form><input name=a form=f></form><form id=f></form>',
      ['a 1'],
    ],
    ['none where it names none', '<form><input name=a form=nothing></form>', ['a none']],
    ['none where it names something else', '<form><input name=a form=p><p id=p></form>', ['a none']],
    ['the first form of that id', '<form id=f></form><form id=f></form><input name=a form=f>', ['a 0']],
    ['the outer form, for there is no inner one', '<form><form><input name=a></form></form>', ['a 0']],
  ])('is %s', (_, markup, expected) => {
    expect(owners(markup)).toEqual(expected);
  });
});

describe('the direction of a text', () => {
  it.each([
    ['abc', 'ltr'],
    ['שלום', 'rtl'],
    ['123 - שלום abc', 'rtl'],
    ['مرحبا', 'rtl'],
    ['ߒߞߏ', 'rtl'],
    ['日本', 'ltr'],
    ['1.5', null],
    // Marks that are not seen, a script of today, and one whose letters are not all of one sort.
    ['\u200f1', 'rtl'],
    ['1\u200eשלום', 'ltr'],
    ['𞴀𞴁', 'rtl'],
    ['١٢٣ abc', 'ltr'],
    ['', null],
  ])('%j: %s', (text, direction) => {
    expect(directionOfText(text)).toBe(direction);
  });

  it.each([
    ['<input name=a>', 'ltr'],
    ['<div dir=rtl><input name=a></div>', 'rtl'],
    ['<div dir=rtl><p dir=LTR><input name=a></p></div>', 'ltr'],
    ['<div dir=rtl><p dir=up><input name=a></p></div>', 'rtl'],
    ['<div dir=auto>שלום<input name=a></div>', 'rtl'],
    ['<bdi>שלום<input name=a></bdi>', 'rtl'],
    ['<bdi>1<input name=a></bdi>', 'ltr'],
    ['<div dir=auto><script>abc</script><bdi>abc</bdi><p dir=ltr>abc</p>שלום<input name=a></div>', 'rtl'],
    ['<div dir=auto><p dir=up>abc</p>שלום<input name=a></div>', 'ltr'],
    ['<div dir=auto><!-- שלום --><b>abc</b><input name=a></div>', 'ltr'],
  ])('around the control in %s is %s', (markup, direction) => {
    expect(pageOf(markup).controls[0]?.direction).toBe(direction);
  });
});
