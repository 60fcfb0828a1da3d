import type { Answer } from '../../observation/outcome';
import type { PictureId } from '../../observation/picture';
import type { Side, Size } from '../../observation/size';

export interface OpeningFacts {
  /** What a person did when something opened; null when nothing did, whatever was tried. */
  readonly opened: string | null;
  /** What was tried, in order. */
  readonly tried: readonly string[];
  /** Of what opened, CSS px. */
  readonly popUp: Size | null;
  /** Sides of the page's window that it reaches past. */
  readonly leaves: readonly Side[];
  readonly picture: PictureId | null;
  /** What fields in it are called, on a page of one's own: nobody asks them. Not given: none is in it. */
  readonly fieldsInside?: readonly string[];
}

export type OpeningObservation = Answer<'opening', OpeningFacts>;
