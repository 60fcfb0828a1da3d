import type { Misfit } from './misfit';

/** Files of Ukko that a person brings. */
export type FileKind = 'form' | 'run' | 'workspace' | 'decisions';

/** Why a file of Ukko cannot be read. */
export type FileFault = { readonly file: FileKind } & (
  | { readonly code: 'too large' /** In megabytes. */; readonly most: number }
  /** `line` counts from 1; null where the parser does not say it. */
  | { readonly code: 'no JSON'; readonly line: number | null }
  | { readonly code: 'other file' }
  | {
      readonly code: 'newer version';
      readonly version: number /** The last that is read. */;
      readonly reads: number;
    }
  | { readonly code: 'no version' }
  | { readonly code: 'misfit'; readonly line: number | null; readonly misfit: Misfit }
  /** Of a workspace: it, or a part of it, cannot be unpacked, or a picture in it is another one than its name says. */
  | { readonly code: 'no zip' }
  | { readonly code: 'picture spoiled'; readonly name: string }
  | { readonly code: 'part damaged' | 'part too large'; readonly name: string }
  /** A run in a workspace, and why it cannot be read. */
  | { readonly code: 'part unread'; readonly name: string; readonly fault: FileFault }
);

/** The server's configuration file, and why it cannot be used. */
export interface UnusableEnginesFile {
  readonly path: string;
  readonly fault: EnginesFileFault;
}

export type EnginesFileFault =
  | { readonly code: 'no JSON' }
  | { readonly code: 'misfit'; readonly misfit: Misfit }
  | { readonly code: 'two endpoints'; readonly name: string };
