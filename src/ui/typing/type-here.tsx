'use client';

import { memo, useEffect, useId, useRef } from 'react';
import type { Guard } from '@/core/guard/guard';
import type { Field } from '@/core/html/field';
import { type CapturedDeed, scriptFromDeeds } from '@/core/script/captured-script';
import { formatScript } from '@/core/script/script-text';
import { modifierKeys } from '@/core/script/stroke';
import { attachGuards } from '@/probe/in-page/attach-guards';
import styles from './typing.module.css';

/** Attributes that change what can be typed; what a field loads, names or runs stays outside. */
const typedAttributes = [
  'maxlength',
  'min',
  'max',
  'step',
  'inputmode',
  'enterkeyhint',
  'autocapitalize',
  'multiple',
];

type Typed = HTMLInputElement | HTMLTextAreaElement;

/** The field itself, with its guards: whatever a person does in it becomes the script. */
export const TypeHere = memo(function TypeHere({
  field,
  guards,
  onScript,
}: {
  field: Field;
  guards: readonly Guard[];
  onScript: (script: string) => void;
}) {
  const id = useId();
  const element = useRef<Typed>(null);
  const write = useRef(onScript);
  write.current = onScript;
  useEffect(() => {
    const typed = element.current;
    if (!typed) return;
    for (const { name, value } of field.controls[0].attributes)
      if (typedAttributes.includes(name)) typed.setAttribute(name, value);
    return capture(typed, (script) => write.current(script));
  }, [field]);
  useEffect(() => {
    const typed = element.current;
    return typed ? attachGuards(typed, guards).detach : undefined;
  }, [guards]);
  return (
    <div className={styles.here}>
      <label htmlFor={id}>Type here, and it becomes the script</label>
      {field.kind === 'textarea' ? (
        <textarea id={id} ref={element as React.RefObject<HTMLTextAreaElement>} rows={2} autoComplete="off" />
      ) : (
        <input
          id={id}
          ref={element as React.RefObject<HTMLInputElement>}
          type={field.kind === 'number' || field.kind === 'email' ? field.kind : 'text'}
          autoComplete="off"
          spellCheck={false}
        />
      )}
    </div>
  );
});

/** Writes down what happens in a field, from an empty one on at each focus. @returns how to stop */
function capture(element: Typed, write: (script: string) => void): () => void {
  const listening = new AbortController();
  const { signal } = listening;
  let deeds: CapturedDeed[] = [];
  let composed: string[] = [];
  let byKey = false;
  const add = (deed: CapturedDeed) => {
    deeds.push(deed);
    write(formatScript(scriptFromDeeds(deeds)));
  };
  const on = (type: string, heard: (event: Event) => void) =>
    element.addEventListener(type, heard, { signal, capture: true });
  on('focus', () => {
    deeds = [];
    element.value = '';
  });
  on('keydown', (event) => {
    const { key, isComposing } = event as KeyboardEvent;
    if (isComposing || key === 'Process' || key === 'Unidentified' || key === 'Dead') return;
    byKey = true;
    const modifiers = modifierKeys.filter((one) => (event as KeyboardEvent).getModifierState(one));
    if (key === 'Enter' && element instanceof HTMLInputElement) event.preventDefault();
    add({ kind: 'key', key, modifiers, at: event.timeStamp });
  });
  on('keyup', () => {
    byKey = false;
  });
  on('paste', (event) => {
    const text = (event as ClipboardEvent).clipboardData?.getData('text/plain') ?? '';
    add({ kind: 'text', inputType: 'insertFromPaste', text, at: event.timeStamp });
  });
  on('beforeinput', (event) => {
    const { inputType, data } = event as InputEvent;
    if (inputType === 'insertFromPaste' || (event as InputEvent).isComposing) return;
    if (inputType === 'insertText' && byKey) return;
    add({ kind: 'text', inputType, text: data ?? '', at: event.timeStamp });
  });
  on('compositionstart', () => {
    composed = [];
  });
  on('compositionupdate', (event) => composed.push((event as CompositionEvent).data));
  on('compositionend', (event) => add({ kind: 'composed', texts: composed, at: event.timeStamp }));
  on('pointerup', (event) => {
    // The click that gives the focus puts the caret into an empty field.
    if (element.selectionStart === null || deeds.length === 0) return;
    const { selectionStart: start, selectionEnd } = element;
    add({ kind: 'selection', start, end: selectionEnd ?? start, at: event.timeStamp });
  });
  return () => listening.abort();
}
