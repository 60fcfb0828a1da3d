import { type Habits, habitsOf } from '../model/deviations/habits';
import { targetId } from '../target/target';

/** The habits of a browser on a desk; a soft keyboard's way in is tried on a phone. */
export function habitsByRoute(route: string): Habits {
  const habits = habitsOf(targetId(route === 'soft keys' ? 'blink-phone' : 'chromium'));
  if (!habits) throw new Error('The model has lost its habits.');
  return habits;
}
