/** A question about what leaves a page when something in it is pressed. */
export interface SubmissionQuestion {
  readonly html: string;
  /** What is pressed, as a CSS selector of an id (`#send`). */
  readonly by: string;
  /** Names of chosen files by the selector of their field. */
  readonly files?: Readonly<Record<string, readonly string[]>> | undefined;
}

export type SubmissionAnswer =
  | {
      readonly method: 'GET' | 'POST';
      readonly url: string;
      readonly contentType: string | null;
      /** As UTF-8, or, where it is none, one byte a character. */
      readonly body: string;
      readonly bodyIsLatin1Bytes?: true;
      readonly blockedBy: null;
    }
  /** Nothing arrives; `blockedBy` is the id, or else the name, of the first field that is not valid. */
  | { readonly noRequest: true; readonly blockedBy: string | null };
