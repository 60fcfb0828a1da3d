/**
 * What is now, made of the parts of what was before wherever they are equal: so that what is drawn from an unchanged part
 * need not be drawn again. Of plain data without cycles, as it comes out of a worker.
 */
export function keptParts<Data>(before: unknown, now: Data): Data {
  if (Object.is(before, now)) return now;
  if (!isCompound(before) || !isCompound(now) || Array.isArray(before) !== Array.isArray(now)) return now;
  const [was, is] = [before as Record<string, unknown>, now as Record<string, unknown>];
  const names = Object.keys(is);
  const kept = names.map((name) => [name, keptParts(was[name], is[name])] as const);
  const isSame =
    names.length === Object.keys(was).length &&
    kept.every(([name, part]) => name in was && Object.is(part, was[name]));
  if (isSame) return before as Data;
  return (Array.isArray(now) ? kept.map(([, part]) => part) : Object.fromEntries(kept)) as Data;
}

function isCompound(data: unknown): data is object {
  return typeof data === 'object' && data !== null;
}
