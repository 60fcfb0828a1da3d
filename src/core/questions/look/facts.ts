import type { LookState } from '../../document/look-state';
import type { Answer } from '../../observation/outcome';
import type { PictureId } from '../../observation/picture';
import type { Size } from '../../observation/size';

/** Contrast ratios (WCAG 2.2, "contrast ratio"), from the colours that the target computed; null where there is nothing to contrast. */
export interface Contrast {
  readonly text: number | null;
  readonly placeholder: number | null;
}

/** Text that the form's own styles put beside a field. */
export interface StyleMark {
  /** The element and pseudo-element that it belongs to: `small::before`. */
  readonly by: string;
  readonly text: string;
}

export interface LookFacts {
  /** What the element's `type` reflects; an input of a kind that the target lacks says `text`. */
  readonly typeReflected: string;
  /** Null where nobody measured it, and for fields that are not drawn. */
  readonly size: Size | null;
  /** The value as a script reads it; empty for a checkbox or radio group with nothing checked. */
  readonly value: string;
  /** What it shows as text, as far as the page can know; null where that is kept from the page, and where nobody asked. */
  readonly textShown: string | null;
  /** Entries that the field puts into the form's entry list now; null where nobody asked. */
  readonly sent: readonly string[] | null;
  /** Size and family that the target computed for the text of the control. */
  readonly font: string | null;
  readonly contrast: Contrast | null;
  /** State pseudo-classes in effect; null where nobody asked. */
  readonly pseudoClasses: readonly string[] | null;
  readonly marks: readonly StyleMark[] | null;
  /** Styles keep the control out of sight: size and picture are those of its label, which a person sees and presses instead. */
  readonly drawnBy?: 'label';
  /** It has the focus, and nothing on it or near it shows that: the page looks as it does without. */
  readonly focusUnseen?: boolean;
  /** It is drawn in motion: the picture is one moment of it, and no two are alike. */
  readonly moves: boolean;
  readonly picture: PictureId | null;
}

/** Of a look, what only a page that is drawn can tell; here not asked. */
export const lookNotAsked = {
  textShown: null,
  sent: null,
  font: null,
  contrast: null,
  pseudoClasses: null,
  marks: null,
  moves: false,
} as const satisfies Partial<LookFacts>;

export interface LookObservation extends Answer<'look', LookFacts> {
  readonly state: LookState;
}
