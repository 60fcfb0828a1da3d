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
