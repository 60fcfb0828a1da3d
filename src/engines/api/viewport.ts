import { type Variant, viewportHeight } from '@/core/target/variant';

/** Of every page under test, CSS px: zooming makes it smaller, as it does for a person. */
export function viewportOf({ width, zoom }: Variant): { width: number; height: number } {
  return { width: Math.floor(width / zoom), height: Math.floor(viewportHeight / zoom) };
}

/** A JavaScript expression: how wide a page is, CSS px; as wide as its variant says, unless a person zoomed all pages of the browser. */
export const pageWidth = 'innerWidth';
