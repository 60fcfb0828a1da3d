import type { Failure } from '@/core/observation/failure';
import type { Measured } from '@/core/observation/provenance';
import type { Language, Variant } from '@/core/target/variant';
import type { AskablePage } from '@/probe/api/askable-page';
import { isLost, PageLost } from '@/probe/page-lost';
import type { Gate } from '../api/gate';

/** Whether an engine can be had, or how to get it. */
export type EngineFinding =
  | {
      readonly status: 'found';
      /** The program, or the address of a remote endpoint. Stays on the server. */
      readonly path: string;
      /** Null where nobody knows it before it was asked. */
      readonly version: string | null;
    }
  | { readonly status: 'missing'; readonly failure: Failure };

/** A real engine behind one protocol. An implementation knows the protocol; questions are asked through this alone. */
export interface Engine {
  readonly name: string;
  readonly title: string;
  readonly protocol: string;
  /** Debian packages that bring the engine's own words in other languages. */
  readonly wordsPackages: Readonly<Partial<Record<Language, string>>>;
  find(): Promise<EngineFinding>;
  /**
   * Starts one browser in this variant, as far as the engine can. Throws `EngineLost` when it does not start.
   */
  launch(path: string, variant: Variant, how?: LaunchOptions): Promise<EngineSession>;
  /** True where a browser that runs already can get a gate, see `EngineSession.placeGate`; else it has to be there when it starts. */
  readonly gatesLater?: true;
  /** The host name under which the engine reaches this machine; null when it runs on it. */
  readonly pagesFrom: string | null;
}

export interface LaunchOptions {
  /** Ends it while it is still starting; a session that is there is closed and not aborted. */
  readonly signal?: AbortSignal | undefined;
  /** What stands between its pages and other addresses; null: nothing. */
  readonly gate?: Gate | null;
  /** Whether it is to tell assistive technology of its pages: some engines do only where they are started so, and are slower then. */
  readonly tellsAccessibility?: boolean;
}

/** Does in a page that has loaded what has to be done before the probe is put in. */
export type PrepareDocument = (evaluate: (expression: string) => Promise<unknown>) => Promise<void>;

export interface EngineSession {
  readonly provenance: Measured;
  /**
   * Opens a page with a viewport as wide as the variant says, waits for it to load, and runs the probe in it as the
   * automation protocol does, outside the page's own policy; the same again at every `reload`. Throws `EngineLost`.
   *
   * @param arrive what is done between the loading of the page and the probe
   */
  open(address: string, probe: string, variant: Variant, prepare?: PrepareDocument): Promise<EnginePage>;
  /** Puts a gate, one that does not hold everything, before the pages that are opened from now on. The browser is ended after that. */
  placeGate?(gate: Gate): void;
  /** Whether the browser still answers, as far as it is known. */
  isThere(): boolean;
  /**
   * Takes away what pages left in the browser: the page itself, its cookies, its name. Throws `EngineLost` when the browser is gone, and
   * where something cannot be taken back, such as a zoom of all its pages.
   */
  renew(): Promise<void>;
  /** Ends the browser and everything that belongs to it; never throws. */
  close(): Promise<void>;
}

/** A script that takes away what outlives a page in its window, whatever comes after it. */
export const forgetName = `window.name = ''`;

/** Every method throws `EngineLost` when the browser is gone. It goes with its session. */
export interface EnginePage extends AskablePage {
  /** The value of a JavaScript expression in the page, as plain data. */
  evaluate(expression: string): Promise<unknown>;
}

/** The engine did not start, went away or does not answer. */
export class EngineLost extends PageLost {
  override readonly name = 'EngineLost';

  static override [Symbol.hasInstance](error: unknown): boolean {
    return isLost(error, 'EngineLost');
  }
}
