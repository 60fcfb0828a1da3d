import type { Failure } from '../observation/failure';
import type { UnusableEnginesFile } from '../reading/file-fault';

/** What the server tells a window about one engine; addresses and paths stay with it. */
export type EngineStatus = {
  readonly name: string;
  readonly title: string;
  readonly protocol: string;
} & (
  | { readonly status: 'found'; readonly version: string | null }
  | { readonly status: 'missing'; readonly failure: Failure }
);

export interface EngineStatuses {
  readonly engines: readonly EngineStatus[];
  /** The engines file where it cannot be used; null when it can, or when there is none. */
  readonly unusable: UnusableEnginesFile | null;
}
