import { one, type Writing } from './purpose';

/** Numbers of payment cards as they are printed and copied; their check digits are right, and they belong to nobody. */
export const cardNumbers: readonly Writing[] = [
  one('4000001234567899', 'no spaces'),
  one('4000 0012 3456 7899', 'groups as printed'),
  one('4000-0012-3456-7899', 'dashes'),
];
