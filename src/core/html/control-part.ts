/** What a kind of field is made of, as far as it is known. */
export const controlParts = [
  'text box',
  'picker button',
  'spin button',
  'slider',
  'swatch',
  'list',
  'clear button',
  'check mark',
  'radio mark',
  'button',
  'bar',
  'text area',
  'text',
] as const;
export type ControlPart = (typeof controlParts)[number];
