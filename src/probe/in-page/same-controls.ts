import type { ControlSign } from '../api/probe-api';

/** With a name by that, in whatever type: a password may be shown. Without one by the type. */
function keyOf({ element, name, type }: ControlSign): string {
  return name === '' ? `${element} without a name ${type}` : `${element} ${name}`;
}

function placesByKey(signs: readonly (ControlSign | null)[]): Map<string, number[]> {
  const places = new Map<string, number[]>();
  for (const [place, sign] of signs.entries()) {
    const key = sign && keyOf(sign);
    if (key !== null) places.set(key, [...(places.get(key) ?? []), place]);
  }
  return places;
}

/**
 * Finds the controls that a form had when it was read among those that it has now, whatever came, went or changed places since then.
 * Those of one key stand in their order when there are as many as before; else only one that kept its place is the same.
 *
 * @param read null at places of which nothing is known: what stands there now is taken, unless it is another one that was read
 * @param renamed where the page was loaded anew since: one whose key is gone is the one at its place, where that is of the same element and
 *   is not another one that was read, because names may be drawn anew with the page
 * @returns the place of each now, null where it is not in the page
 */
export function samePlaces(
  read: readonly (ControlSign | null)[],
  now: readonly ControlSign[],
  renamed: 'by place' | 'not found',
): (number | null)[] {
  const [before, after] = [placesByKey(read), placesByKey(now)];
  const found: (number | null)[] = read.map(() => null);
  for (const [key, places] of before) {
    const there = after.get(key) ?? [];
    for (const [index, place] of places.entries())
      if (there.length === places.length) found[place] = there[index] ?? null;
      else if (there.includes(place)) found[place] = place;
  }
  const taken = new Set(found);
  const isFree = (place: number, sign: ControlSign) => !taken.has(place) && !before.has(keyOf(sign));
  return found.map((place, index) => {
    const [was, is] = [read[index], now[index]];
    if (place !== null || !is || !isFree(index, is)) return place;
    if (!was) return index;
    const isRenamed = renamed === 'by place' && !after.has(keyOf(was)) && was.element === is.element;
    return isRenamed ? index : null;
  });
}
