import type { Raster } from '../picture/raster';
import type { Display } from './display';

/**
 * Pictures of a display, of which those that nobody needs any more are written over: each is some megabytes, and there are many in a
 * second.
 */
export class DisplayLooks {
  private readonly spare: Raster[] = [];

  constructor(private readonly display: Pick<Display, 'picture'>) {}

  /** The display as it is now; it belongs to the one who asks until it is given back. */
  take(): Promise<Raster> {
    return this.display.picture(this.spare.pop());
  }

  giveBack(...pictures: readonly Raster[]): void {
    for (const picture of pictures) if (!this.spare.includes(picture)) this.spare.push(picture);
  }
}
