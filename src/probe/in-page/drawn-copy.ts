import type { FramePicture } from '../api/frame-api';
import type { Box } from '../api/probe-api';
import { domMembers } from './dom-members';

const svgNamespace = 'http://www.w3.org/2000/svg';

/**
 * Draws a copy of this document into pictures. A page may not photograph itself, but a browser does draw form controls
 * inside an SVG image; the copy carries values and checks over as attributes. Focus and a pop-up are not in it.
 *
 * @returns null for every box when the browser refuses to give the drawing out.
 */
export async function drawCopy(
  boxes: readonly (Box | null)[],
  size: { width: number; height: number },
): Promise<(FramePicture | null)[]> {
  try {
    const image = await load(svgOf(copyOf(domMembers(document).documentElement), size));
    return boxes.map((box) => (box ? cut(image, box) : null));
  } catch {
    return boxes.map(() => null);
  }
}

function copyOf(root: HTMLElement): HTMLElement {
  const copy = root.cloneNode(true) as HTMLElement;
  const selector = 'input,textarea,select';
  const originals = root.querySelectorAll<HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement>(
    selector,
  );
  const copies = copy.querySelectorAll(selector);
  originals.forEach((original, index) => {
    const twin = copies[index];
    if (twin) carryOver(original, twin);
  });
  for (const script of copy.querySelectorAll('script')) script.remove();
  return copy;
}

function carryOver(
  original: HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement,
  twin: Element,
): void {
  if (original instanceof HTMLTextAreaElement) twin.textContent = original.value;
  else if (original instanceof HTMLSelectElement)
    Array.from(original.options).forEach((option, index) => {
      twin.querySelectorAll('option')[index]?.toggleAttribute('selected', option.selected);
    });
  else if (original.type === 'checkbox' || original.type === 'radio')
    twin.toggleAttribute('checked', original.checked);
  else if (original.type !== 'file') twin.setAttribute('value', original.value);
}

function svgOf(copy: HTMLElement, { width, height }: { width: number; height: number }): string {
  const body = new XMLSerializer().serializeToString(copy);
  // XML knows fewer characters than HTML; one that it refuses would spoil the whole picture.
  // biome-ignore lint/suspicious/noControlCharactersInRegex: these are the characters that XML refuses
  const xml = body.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '');
  return `<svg xmlns="${svgNamespace}" width="${width}" height="${height}"><foreignObject x="0" y="0" width="100%" height="100%">${xml}</foreignObject></svg>`;
}

async function load(svg: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  return image;
}

function cut(image: HTMLImageElement, { x, y, width, height }: Box): FramePicture {
  const canvas = domMembers(document).createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser gives no canvas.');
  context.fillStyle = 'white';
  context.fillRect(0, 0, width, height);
  context.drawImage(image, -x, -y);
  return { width, height, data: canvas.toDataURL('image/png').replace(/^data:image\/png;base64,/, '') };
}
