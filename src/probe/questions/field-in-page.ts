import type { Unmade } from '@/core/observation/reason';
import { type Chord, editingChords, pasteChord } from '@/core/script/editing-chord';
import type { Stroke } from '@/core/script/stroke';
import type { AskablePage } from '../api/askable-page';
import { middleOf } from '../api/box';
import type { ProbeField } from '../api/probe-api';
import type { Typable } from '../api/typable';
import { settled } from './settled';

/**
 * A field of a page under test, to be typed into.
 * @param hasScripts whether scripts of the page have to be waited for after each stroke
 */
export function fieldInPage(page: AskablePage, field: ProbeField, hasScripts: boolean): Typable {
  return {
    async begin(guards, focusFirst) {
      await page.reload();
      await page.probe('beginTyping', field, guards, focusFirst);
    },
    stroke: (stroke) => carryOut(page, field, stroke),
    async typed() {
      if (hasScripts) await settled(page);
      return page.probe('takeTyped');
    },
    end: () => page.probe('endTyping'),
  };
}

/** Makes one stroke with what the page has: trusted keys, the real clipboard, a trusted pointer. */
async function carryOut(page: AskablePage, field: ProbeField, stroke: Stroke): Promise<Unmade | null> {
  if (!page.hasKeyboard) {
    await page.probe('strike', stroke);
    return null;
  }
  switch (stroke.kind) {
    case 'key':
      await pressChord(page, stroke.modifiers ?? [], stroke.key);
      return null;
    case 'held':
      for (let time = 0; time <= stroke.repeats; time++) await page.keyDown(stroke.key);
      await page.keyUp(stroke.key);
      return null;
    case 'down':
      await page.keyDown(stroke.key);
      return null;
    case 'up':
      await page.keyUp(stroke.key);
      return null;
    case 'command':
      await pressChord(page, ...editingChords[stroke.command]);
      return null;
    case 'selection':
      return (await page.probe('select', field, stroke.start, stroke.end))
        ? null
        : { code: 'caret not settable' };
    case 'text':
      return bringText(page, field, stroke);
    case 'dead key':
    case 'composition':
      return { code: 'no input method' };
    case 'focus':
      return focus(page, field, stroke.by);
    case 'leave':
      await page.probe('leave', field);
      return null;
    case 'submit':
      await page.probe('sendByScript', field, 'requestSubmit');
      return null;
    case 'pause':
      await new Promise((resolve) => setTimeout(resolve, stroke.ms));
      return null;
  }
}

/** Presses keys together, as trusted keys. */
export async function pressChord(
  page: Pick<AskablePage, 'press' | 'keyDown' | 'keyUp'>,
  ...[modifiers, key]: Chord
): Promise<void> {
  for (const modifier of modifiers) await page.keyDown(modifier);
  await page.press(key);
  for (const modifier of modifiers.toReversed()) await page.keyUp(modifier);
}

async function bringText(
  page: AskablePage,
  field: ProbeField,
  { route, text }: Extract<Stroke, { kind: 'text' }>,
): Promise<Unmade | null> {
  if (route === 'script') {
    await page.probe('fill', [field], [text]);
    return null;
  }
  if (route !== 'paste') return { code: 'no such route' };
  const missing = await page.toClipboard(text);
  if (missing) return missing;
  await pressChord(page, ...pasteChord);
  return null;
}

async function focus(
  page: AskablePage,
  field: ProbeField,
  by: 'script' | 'click' | 'tab',
): Promise<Unmade | null> {
  if (by === 'script') {
    await page.probe('focus', field);
    return null;
  }
  if (by === 'tab') return { code: 'tab from outside' };
  const box = await page.probe('bringIntoSight', field);
  if (!box || !page.click) return { code: 'not clickable' };
  await page.click(...middleOf(box));
  return null;
}
