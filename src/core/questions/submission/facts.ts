import type { FieldId } from '../../html/field';
import type { FieldEntry } from '../../observation/field-entry';
import type { Answer } from '../../observation/outcome';
import type { Unsent } from '../../observation/reason';

/** What came of pressing a button that sends. */
export type Sending =
  | {
      readonly status: 'sent';
      readonly method: string;
      /** Path and query, as the server got them. */
      readonly url: string;
      readonly contentType: string | null;
      /** One byte a character; the boundary of several parts is `BOUNDARY`. */
      readonly body: string;
    }
  /**
   * Nothing left the page: `by` is the first field that is not valid, `invalid` all of them in order. Where the page's own
   * scripts kept it back, `by` is where they put the focus, `message` what came to be read, `invalid` what they mark so.
   */
  | {
      readonly status: 'blocked';
      readonly by: FieldId | null;
      readonly message: string | null;
      readonly invalid: readonly FieldId[];
      readonly heldBy?: 'page';
    }
  | { readonly status: 'nothing'; readonly why: Unsent };

/** What comes of the other ways to send a form, while it is as it was at first. */
export interface OtherWays {
  /** Enter in its first field of one line of text. */
  readonly enter: Sending;
  /** By script. */
  readonly requestSubmit: Sending;
  readonly submit: Sending;
  /** Its button, once a script has set every value; on a page of the developer's own alone, where `filled` is by strokes. */
  readonly setByScript?: Sending;
}

export interface SubmissionFacts {
  /** Pressed while the form is as it was at first. */
  readonly asIs: Sending;
  /** Pressed while every field has a value that it takes: entered by strokes on a page of the developer's own, else set by a script. */
  readonly filled: Sending;
  /** What came of entering them by strokes. */
  readonly entries?: readonly FieldEntry[];
  /** Of the form's first button that sends; null for its other buttons. */
  readonly others: OtherWays | null;
}

export type SubmissionObservation = Answer<'submission', SubmissionFacts>;
