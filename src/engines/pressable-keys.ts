import { namedKeys } from '@/core/script/stroke';

/** The keys without a character that an engine can be asked to press: those of scripts, and those that step and send. */
export const pressableKeys = [...namedKeys, 'ArrowUp', 'ArrowDown', 'Enter'] as const;
export type PressableKey = (typeof pressableKeys)[number];

export function isPressableKey(key: string): key is PressableKey {
  return pressableKeys.some((name) => name === key);
}
