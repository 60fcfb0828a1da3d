import { attribute, type Field, hasAttribute, isDisabled } from '../html/field';
import type { ChosenFile } from '../standard/entry-list';

const content = 'Two gulls and a seal.\r\n';
const byType: readonly (readonly [accepted: RegExp, ending: string, type: string])[] = [
  [/image\/|\.(png|jpe?g|webp)/i, 'png', 'image/png'],
  [/audio\/|\.(mp3|ogg)/i, 'mp3', 'audio/mpeg'],
  [/video\/|\.mp4/i, 'mp4', 'video/mp4'],
  [/pdf/i, 'pdf', 'application/pdf'],
  [/csv/i, 'csv', 'text/csv'],
];

/**
 * Files to choose in a field, to see how they are sent: one, or two where several may be chosen. The first has a name
 * that has to be encoded. Their endings suit `accept`, their content is a line of text.
 */
export function trialFiles(field: Field): readonly ChosenFile[] {
  const [control] = field.controls;
  if (field.kind !== 'file' || isDisabled(control)) return [];
  const accept = attribute(control, 'accept') ?? '';
  const [, ending, type] = byType.find(([accepted]) => accepted.test(accept)) ?? [null, 'txt', 'text/plain'];
  const file = (name: string): ChosenFile => ({ name: `${name}.${ending}`, type, content });
  const first = file('Möwen "Nord"');
  return hasAttribute(control, 'multiple') ? [first, file('seal')] : [first];
}
