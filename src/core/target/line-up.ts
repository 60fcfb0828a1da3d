import { type Target, type TargetId, targetId } from './target';

/** Every target that ships with Ukko. To add one, add it here and, if the model answers for it, to `habits.ts`. */
export const targets: readonly Target[] = [
  {
    id: targetId('chromium'),
    name: 'Chromium',
    ask: 'engine',
    engine: 'chromium',
    note: 'The Chromium on this machine, driven over WebDriver BiDi with trusted key events.',
  },
  {
    id: targetId('firefox'),
    name: 'Firefox',
    ask: 'engine',
    engine: 'firefox',
    note: 'The Firefox on this machine, driven over WebDriver BiDi with trusted key events.',
  },
  {
    id: targetId('webkit'),
    name: 'WebKit',
    ask: 'engine',
    engine: 'webkit',
    note: 'The WebKitGTK on this machine, driven over W3C WebDriver with trusted key events. Its date, time and colour editors are this port’s own, not those of a phone.',
  },
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
];

/** The targets of a form, in order; the first is the reference unless another is named. */
export interface LineUp {
  readonly targets: readonly TargetId[];
  readonly reference: TargetId;
}

export const defaultLineUp: LineUp = {
  targets: targets.map((target) => target.id),
  reference: targetId('chromium'),
};

/** Null for an id that this version does not know, as in a file from a later one. */
export function findTarget(id: TargetId): Target | null {
  return targets.find((target) => target.id === id) ?? null;
}

/** The target's name, or its id when this version does not know it. */
export function targetName(id: TargetId): string {
  return findTarget(id)?.name ?? id;
}
