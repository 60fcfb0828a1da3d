import { targets } from '../target/line-up';
import type { Target } from '../target/target';

/** The browsers of phones, whose keyboards a page can choose: what it can say to a native app it can say to none. */
export const phoneBrowsers: readonly Target[] = targets.filter(
  ({ id }) => id === 'blink-phone' || id === 'webkit-phone',
);
