import { one, only, type Writing } from './purpose';
import type { PlaceOfUse } from './regions';

/** Names of people, all made up. People move: where Latin letters are written, those of the neighbours are on passports too. */
const latin: readonly Writing[] = [
  only('Aino Laine', 'plain'),
  only('Bo', 'short'),
  only("Mairi O'Dunn", 'apostrophe'),
  only('Anne-Sofie Lind', 'hyphen'),
  only('José Ñáñez Olmo', 'letters with marks'),
  only('Łucja Żywiec', 'letters with marks'),
  only('Ana Maria de los Mares y Costas del Norte', 'long'),
  one('Mairi O’Dunn', 'typographic apostrophe'),
  one('Jose\u0301 Olmo', 'marks of their own'),
];

/** By script (ISO 15924). */
const inScript: ReadonlyMap<string, readonly Writing[]> = new Map([
  ['Cyrl', [only('Марина Островная', 'script of the language'), only('Анна-Мария Чайкина', 'hyphen')]],
  ['Grek', [only('Νίκη Θαλασσινού', 'script of the language')]],
  ['Arab', [only('ليلى البحري', 'script of the language')]],
  ['Hebr', [only('נועה ימית', 'script of the language')]],
  ['Thai', [only('สมุทร ชายฝั่ง', 'script of the language')]],
  ['Deva', [only('सागर तट', 'script of the language')]],
  ['Kore', [only('김바다', 'script of the language')]],
  ['Hans', [only('海莉', 'script of the language')]],
  ['Hant', [only('潮海莉', 'script of the language')]],
  ['Jpan', [only('潮見 渚', 'kanji'), only('しおみ なぎさ', 'hiragana')]],
  ['Armn', [only('Նարե Ծովյան', 'script of the language')]],
  ['Geor', [only('ნინო ზღვაური', 'script of the language')]],
]);

/** Letters that a language has besides those that all of its script have: who lacks them cannot write the own name. */
const ownLetters: ReadonlyMap<string, Writing> = new Map([
  ['de', only('Jürgen Groß', 'letters with marks')],
  ['fr', only('Gaëlle Lefèvre', 'letters with marks')],
  ['is', only('Þóra Ægisdóttir', 'letters with marks')],
  ['tr', only('Şule Kıyı', 'letters with marks')],
  ['vi', only('Nguyễn Thị Biển', 'letters with marks')],
  ['uk', only('Ольга Їжакевич', 'letters with marks')],
]);

export function personNames({ script, language }: PlaceOfUse): readonly Writing[] {
  const own = language === null ? undefined : ownLetters.get(language);
  const entered = inScript.get(script) ?? latin;
  return own ? [own, ...entered] : entered;
}

/** A Japanese name as it is spoken, which forms ask for in katakana. */
export const kanaNames: readonly Writing[] = [
  one('シオミ ナギサ', 'katakana'),
  one('シオミ　ナギサ', 'spaces'),
  one('シオミナギサ', 'no spaces'),
  one('しおみ なぎさ', 'hiragana'),
  one('ｼｵﾐ ﾅｷﾞｻ', 'half-width kana'),
];
