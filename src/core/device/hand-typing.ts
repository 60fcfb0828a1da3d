import type { EventRecord } from '../observation/event-record';
import type { TappedEvent } from '../questions/keyboard/facts';
import type { Caret, TypingFacts, TypingStep } from '../questions/typing/facts';
import { graphemes } from '../script/graphemes';
import { isModifierKey, isNamedKey, maxStrokes, type Stroke, textOfStroke } from '../script/stroke';

/** What a page saw of a person's hand without a break, and how the field stood then. */
export interface HandTurn {
  readonly events: readonly EventRecord[];
  readonly text: string;
  readonly caret: Caret;
  readonly value: string;
}

/** Keys that say nothing: soft keyboards and input methods send them for every key. */
const nameless = ['Unidentified', 'Process', 'Dead', ''];

/**
 * What a person typed into a field of a real device, stroke by stroke as in a replay: nobody wrote a script, it is read from
 * the events (UI Events, Input Events). A composition is one stroke from its start to its end, whatever keys it names.
 *
 * @param followed the kind does not tell its text, so that it was followed from the events
 */
export function handTyped(turns: readonly HandTurn[], followed: boolean): TypingFacts {
  const script: Stroke[] = [];
  const steps: TypingStep[] = [];
  let value = '';
  for (const { events, text, caret, value: now } of strokesIn(turns)) {
    const stroke = strokeOf(events);
    const last = steps.at(-1);
    if (!stroke && last) {
      steps[steps.length - 1] = { ...last, text, caret, value: now, events: [...last.events, ...events] };
    } else {
      const brings = stroke && textOfStroke(stroke);
      script.push(stroke ?? { kind: 'focus', by: 'click' });
      const refused = brings && now === value ? 'target' : null;
      steps.push({ text, caret, value: now, refused, guard: null, events });
    }
    value = now;
    if (steps.length === maxStrokes) break;
  }
  return { script, guards: [], followed, steps };
}

/** What the page saw of the first key, whichever way it came. */
export function firstTapped({ script, steps }: TypingFacts): readonly TappedEvent[] | null {
  const first = script.findIndex((stroke) => textOfStroke(stroke) !== null);
  const step = steps[first];
  return (
    step?.events
      .filter(({ type }) => type !== 'focus')
      .map(({ type, key, inputType, data, value }) => ({ type, key, inputType, data, value })) ?? null
  );
}

/** The same with the turns of one stroke in one. */
function strokesIn(turns: readonly HandTurn[]): HandTurn[] {
  const strokes: HandTurn[] = [];
  let composing = false;
  let keyOpen = false;
  for (const turn of turns) {
    const types = turn.events.map(({ type }) => type);
    const begins =
      !composing &&
      (types.includes('keydown') ||
        types.some((type) =>
          ['compositionstart', 'paste', 'drop', 'focus', 'blur', 'submit'].includes(type),
        ) ||
        (types.includes('beforeinput') && !keyOpen));
    const before = strokes.at(-1);
    if (begins || !before) strokes.push(turn);
    else strokes[strokes.length - 1] = { ...turn, events: [...before.events, ...turn.events] };
    if (types.includes('compositionstart')) composing = true;
    if (types.includes('compositionend')) composing = false;
    if (types.includes('keydown')) keyOpen = true;
    if (types.includes('keyup')) keyOpen = false;
  }
  return strokes;
}

/** Null where nothing was done that a script could do again: a focus, a change that follows from what was before. */
function strokeOf(events: readonly EventRecord[]): Stroke | null {
  const first = (type: EventRecord['type']) => events.find((event) => event.type === type);
  if (first('compositionstart')) {
    const texts = events.flatMap(({ type, data }) => (type === 'compositionupdate' && data ? [data] : []));
    return texts.length > 0 ? { kind: 'composition', texts } : null;
  }
  const input = events.find(({ type }) => type === 'input') ?? first('beforeinput');
  if (first('paste')) return { kind: 'text', route: 'paste', text: input?.data ?? '' };
  if (first('drop')) return { kind: 'text', route: 'drop', text: input?.data ?? '' };
  const key = first('keydown')?.key ?? '';
  if (!nameless.includes(key)) {
    if (isModifierKey(key)) return null;
    return isNamedKey(key) || graphemes(key).length === 1 ? { kind: 'key', key } : null;
  }
  switch (input?.inputType) {
    case 'insertText':
    case 'insertCompositionText':
      return { kind: 'text', route: 'soft keys', text: input.data ?? '' };
    case 'insertReplacementText':
      return { kind: 'text', route: 'autofill', text: input.data ?? '' };
    case 'deleteContentBackward':
      return { kind: 'key', key: 'Backspace' };
    case 'insertLineBreak':
      return { kind: 'key', key: 'Enter' };
  }
  if (first('submit')) return { kind: 'submit' };
  return first('blur') ? { kind: 'leave' } : null;
}
