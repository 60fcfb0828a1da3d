import { type Chord, editingChords, pasteChord } from '@/core/script/editing-chord';
import type { Stroke } from '@/core/script/stroke';
import type { AskablePage } from '../askable-page';
import { middleOf } from '../box';
import type { ProbeField } from '../probe-api';

/** Why a stroke cannot be made here; the strokes after it are not made either. */
export interface NotMade {
  readonly reason: string;
}

/** Makes one stroke in a page, with what the page has: trusted keys, the real clipboard, a trusted pointer. */
export async function carryOut(
  page: AskablePage,
  field: ProbeField,
  stroke: Stroke,
): Promise<NotMade | null> {
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
        : { reason: 'This kind of field does not let a script set its caret; move it with keys.' };
    case 'text':
      return bringText(page, field, stroke);
    case 'dead key':
    case 'composition':
      return { reason: 'A driver has no input method: what is composed is modelled, not measured.' };
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
): Promise<NotMade | null> {
  if (route === 'script') {
    await page.probe('fill', [field], [text]);
    return null;
  }
  if (route !== 'paste')
    return {
      reason: `Nothing here can make a ${route === 'soft keys' ? 'soft key' : route} for real: it is modelled, not measured.`,
    };
  const missing = await page.toClipboard(text);
  if (missing) return { reason: missing };
  await pressChord(page, ...pasteChord);
  return null;
}

async function focus(
  page: AskablePage,
  field: ProbeField,
  by: 'script' | 'click' | 'tab',
): Promise<NotMade | null> {
  if (by === 'script') {
    await page.probe('focus', field);
    return null;
  }
  if (by === 'tab')
    return {
      reason: 'What stands before the field decides where Tab comes from; use focus script or focus click.',
    };
  const box = await page.probe('bringIntoSight', field);
  if (!box || !page.click) return { reason: 'The field cannot be clicked.' };
  await page.click(...middleOf(box));
  return null;
}
