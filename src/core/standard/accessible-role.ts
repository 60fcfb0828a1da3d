import type { FieldKind } from '../html/field';
import { isTypedText } from '../html/field';
import type { ControlState } from './control-state';

const roles: Readonly<Partial<Record<FieldKind, string>>> = {
  number: 'spinbutton',
  range: 'slider',
  checkbox: 'checkbox',
  radio: 'radio',
  submit: 'button',
  reset: 'button',
  button: 'button',
  image: 'button',
  meter: 'meter',
  progress: 'progressbar',
  output: 'status',
  search: 'searchbox',
};

/**
 * The role of WAI-ARIA that an element has by itself (HTML Accessibility API Mappings, "HTML Element Role Mappings"); null for those that
 * WAI-ARIA has no role for.
 */
export function implicitRole({ kind, attributes }: ControlState): string | null {
  if (kind === 'select')
    return 'multiple' in attributes || Number(attributes.size) > 1 ? 'listbox' : 'combobox';
  if ('list' in attributes && isTypedText(kind) && kind !== 'password' && kind !== 'textarea')
    return 'combobox';
  const own = roles[kind];
  if (own) return own;
  return isTypedText(kind) && kind !== 'password' ? 'textbox' : null;
}
