import type { KeyboardProgram } from './keyboard-program';
import { squeekboard } from './squeekboard';

/** The on-screen keyboards that can be asked; the first that is on this machine is. */
export const keyboardPrograms: readonly KeyboardProgram[] = [squeekboard];
