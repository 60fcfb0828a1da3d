import { contentPurposes, hintsOf } from '@/core/observation/content-purpose';
import type { KeyboardLog, KeyboardProgram, KeyPlace } from './keyboard-program';

const layerKey: KeyPlace = { key: null, x: 46, down: 0.875 };

/** A key of the first layer, one of the layer of numbers where there is one, and the one that takes away. */
const tappedKeys: Readonly<Record<'letters' | 'numbers', readonly KeyPlace[]>> = {
  letters: [
    { key: 'q', x: 28, down: 0.12 },
    layerKey,
    { key: '1', x: 28, down: 0.12 },
    layerKey,
    { key: 'Backspace', x: 478, down: 0.625 },
  ],
  numbers: [
    { key: '1', x: 150, down: 0.12 },
    { key: '-', x: 370, down: 0.625 },
    { key: 'Backspace', x: 79, down: 0.875 },
  ],
};

/** It prints the protocol that it speaks (`zwp_input_method_v2`), and the layouts that it loads. */
function squeekboardLog(): KeyboardLog {
  let asked: KeyboardLog['asked'] = null;
  let layout: string | null = null;
  return {
    get asked() {
      return asked;
    },
    get layout() {
      return layout;
    },
    hear(line) {
      const [, hints, purpose] = /zwp_input_method_v2@\d+\.content_type\((\d+), (\d+)\)/.exec(line) ?? [];
      const known = contentPurposes[Number(purpose)];
      if (known) asked = { purpose: known, hints: hintsOf(Number(hints)) };
      const [, loaded] = /Loaded layout Resource: (\S+)/.exec(line) ?? [];
      if (loaded) layout = loaded;
    },
    forget() {
      asked = null;
    },
  };
}

/** The keyboard of GNOME's phones. */
export const squeekboard: KeyboardProgram = {
  name: 'squeekboard',
  variable: 'UKKO_SQUEEKBOARD',
  debianPackage: 'squeekboard',
  settings: [['org.gnome.desktop.a11y.applications', 'screen-keyboard-enabled', 'true']],
  env: { WAYLAND_DEBUG: '1' },
  log: squeekboardLog,
  keysToTap: (layout) => tappedKeys[layout?.startsWith('number') ? 'numbers' : 'letters'],
};
