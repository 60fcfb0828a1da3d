import { type NamedKey, namedKeys } from '@/core/script/stroke';

/** WebDriver, "Keyboard actions": the code points that stand for keys without a character. */
export const keyCodePoints: Readonly<Record<NamedKey, string>> = {
  Backspace: '\uE003',
  Tab: '\uE004',
  Enter: '\uE007',
  Shift: '\uE008',
  Control: '\uE009',
  Alt: '\uE00A',
  Escape: '\uE00C',
  PageUp: '\uE00E',
  PageDown: '\uE00F',
  End: '\uE010',
  Home: '\uE011',
  ArrowLeft: '\uE012',
  ArrowUp: '\uE013',
  ArrowRight: '\uE014',
  ArrowDown: '\uE015',
  Delete: '\uE017',
  Meta: '\uE03D',
};

/** A key as the protocols take it: one code point each. A grapheme of several is several keys, as on a keyboard that has them. */
export function protocolKeys(key: string): string[] {
  const named = namedKeys.find((name) => name === key);
  return named ? [keyCodePoints[named]] : [...key];
}
