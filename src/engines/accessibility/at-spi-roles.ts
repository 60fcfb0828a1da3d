/**
 * Roles of AT-SPI 2 (`AtspiRole`) of form controls, by the role of WAI-ARIA that platforms map to them (Core Accessibility API Mappings,
 * "Role Mapping"), or by AT-SPI's own name where WAI-ARIA has none.
 */
export const atSpiRoles: ReadonlyMap<number, string> = new Map([
  [7, 'checkbox'],
  [9, 'color chooser'],
  [11, 'combobox'],
  [12, 'date editor'],
  [19, 'file chooser'],
  [40, 'password text'],
  [42, 'progressbar'],
  [43, 'button'],
  [44, 'radio'],
  [51, 'slider'],
  [52, 'spinbutton'],
  [54, 'status'],
  [61, 'textbox'],
  [62, 'button'],
  [79, 'textbox'],
  [98, 'listbox'],
  [103, 'meter'],
]);

/** States of AT-SPI 2 (`AtspiStateType`). */
export const atSpiStates = { required: 33, invalidEntry: 36 } as const;
