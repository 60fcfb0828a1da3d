import type { Unmade } from '@/core/observation/reason';
import type { Variant } from '@/core/target/variant';
import type { AccessibilityReading } from '@/probe/api/askable-page';
import type { ProbeApi, ProbeField } from '@/probe/api/probe-api';
import type { NoWindow, WindowOnDisplay } from '@/probe/api/window-on-display';
import { type AccessibilityBus, busPackages } from '../accessibility/accessibility-bus';
import { readAccessibleTree, TreeTooLarge } from '../accessibility/at-spi-tree';
import { commandTimeout, orLost, withDeadline } from '../api/deadline';
import { stopwatch } from '../api/stopwatch';
import { changeBetweenPictures } from '../picture/crop';
import { PictureShelf } from '../picture/picture-shelf';
import { type Display, textToClipboard } from './display';
import { PageWindow } from './page-window';
import { quickPopUps } from './pop-up-habits';

const noBus: AccessibilityReading = {
  status: 'failed',
  failure: { code: 'accessibility bus missing', packages: busPackages },
};

/** What a page of a desktop engine is besides its protocol: a window on a display, with its clipboard and a shelf for pictures. */
export abstract class PageOnDisplay {
  readonly drawsFocus = true;
  readonly hasKeyboard = true;
  readonly stopwatch = () => stopwatch();
  readonly changeBetween = changeBetweenPictures;
  protected readonly shelf = new PictureShelf();
  private readonly placed: PageWindow;

  /** @param popUps see `PageWindow` */
  constructor(
    protected readonly engine: string,
    private readonly display: Display | NoWindow,
    protected readonly variant: Variant,
    private readonly bus: AccessibilityBus | null,
    popUps = quickPopUps,
  ) {
    const run = (script: string) => this.run(script);
    this.placed = new PageWindow(engine, display, this.shelf, variant, run, () => this.painted(), popUps);
  }

  abstract probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>>;
  /** Runs a script in the page. */
  protected abstract run(script: string): Promise<unknown>;
  /** Resolves once what was changed last is on the screen. */
  protected abstract painted(): Promise<unknown>;
  /** Whether the browser runs, as far as it is known. */
  protected abstract isThere(): boolean;

  window(): Promise<WindowOnDisplay | NoWindow> {
    return this.orLost(() => this.placed.locate());
  }

  /** Over the platform's accessibility bus, where the engine's own protocol does not tell it. */
  async accessibility(fields: readonly ProbeField[]): Promise<AccessibilityReading> {
    const { bus } = this;
    if (!bus) return noBus;
    const ids = await this.probe('idsFor', fields);
    const read = () => withDeadline(readAccessibleTree(bus.address, ids), commandTimeout, this.engine);
    return this.orLost(async (): Promise<AccessibilityReading> => {
      try {
        return { status: 'read', facts: await read() };
      } catch (error) {
        if (!(error instanceof TreeTooLarge)) throw error;
        // Another browser would make as large a one.
        const failure = { code: 'protocol error', engine: this.engine, said: error.message } as const;
        return { status: 'failed', failure };
      }
    });
  }

  toClipboard(text: string): Promise<Unmade | null> {
    return this.orLost(() => textToClipboard(this.display, text));
  }

  /** Does a work; whatever goes wrong becomes `EngineLost`. */
  protected orLost<T>(work: () => Promise<T>): Promise<T> {
    return orLost(this.engine, () => this.isThere(), work);
  }
}
