/**
 * The entries of a form (HTML Standard, "Constructing the entry list"), each as `name=value`; a file by its name.
 * @param names of the entries that are wanted; null for all.
 */
export function entriesOf(
  form: HTMLFormElement,
  submitter: HTMLElement | null = null,
  names: readonly string[] | null = null,
): string[] {
  return [...new FormData(form, submitter)]
    .filter(([name]) => names === null || names.includes(name))
    .map(([name, value]) => `${name}=${typeof value === 'string' ? value : value.name}`);
}

/** `entries` with each of `others` taken out once. */
export function withoutEntries(entries: readonly string[], others: readonly string[]): string[] {
  const left = [...others];
  return entries.filter((entry) => {
    const at = left.indexOf(entry);
    if (at !== -1) left.splice(at, 1);
    return at === -1;
  });
}
