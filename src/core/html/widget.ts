import { attribute, type Control, type Field, fieldElements, isTypedText } from './field';

/** Roles of elements into which a person enters something by keys (WAI-ARIA, "Widget Roles"). */
export const widgetRoles = ['textbox', 'searchbox', 'combobox', 'slider', 'spinbutton'] as const;
export type WidgetRole = (typeof widgetRoles)[number];

/** HTML Standard, "The contenteditable attribute": its states in which content is edited. */
export const editableStates = ['', 'true', 'plaintext-only'];

/**
 * Finds what may be a widget: an element that is no control of HTML, whose content is editable or that has one of these roles; and a
 * button that opens a list of options, which is one in looks alone.
 */
export const widgetSelector = [
  ...editableStates.map((state) => `[contenteditable="${state}" i]`),
  ...widgetRoles.map((role) => `[role="${role}" i]`),
]
  .map((one) => one + fieldElements.map((name) => `:not(${name})`).join(''))
  .concat('button[type="button" i][role="combobox" i]')
  .join(',');

/** The name of a control's element, in lower case. */
export function tagOf(markup: string, { startTag }: Pick<Control, 'startTag'>): string {
  const [, tag = ''] = /^<([^\s/>]+)/.exec(markup.slice(startTag.start, startTag.end)) ?? [];
  return tag.toLowerCase();
}

/** The role of a widget; null for editable content of no role. */
export function widgetRoleOf(control: Pick<Control, 'attributes'>): WidgetRole | null {
  const role = attribute(control, 'role')?.toLowerCase();
  return widgetRoles.find((one) => one === role) ?? null;
}

/** Whether text is typed into a widget. */
export function takesText(control: Pick<Control, 'attributes'>): boolean {
  const role = widgetRoleOf(control);
  return role === null || role === 'textbox' || role === 'searchbox';
}

/** Whether text is typed into a field, be it a control or a widget. */
export function isTypedInto({ kind, controls: [control] }: Pick<Field, 'kind' | 'controls'>): boolean {
  return isTypedText(kind) || (kind === 'widget' && takesText(control));
}
