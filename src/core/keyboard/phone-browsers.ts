import { targets } from '../target/line-up';
import type { Target } from '../target/target';
import { correctedHabits } from './correction';
import type { KeyboardHabits } from './keyboard-habits';
import type { KeyboardSetup } from './keyboard-setup';

/** The browsers of phones, whose keyboards a page can choose: what it can say to a native app it can say to none. */
export const phoneBrowsers: readonly Target[] = targets.filter(
  ({ id }) => id === 'blink-phone' || id === 'webkit-phone',
);

export interface Phone {
  readonly target: Target;
  readonly habits: KeyboardHabits;
}

/** The same with their keyboards, as they were corrected. */
export function phonesWith({ corrections }: Pick<KeyboardSetup, 'corrections'>): Phone[] {
  return phoneBrowsers.flatMap((target) => {
    const habits = correctedHabits(target.id, corrections);
    return habits ? [{ target, habits }] : [];
  });
}
