/** What a device's page is given with it. */
export interface DeviceData {
  readonly form: string;
  readonly markup: string;
  /** Code of the page's frame. */
  readonly frame: string;
  /** Of this page and its frames (Content Security Policy Level 3, "nonce-source"). */
  readonly nonce: string;
  /** Where its answers go; null for a page that was carried over as a file. */
  readonly answers: { readonly path: string; readonly visit: string } | null;
}

/** How often a page says that it is still there, ms. */
export const aliveEvery = 4000;

/** Ids of what the page's script finds in it. */
export const deviceIds = {
  data: 'ukko-data',
  state: 'ukko-state',
  form: 'ukko-form',
  save: 'ukko-save',
} as const;
