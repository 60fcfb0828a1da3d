import type { DeviceMessage } from './device-message';

/** What a listener for a device says while it is on, one JSON object a line. */
export type DeviceNews =
  | {
      readonly type: 'listening';
      readonly address: string;
      /** False where this machine is on no network: only it can open the page. */
      readonly onNetwork: boolean;
      /** When it goes off by itself, ISO 8601, UTC. */
      readonly until: string;
    }
  /** The page was opened; the code is used up. */
  | { readonly type: 'opened' }
  | { readonly type: 'message'; readonly message: DeviceMessage }
  /** Nothing was heard for some time; what came before is kept. */
  | { readonly type: 'silent' }
  /** Something was not taken: one sentence for the person. */
  | { readonly type: 'refused'; readonly text: string };
