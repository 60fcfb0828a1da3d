import { PNG } from 'pngjs';
import { type Picture, pictureId } from '@/core/observation/picture';

/**
 * The pictures of one browser. An engine rounds the smoothing of an edge a little differently depending on where in the
 * page it stands; a picture that nobody could tell from an earlier one is that one, so that the same control drawn
 * twice is one picture.
 */
export class PictureShelf {
  private readonly bySize = new Map<string, { png: PNG; picture: Picture }[]>();

  async take(png: PNG): Promise<Picture> {
    const size = `${png.width} ${png.height}`;
    const known = this.bySize.get(size) ?? [];
    const same =
      known.find((one) => one.png.data.equals(png.data)) ?? known.find((one) => isSame(one.png, png));
    if (same) return same.picture;
    const picture = await pictureOf(png);
    this.bySize.set(size, [...known, { png, picture }]);
    return picture;
  }
}

/** By how much a channel of a px may differ, and all px together: corners and ends of strokes, not a shade of a surface. */
const roundedBy = 8;
const roundedInAll = 96;

function isSame(a: PNG, b: PNG): boolean {
  let inAll = 0;
  for (let at = 0; at < a.data.length; at += 4) {
    let most = 0;
    for (let channel = at; channel < at + 3; channel++)
      most = Math.max(most, Math.abs((a.data[channel] ?? 0) - (b.data[channel] ?? 0)));
    inAll += most;
    if (most > roundedBy || inAll > roundedInAll) return false;
  }
  return true;
}

async function pictureOf(png: PNG): Promise<Picture> {
  // Trying every filter at the highest level takes longer than all else in a sweep, for a tenth of the size.
  const bytes = PNG.sync.write(png, { deflateLevel: 3, filterType: 1, colorType: 2 });
  return {
    id: pictureId(new Uint8Array(bytes)),
    width: png.width,
    height: png.height,
    data: bytes.toString('base64'),
  };
}
