/** A key that the person presses while the frame that is asked has the focus. */
export interface PressedKey {
  readonly ukkoPressed: Pick<KeyboardEvent, 'key' | 'code' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey'>;
}

/**
 * Hands the person's keys to the window around this frame: they are meant for Ukko, and must not come among the answers.
 * What the probe types is made by a script and stays.
 */
export function handKeysOut(): void {
  const hand = (event: KeyboardEvent) => {
    if (!event.isTrusted) return;
    event.stopImmediatePropagation();
    if (!isBrowsers(event)) event.preventDefault();
    if (event.type !== 'keydown') return;
    const { key, code, altKey, ctrlKey, metaKey, shiftKey } = event;
    const pressed: PressedKey = { ukkoPressed: { key, code, altKey, ctrlKey, metaKey, shiftKey } };
    window.parent.postMessage(pressed, '*');
  };
  for (const type of ['keydown', 'keypress', 'keyup'] as const)
    window.addEventListener(type, hand, { capture: true });
}

/** Keys of the browser itself, such as the one that loads a page anew, do what they always do; those that edit do not. */
function isBrowsers({ key, ctrlKey, metaKey }: KeyboardEvent): boolean {
  if (/^F\d+$/.test(key)) return true;
  return (ctrlKey || metaKey) && !/^(?:[avxyz]|Enter|Backspace|Delete)$/i.test(key);
}

/** Presses the keys that a frame hands out where the focus was, until the signal says that it is over. */
export function takeKeysFrom(frame: HTMLIFrameElement, focused: Element | null, signal: AbortSignal): void {
  const take = ({ source, data }: MessageEvent<unknown>) => {
    if (source !== frame.contentWindow || !isPressedKey(data)) return;
    const at = focused?.isConnected ? focused : document.body;
    at.dispatchEvent(new KeyboardEvent('keydown', { ...data.ukkoPressed, bubbles: true, cancelable: true }));
  };
  window.addEventListener('message', take, { signal });
}

function isPressedKey(data: unknown): data is PressedKey {
  return typeof data === 'object' && data !== null && 'ukkoPressed' in data;
}
