import type { Harm } from '../finding/finding';

/** What a finding does to the person who fills the form in, as a title. */
export const harmTitles: Readonly<Record<Harm, string>> = {
  'cannot enter a valid value': 'A valid value cannot be entered',
  'value lost': 'An entered value is lost',
  'wrong value sent': 'Another value is submitted than was meant',
  'person misled': 'The person is misled',
  cosmetic: 'It looks or reads differently, or takes more taps',
};
