import type { Picture } from '@/core/observation/picture';
import type { Box, ProbeApi } from './probe-api';

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
  /**
   * Pictures of parts of the document as it is now, one for each box; null where none can be taken.
   * Boxes are whole CSS px inside the document.
   */
  pictures(
    boxes: readonly (Box | null)[],
    document: { width: number; height: number },
  ): Promise<(Picture | null)[]>;
  /** Whether `pictures` shows which field has the focus. */
  readonly drawsFocus: boolean;
}
