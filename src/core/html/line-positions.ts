export interface LinePosition {
  /** From 1. */
  readonly line: number;
  /** From 1, in UTF-16 code units. */
  readonly column: number;
}

/** Makes a function that turns offsets in `text` into lines and columns, in O(log n) each. */
export function linePositions(text: string): (offset: number) => LinePosition {
  const starts = [0];
  for (let i = text.indexOf('\n'); i !== -1; i = text.indexOf('\n', i + 1)) starts.push(i + 1);
  return (offset) => {
    let low = 0;
    let high = starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((starts[middle] ?? 0) <= offset) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: offset - (starts[low] ?? 0) + 1 };
  };
}
