import { one, only, type Writing } from './purpose';
import type { PlaceOfUse } from './regions';

const latin: readonly Writing[] = [
  only('14 Skerry Lane', 'number first'),
  only('Fyrgränd 14', 'number behind'),
  only('14B Skerry Lane', 'letter at the number'),
  only('14/2 Skerry Lane', 'slashes'),
  only('12-14 Skerry Lane', 'hyphen'),
  only('Flat 3, 14 Skerry Lane', 'comma'),
  only('Keepers Cottage', 'no number'),
  only("St. Brannoc's Quay 1", 'apostrophe'),
];

const inScript: ReadonlyMap<string, readonly Writing[]> = new Map([
  ['Cyrl', [only('Маячная ул., д. 3', 'script of the language')]],
  ['Grek', [only('Οδός Φάρου 14', 'script of the language')]],
  ['Arab', [only('شارع المنارة 14', 'script of the language')]],
  ['Hebr', [only('רחוב המגדלור 14', 'script of the language')]],
  ['Thai', [only('14 ถนนประภาคาร', 'script of the language')]],
  ['Deva', [only('14 सागर मार्ग', 'script of the language')]],
  ['Kore', [only('등대로 14', 'script of the language')]],
  ['Hans', [only('灯塔路14号', 'script of the language')]],
  ['Hant', [only('燈塔路14號', 'script of the language')]],
  [
    'Jpan',
    [only('潮見町2丁目3番4号', 'script of the language'), one('潮見町２－３－４', 'full-width digits')],
  ],
]);

/** Streets with a number, all made up. */
export function streets({ script }: PlaceOfUse): readonly Writing[] {
  return inScript.get(script) ?? latin;
}
