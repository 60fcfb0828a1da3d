import type { Unanswered } from '@/core/observation/outcome';
import type { Picture } from '@/core/observation/picture';
import type { Unmade } from '@/core/observation/reason';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import type { ChosenFile } from '@/core/standard/entry-list';
import type { Box, ProbeApi, ProbeField } from './probe-api';
import type { NoWindow, WindowOnDisplay } from './window-on-display';

/** A request that a form made. */
export interface Received {
  readonly method: string;
  /** Path and query, without the receiver's own address. */
  readonly url: string;
  readonly contentType: string | null;
  /** One byte a character. */
  readonly body: string;
}

export interface Receiver {
  /** Actions are put under this address; what arrives there is answered with nothing, so that the page stays. */
  readonly address: string;
  /** What arrived since the last time, first things first. */
  take(): readonly Received[];
}

export type AccessibilityReading =
  | { readonly status: 'read'; readonly facts: readonly (AccessibilityFacts | null)[] }
  | Unanswered;

/** A page under test with a probe in it, wherever it is: in an engine that is driven, or in a frame of this browser. */
export interface AskablePage {
  probe<Method extends keyof ProbeApi>(
    method: Method,
    ...parameters: Parameters<ProbeApi[Method]>
  ): Promise<ReturnType<ProbeApi[Method]>>;
  /** The page as it was at first: for questions that leave traces (selection, undo, dirty flags) behind. */
  reload(): Promise<void>;
  /** Presses and releases a key: one stroke. */
  press(key: string): Promise<void>;
  /** Presses a key that stays down, until `keyUp`. */
  keyDown(key: string): Promise<void>;
  keyUp(key: string): Promise<void>;
  /** Keys are those of a keyboard; else a script makes their events. */
  readonly hasKeyboard: boolean;
  /** Puts a text on the real clipboard. @returns why that cannot be, or null */
  toClipboard(text: string): Promise<Unmade | null>;
  /**
   * Pictures of parts of the document as it is now, one for each box; null where none can be taken.
   * Boxes are whole CSS px inside the document.
   */
  pictures(boxes: readonly (Box | null)[], document: Box): Promise<(Picture | null)[]>;
  /** The box in a picture, px, in which two pictures of one place differ; null when nowhere, or when they cannot be compared. */
  changeBetween(before: Picture, after: Picture): Box | null;
  /** Clicks with a trusted pointer in the middle of a whole CSS px of the viewport; null where nobody can. */
  readonly click: ((x: number, y: number) => Promise<void>) | null;
  /** Chooses files in the field's first control as its chooser does; null where nobody can. */
  readonly chooseFiles: ((field: ProbeField, files: readonly ChosenFile[]) => Promise<void>) | null;
  /** The window on a display, where what opens can be seen. */
  window(): Promise<WindowOnDisplay | NoWindow>;
  /**
   * What assistive technology is told of each field's first control, null for one that it is told nothing of; or why nobody can say.
   */
  accessibility(fields: readonly ProbeField[]): Promise<AccessibilityReading>;
  /** Starts a stopwatch that says how many ms an answer has been waited for; on a busy machine it may run slower than a clock. */
  stopwatch(): () => number;
  /** Whether `pictures` shows which field has the focus. */
  readonly drawsFocus: boolean;
}
