import type { Box, ProbeApi } from './probe-api';

/** A picture as the frame sends it: a PNG as base64, one device pixel per CSS px. */
export interface FramePicture {
  readonly width: number;
  readonly height: number;
  readonly data: string;
}

/** What the probe frame answers over its message port. */
export interface FrameApi {
  /** Replaces the frame's document by this page; scripts in it do not run. */
  load(html: string): void;
  call<Method extends keyof ProbeApi>(
    method: Method,
    parameters: Parameters<ProbeApi[Method]>,
  ): ReturnType<ProbeApi[Method]>;
  /** Draws a copy of the document and cuts the boxes out; null where this browser does not let a page do that. */
  draw(
    boxes: readonly (Box | null)[],
    document: { width: number; height: number },
  ): Promise<(FramePicture | null)[]>;
}

/** The first message to the frame carries the port and says this. */
export const frameGreeting = 'ukko-probe-port';
/** The frame says this once it listens. */
export const frameReady = 'ukko-probe-ready';
