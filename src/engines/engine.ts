import type { Measured } from '@/core/observation/provenance';
import type { EngineName } from '@/core/target/target';
import { PageLost } from '@/probe/ask-page';
import type { AskablePage } from '@/probe/askable-page';

/** Whether an engine is on this machine, and where, or how to get it. */
export type EngineFinding =
  | { readonly status: 'found'; readonly path: string }
  | { readonly status: 'missing'; readonly remedy: string };

/** A real engine behind one protocol. An implementation knows the protocol; questions are asked through this alone. */
export interface Engine {
  readonly name: EngineName;
  find(): Promise<EngineFinding>;
  /** Starts one browser. Throws `EngineLost` when it does not start. */
  launch(path: string): Promise<EngineSession>;
}

export interface EngineSession {
  readonly provenance: Measured;
  /**
   * Opens a page, waits for it to load, and runs the probe in it as the automation protocol does, outside the page's
   * own policy; the same again at every `reload`. Throws `EngineLost`.
   */
  open(address: string, probe: string): Promise<EnginePage>;
  /** Ends the browser and everything that belongs to it; never throws. */
  close(): Promise<void>;
}

/** Every method throws `EngineLost` when the browser is gone. It goes with its session. */
export type EnginePage = AskablePage;

/** The engine did not start, went away or does not answer; the message is for people. */
export class EngineLost extends PageLost {
  override readonly name = 'EngineLost';
}

/** Viewport of every page under test, CSS px. */
export const viewport = { width: 800, height: 600 } as const;
