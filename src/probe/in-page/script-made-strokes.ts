import { caretMoveOf } from '@/core/script/caret-keys';
import { extendSelection, moveCaret } from '@/core/script/editing-buffer';
import { isNamedKey, isShortcut, type KeyStroke, type ModifierKey, type Stroke } from '@/core/script/stroke';
import { domMembers } from './dom-members';
import type { TypedElement } from './recorder';

const commands: Readonly<Record<string, { command: string; inputType: string }>> = {
  Backspace: { command: 'delete', inputType: 'deleteContentBackward' },
  Delete: { command: 'forwardDelete', inputType: 'deleteContentForward' },
};

/**
 * Carries out a stroke as a script can: key events, `paste` and `beforeinput` are made here and say so (`isTrusted` is
 * false), the edit is the browser's own editing command, so that its filter, its length limit and its `input` event are real.
 */
export function strike(element: TypedElement, stroke: Stroke): void {
  if (domMembers(document).activeElement !== element) return;
  switch (stroke.kind) {
    case 'key':
      pressKey(element, stroke);
      return;
    case 'held':
      for (let time = 0; time <= stroke.repeats; time++) pressKey(element, { kind: 'key', key: stroke.key });
      return;
    case 'selection':
      select(element, stroke.start, stroke.end);
      return;
    case 'command':
      if (stroke.command === 'select all') element.select();
      else domMembers(document).execCommand(stroke.command);
      return;
    case 'text':
      bringText(element, stroke.route, stroke.text);
      return;
    case 'dead key':
      edit(element, 'insertText', 'insertText', stroke.text);
      return;
    case 'composition':
      edit(element, 'insertText', 'insertCompositionText', stroke.texts.at(-1) ?? '');
      return;
    case 'leave':
      element.blur();
      return;
    case 'submit':
      element.form ? domMembers(element.form).requestSubmit() : undefined;
      return;
    case 'down':
    case 'up':
    case 'focus':
    case 'pause':
      return;
  }
}

function bringText(element: TypedElement, route: string, text: string): void {
  if (route === 'script' || route === 'autofill') {
    element.value = text;
    if (route === 'autofill')
      for (const type of ['input', 'change']) element.dispatchEvent(new Event(type, { bubbles: true }));
    return;
  }
  const inputTypes: Readonly<Record<string, string>> = { paste: 'insertFromPaste', drop: 'insertFromDrop' };
  if (route === 'paste' || route === 'drop')
    if (!element.dispatchEvent(new Event(route, { bubbles: true, cancelable: true }))) return;
  edit(element, 'insertText', inputTypes[route] ?? 'insertText', text);
}

function select(element: TypedElement, start: number, end: number): void {
  // Kinds that do not tell their caret do not let a script set it either.
  if (element.selectionStart !== null) element.setSelectionRange(start, end);
}

function pressKey(element: TypedElement, stroke: KeyStroke): void {
  const { key, modifiers = [] } = stroke;
  const keyEvent = (type: string) =>
    element.dispatchEvent(
      new KeyboardEvent(type, {
        key,
        bubbles: true,
        cancelable: true,
        composed: true,
        shiftKey: modifiers.includes('Shift'),
        ctrlKey: modifiers.includes('Control'),
        altKey: modifiers.includes('Alt'),
        metaKey: modifiers.includes('Meta'),
      }),
    );
  if (keyEvent('keydown')) {
    const command = commands[key];
    if (key === 'Tab') element.blur();
    else if (key === 'Enter') enter(element, keyEvent);
    else if (command) edit(element, command.command, command.inputType, null);
    else if (isShortcut(stroke)) shortcut(element, key.toLowerCase());
    else if (!isNamedKey(key)) {
      if (keyEvent('keypress')) edit(element, 'insertText', 'insertText', key);
    } else moveSelection(element, key, modifiers);
  }
  if (key !== 'Tab') keyEvent('keyup');
}

function enter(element: TypedElement, keyEvent: (type: string) => boolean): void {
  if (!keyEvent('keypress')) return;
  if (element instanceof HTMLTextAreaElement) edit(element, 'insertText', 'insertLineBreak', '\n');
  else if (element.form) domMembers(element.form).requestSubmit();
}

function shortcut(element: TypedElement, key: string): void {
  if (key === 'a') element.select();
  if (key === 'z') domMembers(document).execCommand('undo');
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
  if (allowed && asked) domMembers(document).execCommand(command, false, data ?? '');
}

function moveSelection(element: TypedElement, key: string, modifiers: readonly ModifierKey[]): void {
  const { selectionStart: start, selectionEnd: end, value: text } = element;
  const lines = element instanceof HTMLTextAreaElement;
  const move = caretMoveOf(key, modifiers, { lines, marks: false, pages: false });
  // Kinds that do not tell their caret do not let a script set it either; the follower moves alone.
  if (start === null || end === null || !move) return;
  const buffer = { text, start, end };
  const moved = modifiers.includes('Shift') ? extendSelection(buffer, move) : moveCaret(buffer, move);
  element.setSelectionRange(moved.start, moved.end);
}
