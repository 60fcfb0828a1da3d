import { describe, expect, it } from 'vitest';
import { selectorReach } from './selector-reach';

describe('how far selectors reach', () => {
  it.each([
    'input',
    'label > input[type=date]',
    'fieldset label :is(input, select)',
    'input:invalid',
    ':is(input, textarea):user-invalid',
    ':user-invalid',
    'a[href~="x"]',
    'p::before',
    'input:focus-within',
  ])('%s: to the element alone', (selector) => {
    expect(selectorReach([selector])).toEqual({ besides: false, everywhere: false });
  });

  it.each([
    ':invalid ~ small',
    'label + input',
    'li:nth-child(2)',
    'p:first-of-type',
    ':only-child',
    'div:empty',
  ])('%s: to what stands beside it', (selector) => {
    expect(selectorReach(['p', selector]).besides).toBe(true);
  });

  it.each([
    'form:has(:checked) p',
    'form:invalid button',
    ':invalid',
    'fieldset:valid',
    '.part:invalid',
    '#entry:invalid input',
    ':target p',
    ':is(:hover, :invalid) b',
  ])('%s: everywhere', (selector) => {
    expect(selectorReach(['p', selector]).everywhere).toBe(true);
  });
});
