/** Longer texts are not compared character by character. */
const longest = 1500;

/**
 * Where a caret belongs after its text was rewritten: behind the same characters as before, wherever those are now.
 * Letters count as the same in either case; a caret at the end stays at the end.
 *
 * @param at where it was, UTF-16 code units
 */
export function caretAfterRewrite(before: string, at: number, after: string): number {
  if (at >= before.length) return after.length;
  const head = commonHead(before, after);
  if (at <= head) return at;
  const tail = commonTail(before.slice(head), after.slice(head));
  if (at > before.length - tail) return after.length - (before.length - at);
  const [from, to] = [before.slice(head, before.length - tail), after.slice(head, after.length - tail)];
  if (from.length > longest || to.length > longest) return head + Math.min(at - head, to.length);
  return head + imageOf(from, at - head, to);
}

function commonHead(a: string, b: string): number {
  let length = 0;
  while (length < a.length && length < b.length && same(a, length, b, length)) length++;
  return length;
}

function commonTail(a: string, b: string): number {
  let length = 0;
  while (length < a.length && length < b.length && same(a, a.length - 1 - length, b, b.length - 1 - length))
    length++;
  return length;
}

function same(a: string, i: number, b: string, j: number): boolean {
  return a[i] === b[j] || a[i]?.toLowerCase() === b[j]?.toLowerCase();
}

/** By the longest common subsequence: behind the image of the last character before the caret that was kept. */
function imageOf(from: string, at: number, to: string): number {
  const width = to.length + 1;
  const lengths = new Uint16Array((from.length + 1) * width);
  for (let i = from.length - 1; i >= 0; i--)
    for (let j = to.length - 1; j >= 0; j--)
      lengths[i * width + j] = same(from, i, to, j)
        ? (lengths[(i + 1) * width + j + 1] ?? 0) + 1
        : Math.max(lengths[(i + 1) * width + j] ?? 0, lengths[i * width + j + 1] ?? 0);
  let image = 0;
  for (let [i, j] = [0, 0]; i < at && j < to.length; ) {
    if (same(from, i, to, j)) {
      i++;
      image = ++j;
    } else if ((lengths[(i + 1) * width + j] ?? 0) >= (lengths[i * width + j + 1] ?? 0)) i++;
    else j++;
  }
  return image;
}
