import { isCaretKey, moveCaret } from '@/core/script/editing-buffer';
import { isNamedKey } from '@/core/script/stroke';
import type { TypedElement } from './recorder';

const commands: Readonly<Record<string, { command: string; inputType: string }>> = {
  Backspace: { command: 'delete', inputType: 'deleteContentBackward' },
  Delete: { command: 'forwardDelete', inputType: 'deleteContentForward' },
};

/**
 * Presses a key as a script can: the key events and `beforeinput` are made here and say so (`isTrusted` is false), the
 * edit is the browser's own editing command, so that its filter, its length limit and its `input` event are real.
 */
export function strike(element: TypedElement, key: string): void {
  if (document.activeElement !== element) return;
  const keyPress = (type: string) =>
    element.dispatchEvent(new KeyboardEvent(type, { key, bubbles: true, cancelable: true, composed: true }));
  const goesOn = keyPress('keydown');
  if (goesOn) {
    if (key === 'Tab') element.blur();
    else if (isCaretKey(key)) moveSelection(element, key);
    else if (commands[key]) edit(element, commands[key].command, commands[key].inputType, null);
    else if (!isNamedKey(key) && keyPress('keypress')) edit(element, 'insertText', 'insertText', key);
  }
  if (key !== 'Tab') keyPress('keyup');
}

function edit(element: TypedElement, command: string, inputType: string, data: string | null): void {
  let asked = false;
  const seen = () => {
    asked = true;
  };
  element.addEventListener('beforeinput', seen, { once: true });
  const allowed = element.dispatchEvent(
    new InputEvent('beforeinput', { inputType, data, bubbles: true, cancelable: true, composed: true }),
  );
  element.removeEventListener('beforeinput', seen);
  if (allowed && asked) document.execCommand(command, false, data ?? '');
}

function moveSelection(element: TypedElement, key: Parameters<typeof moveCaret>[1]): void {
  const { selectionStart: start, selectionEnd: end, value: text } = element;
  // Kinds that do not tell their caret do not let a script set it either; the follower moves alone.
  if (start === null || end === null) return;
  const moved = moveCaret({ text, start, end }, key);
  element.setSelectionRange(moved.start, moved.end);
}
