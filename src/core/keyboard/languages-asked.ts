import type { Field } from '../html/field';
import type { LineUp } from '../target/line-up';
import { plainVariant } from '../target/variant';
import type { KeyboardSetup } from './keyboard-setup';

/** In which languages fields are asked about whose page states none: those of a line-up, in its order. */
export function languagesAsked({
  targets,
}: Pick<LineUp, 'targets'>): Pick<KeyboardSetup, 'language' | 'alsoIn'> {
  const all = new Set(targets.flatMap((one) => (one.ask === 'engine' ? [one.variant.language] : [])));
  const [language = plainVariant.language, ...alsoIn] = all;
  return { language, alsoIn };
}

/** Languages besides the first in which people may write into a field whose page states none and of whom nobody said it. */
export function otherLanguages(
  { controls: [{ language }] }: Field,
  { alsoIn = [] }: Pick<KeyboardSetup, 'alsoIn'>,
): readonly string[] {
  return language === null ? alsoIn : [];
}

/** Of those, the ones that somebody chose: an engine that is asked in no language in particular says nothing of the person's. */
export function chosenLanguages(field: Field, { language, alsoIn = [] }: KeyboardSetup): readonly string[] {
  const all = otherLanguages(field, { alsoIn: [language, ...alsoIn] });
  return all.filter((one) => one !== plainVariant.language);
}
