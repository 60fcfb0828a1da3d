import type { Variant } from '@/core/target/variant';
import type { NoWindow, WindowOnDisplay } from '@/probe/api/window-on-display';
import { EngineLost } from '../api/engine';
import { viewportOf } from '../api/viewport';
import type { PictureShelf } from '../picture/picture-shelf';
import type { Display } from './display';
import type { PopUpHabits } from './pop-up-habits';
import { locateViewport, redrawPage, windowOnDisplay } from './window-on-display';

/** The window of one page, looked for on its display when it is asked for first. */
export class PageWindow {
  private found: WindowOnDisplay | null = null;

  /**
   * @param evaluate runs a script in the page, in whatever way its protocol has.
   * @param painted ends once all that was done to the page is drawn.
   * @param popUps how what opens over its pages comes.
   */
  constructor(
    private readonly engine: string,
    private readonly display: Display | NoWindow,
    private readonly shelf: PictureShelf,
    private readonly variant: Variant,
    private readonly evaluate: (script: string) => Promise<unknown>,
    private readonly painted: () => Promise<unknown>,
    private readonly popUps: PopUpHabits,
  ) {}

  /** Throws `EngineLost` when the page does not show on the display. */
  async locate(): Promise<WindowOnDisplay | NoWindow> {
    const { display, variant } = this;
    if ('status' in display) return display;
    if (this.found) return this.found;
    const place = await locateViewport(display, this.evaluate);
    if (!place) throw new EngineLost({ code: 'no window', engine: this.engine });
    this.found = windowOnDisplay(
      display,
      this.shelf,
      { ...place, ...viewportOf(variant), scale: variant.zoom },
      {
        painted: this.painted,
        redraw: this.popUps.redraws ? () => this.evaluate(redrawPage) : null,
        stepPause: this.popUps.stepPause,
      },
    );
    return this.found;
  }
}
