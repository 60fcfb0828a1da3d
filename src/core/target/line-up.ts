import { engineTarget, type Target, type TargetId, targetId } from './target';
import { withheldTargets } from './withheld-targets';

/** Every target that ships with Ukko. To add one, add it here and, if the model answers for it, to `habits.ts`. */
export const targets: readonly Target[] = [
  engineTarget(
    'chromium',
    'Chromium',
    'The Chromium on this machine, driven over WebDriver BiDi with trusted key events.',
  ),
  engineTarget(
    'firefox',
    'Firefox',
    'The Firefox on this machine, driven over WebDriver BiDi with trusted key events.',
  ),
  engineTarget(
    'webkit',
    'WebKit',
    'The WebKitGTK on this machine, driven over W3C WebDriver with trusted key events. Its date, time and colour editors are this port’s own, not those of a phone.',
  ),
  {
    id: targetId('this-browser'),
    name: 'This browser',
    ask: 'probe',
    note: 'The browser you are looking at. A page may not press keys or take pictures, so its strokes are events made by a script, and its pictures are drawn from a copy of the control.',
  },
  {
    id: targetId('blink-phone'),
    name: 'Android-like phone',
    ask: 'model',
    note: 'A phone browser of the Blink family with a soft keyboard. Nothing of it runs here; Ukko’s model answers.',
  },
  {
    id: targetId('webkit-phone'),
    name: 'iOS-like phone',
    ask: 'model',
    note: 'A phone browser of the WebKit family whose soft keys insert at once. Nothing of it runs here; Ukko’s model answers.',
  },
  {
    id: targetId('blink-tablet'),
    name: 'Android-like tablet',
    ask: 'model',
    note: 'A tablet browser of the Blink family with a soft keyboard. Nothing of it runs here; Ukko’s model answers.',
  },
  {
    id: targetId('webkit-tablet'),
    name: 'iOS-like tablet',
    ask: 'model',
    note: 'A tablet browser of the WebKit family, whose keyboard has all its keys for every kind of field. Nothing of it runs here; Ukko’s model answers.',
  },
  {
    id: targetId('native-phone-field'),
    name: 'Native phone field',
    ask: 'model',
    note: 'A text field of an Android-like phone’s own app, not of a browser. It tells its app from what to what the text has changed. Ukko’s model answers.',
  },
  {
    id: targetId('native-ios-field'),
    name: 'Native iOS-like field',
    ask: 'model',
    note: 'A text field of an iOS-like phone’s own app, not of a browser. It tells its app from what to what the text has changed. Ukko’s model answers.',
  },
  {
    id: targetId('app-toolkit-field'),
    name: 'App toolkit field',
    ask: 'model',
    note: 'A field that an app toolkit paints itself. It tells the changed text, the end of editing and the submission. Ukko’s model answers.',
  },
  {
    id: targetId('desktop-toolkit-field'),
    name: 'Desktop toolkit field',
    ask: 'model',
    note: 'A field of a desktop program with a hardware keyboard and no browser. Ukko’s model answers.',
  },
  ...withheldTargets,
];

/** The targets of a form, in order, as they were when they were chosen; one of them is the reference. */
export interface LineUp {
  readonly targets: readonly Target[];
  readonly reference: TargetId;
}

/** Most targets in a line-up. */
export const maxTargets = 20;

const usual = ['chromium', 'firefox', 'webkit', 'this-browser', 'blink-phone'];

export const defaultLineUp: LineUp = {
  targets: targets.filter((target) => usual.includes(target.id)),
  reference: targetId('chromium'),
};

/** A target that ships with Ukko, or null. */
export function findTarget(id: TargetId): Target | null {
  return targets.find((target) => target.id === id) ?? null;
}

export function targetIn(lineUp: LineUp, id: TargetId): Target | null {
  return lineUp.targets.find((target) => target.id === id) ?? null;
}

/** The target's name, or its id when it is not in the line-up. */
export function targetName(lineUp: LineUp, id: TargetId): string {
  return targetIn(lineUp, id)?.name ?? id;
}
