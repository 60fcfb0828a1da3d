import { type FileHandle, open } from 'node:fs/promises';
import { type Raster, type RasterLayout, rasterLayout } from '../picture/raster';

/** Longest header and table of colours, bytes. */
const mostHeader = 64 * 1024;

/** The file in which an X server keeps its screen: a look at it costs as much as to copy its pixels. */
export class ScreenFile {
  private opened: Promise<{ readonly file: FileHandle; readonly layout: RasterLayout }> | null = null;

  constructor(private readonly path: string) {}

  /** @param into a picture that nobody needs any more: it is written over, and is the one that is returned */
  async picture(into: Raster | null): Promise<Raster> {
    this.opened ??= this.open();
    const { file, layout } = await this.opened;
    const { start, width, height, stride } = layout;
    const data = into?.data ?? Buffer.allocUnsafeSlow(stride * height);
    await file.read(data, 0, data.length, start);
    return { width, height, stride, data, channels: 'bgr' };
  }

  async close(): Promise<void> {
    const { file } = (await this.opened?.catch(() => null)) ?? {};
    await file?.close();
  }

  private async open() {
    const file = await open(/* turbopackIgnore: true */ this.path);
    try {
      const header = Buffer.alloc(mostHeader);
      const { bytesRead } = await file.read(header, 0, mostHeader, 0);
      return { file, layout: rasterLayout(header.subarray(0, bytesRead)) };
    } catch (error) {
      await file.close();
      throw error;
    }
  }
}
