import type { Unmade } from '@/core/observation/reason';
import type { Variant } from '@/core/target/variant';
import type { NoWindow, WindowOnDisplay } from '@/probe/api/window-on-display';
import { orLost } from '../api/deadline';
import { stopwatch } from '../api/stopwatch';
import { changeBetweenPictures } from '../picture/crop';
import { PictureShelf } from '../picture/picture-shelf';
import { type Display, textToClipboard } from './display';
import { PageWindow } from './page-window';

/** What a page of a desktop engine is besides its protocol: a window on a display, with its clipboard and a shelf for pictures. */
export abstract class PageOnDisplay {
  readonly drawsFocus = true;
  readonly hasKeyboard = true;
  readonly stopwatch = () => stopwatch();
  readonly changeBetween = changeBetweenPictures;
  protected readonly shelf = new PictureShelf();
  private readonly placed: PageWindow;

  /** @param redraws see `PageWindow` */
  constructor(
    protected readonly engine: string,
    private readonly display: Display | NoWindow,
    protected readonly variant: Variant,
    redraws?: boolean,
  ) {
    const run = (script: string) => this.run(script);
    this.placed = new PageWindow(engine, display, this.shelf, variant, run, () => this.painted(), redraws);
  }

  /** Runs a script in the page. */
  protected abstract run(script: string): Promise<unknown>;
  /** Resolves once what was changed last is on the screen. */
  protected abstract painted(): Promise<unknown>;
  /** Whether the browser runs, as far as it is known. */
  protected abstract isThere(): boolean;

  window(): Promise<WindowOnDisplay | NoWindow> {
    return this.orLost(() => this.placed.locate());
  }

  toClipboard(text: string): Promise<Unmade | null> {
    return this.orLost(() => textToClipboard(this.display, text));
  }

  /** Does a work; whatever goes wrong becomes `EngineLost`. */
  protected orLost<T>(work: () => Promise<T>): Promise<T> {
    return orLost(this.engine, () => this.isThere(), work);
  }
}
