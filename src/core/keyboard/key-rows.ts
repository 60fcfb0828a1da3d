import type { Key } from './keyboard';

const plain: Readonly<Record<string, Key['does'] & ('erase' | 'action' | 'away' | 'gap')>> = {
  '<erase>': 'erase',
  '<action>': 'action',
  '<away>': 'away',
  '<gap>': 'gap',
};

/** Rows of letter keys in the notation of `keyRows`. */
export type LetterRows = readonly [string, string, ...string[]];

/** Latin letters, with nothing behind them. */
export const qwerty = ['q w e r t y u i o p', 'a s d f g h j k l', 'z x c v b n m'] as const;

/**
 * Rows of keys from a short notation, keys with a space between them: a character; `e|éè` with those that come up when
 * it is held; `<space>`, `<erase>`, `<action>`, `<away>`, `<gap>`; `<to:LAYER:LABEL>` for a key that changes the layer; `:5`
 * behind any of them in angle brackets, inside of the last bracket, for its width, as in `<space:5>`.
 */
export function keyRows(...rows: readonly string[]): readonly (readonly Key[])[] {
  return rows.map((row) => row.split(' ').map(keyOf));
}

function keyOf(token: string): Key {
  const [, name, layer, label, wide] =
    /^<(?:(space|erase|action|away|gap)|to:([^:>]+):([^:>]+))(?::([\d.]+))?>$/.exec(token) ?? [];
  const width = wide === undefined ? {} : { width: Number(wide) };
  if (layer !== undefined && label !== undefined) return { does: 'layer', to: layer, label, ...width };
  if (name === 'space') return { does: 'text', text: ' ', ...width };
  const does = plain[`<${name}>`];
  if (does) return { does, ...width };
  const [text = '', held = ''] = token.length > 1 ? token.split('|') : [token];
  return held === '' ? { does: 'text', text } : { does: 'text', text, held: Array.from(held) };
}
