import type { Answer } from '../../observation/outcome';
import type { PictureId } from '../../observation/picture';
import type { Side, Size } from '../../observation/size';

export interface BubbleFacts {
  /** What was set before the field was asked to report. */
  readonly tried: string;
  readonly shown: boolean;
  readonly popUp: Size | null;
  readonly leaves: readonly Side[];
  /** Whether the bubble is another one without the author's `title`; null where there is no title, or no bubble. */
  readonly showsTitle: boolean | null;
  readonly picture: PictureId | null;
}

export type BubbleObservation = Answer<'bubble', BubbleFacts>;
