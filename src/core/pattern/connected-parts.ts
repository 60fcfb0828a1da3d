/**
 * The parts of a graph whose places lead to each other and back (Tarjan's strongly connected components), a place alone among them.
 * @param count places are numbered from 0
 */
export function connectedParts(count: number, next: (place: number) => readonly number[]): number[][] {
  const order: number[] = Array(count).fill(-1);
  const lowest: number[] = Array(count).fill(0);
  const isOpen: boolean[] = Array(count).fill(false);
  const open: number[] = [];
  const parts: number[][] = [];
  let time = 0;
  const enter = (place: number) => {
    order[place] = lowest[place] = time++;
    open.push(place);
    isOpen[place] = true;
    return { place, left: [...next(place)] };
  };
  for (let root = 0; root < count; root++) {
    if (order[root] !== -1) continue;
    // Not by functions that call themselves: graphs may be deeper than calls.
    const path = [enter(root)];
    for (let here = path.at(-1); here; here = path.at(-1)) {
      const to = here.left.pop();
      if (to === undefined) {
        path.pop();
        const { place } = here;
        const above = path.at(-1)?.place;
        if (above !== undefined) lowest[above] = Math.min(lowest[above] ?? 0, lowest[place] ?? 0);
        if (lowest[place] === order[place]) parts.push(closed(place));
      } else if (order[to] === -1) path.push(enter(to));
      else if (isOpen[to]) lowest[here.place] = Math.min(lowest[here.place] ?? 0, order[to] ?? 0);
    }
  }
  return parts;

  function closed(place: number): number[] {
    const part = open.splice(open.indexOf(place));
    for (const one of part) isOpen[one] = false;
    return part;
  }
}
