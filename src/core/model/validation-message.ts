import { attribute, type Field } from '../html/field';
import type { ConstrainedField } from '../standard/constraint-validation';
import type { ValidityFlag } from '../standard/validity-flags';
import { type Language, plainVariant } from '../target/variant';
import { engineDeviations } from './deviations/engine-deviations';
import type { Habits } from './deviations/habits';
import { type EngineWords, filledWords } from './deviations/message-words';
import messageWords from './deviations/message-words.json';
import { situationOf } from './message-situation';

/** As `npm run measure:messages` wrote it. */
const measured: Readonly<Partial<Record<string, EngineWords>>> = messageWords as Record<string, EngineWords>;

/**
 * The words in which a target says what is wrong, as `validationMessage` gives them; where a wording was not measured,
 * the answer is null, never a guess.
 */
export function validationMessage(
  field: Field,
  state: ConstrainedField,
  flags: readonly ValidityFlag[],
  { words, deviations }: Pick<Habits, 'words' | 'deviations'>,
  language: Language = plainVariant.language,
): string | null {
  if (flags.length === 0) return '';
  if (flags.includes('customError')) return state.customMessage;
  const engine = words === null ? undefined : measured[words];
  const spoken = engine?.languages[language];
  const flag = engine?.order.find((one) => flags.includes(one));
  if (!spoken || !flag) return null;
  const title = attribute(field.controls[0], 'title') || null;
  const { id, slots } = situationOf(state, flags, flag, title, engineDeviations[deviations]);
  return filledWords(spoken.words[id], slots, spoken.style, language);
}
