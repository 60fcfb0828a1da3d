/** The roles that authors may use (WAI-ARIA 1.2, "Definition of Roles", but for the abstract ones). */
const names =
  'alert alertdialog application article blockquote button caption cell checkbox code columnheader combobox complementary contentinfo definition deletion dialog document emphasis feed figure form generic grid gridcell group heading img insertion link list listbox listitem log main marquee math menu menubar menuitem menuitemcheckbox menuitemradio meter navigation none note option paragraph presentation progressbar radio radiogroup region row rowgroup rowheader scrollbar search searchbox separator slider spinbutton status strong subscript superscript switch tab table tablist tabpanel term textbox time timer toolbar tooltip tree treegrid treeitem';

export const ariaRoles: ReadonlySet<string> = new Set(names.split(' '));

/** The first of the written roles that there is (WAI-ARIA 1.2, "Handling Author Errors"); null where none is. */
export function writtenRole(role: string): string | null {
  return (
    role
      .toLowerCase()
      .split(/[\t\n\f\r ]+/)
      .find((name) => ariaRoles.has(name)) ?? null
  );
}
