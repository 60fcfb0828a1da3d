import type { Field } from '@/core/html/field';
import { typedLanguage } from '@/core/keyboard/typed-language';
import { plainVariant } from '@/core/target/variant';
import { useSelection } from './use-selection';

/** The language of who types into a field, BCP 47: the one that was chosen, or else that of the page. */
export function useTypedLanguage(field: Field): string {
  const [{ language }] = useSelection();
  return language ?? typedLanguage(field, plainVariant.language) ?? plainVariant.language;
}
