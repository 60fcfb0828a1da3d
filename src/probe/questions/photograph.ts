import type { Field } from '@/core/html/field';
import type { Picture } from '@/core/observation/picture';
import { pictureBox } from '../api/picture-box';
import type { Box } from '../api/probe-api';
import { probeField, type QuestionContext } from './question-context';

/** Pictures of controls, null for those that are not drawn or that nobody can photograph. */
export interface Photographs {
  readonly boxes: readonly (Box | null)[];
  readonly pictures: readonly (Picture | null)[];
}

/**
 * Fills fields as they were parsed with values (null leaves one alone) and photographs their controls, without anything
 * around them: a neighbour or a mark that changes too would else be taken for the control.
 * @param css applied over all other styles while the pictures are taken.
 * @param isWanted which of the fields are photographed; the others are filled all the same
 */
export async function photograph(
  { page, signal }: QuestionContext,
  fields: readonly Field[],
  values: readonly (string | null)[],
  css = '',
  isWanted: (field: Field) => boolean = () => true,
): Promise<Photographs> {
  signal.throwIfAborted();
  const probed = fields.map(probeField);
  await page.probe('reset');
  await page.probe('fill', probed, values);
  // Before anything is measured: a style that draws nothing may still move what stands in the same line.
  if (css) await page.probe('restyle', css);
  const document = await page.probe('documentBox');
  const placed = await page.probe('controlBoxes', probed);
  const boxes = fields.map((field, index) => {
    const box = placed[index];
    return box && isWanted(field) ? pictureBox(box, document, 0) : null;
  });
  const pictures = await page.pictures(boxes, document);
  if (css) await page.probe('restyle', null);
  return { boxes, pictures };
}
