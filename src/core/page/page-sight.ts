import type { FormReadThere } from '../document/own-page';
import type { Failure } from '../observation/failure';
import type { Picture } from '../observation/picture';

/** One form that was found in a page. */
export interface FormFound extends FormReadThere {
  /** What it is called, or what stands in it first. */
  readonly title: string;
  /** As it stands in the page, with what is in open shadow roots put in the place of their hosts. */
  readonly markup: string;
}

/** Something that can be done where a page stands, as a step would name it. */
export interface Doable {
  readonly kind: 'click' | 'fill';
  readonly what: string;
  /** Where it is in the picture, CSS px. */
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** A page after its steps, as an engine shows it. */
export interface PageSight {
  readonly picture: Picture;
  readonly doable: readonly Doable[];
}

/** The forms of a page after its steps; none where the steps lead to none. */
export interface PageRead {
  readonly forms: readonly FormFound[];
  /** Null where no picture could be taken. */
  readonly sight: PageSight | null;
}

/** What came of reading a page; an address that may not be opened, or a step that found nothing, is a fault to be mended. */
export type PageReading =
  | ({ readonly status: 'read' } & PageRead)
  | { readonly status: 'fault'; readonly failure: Failure };
