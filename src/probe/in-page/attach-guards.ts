import type { Guard } from '../../core/guard/guard';
import {
  decideBeforeInsert,
  decideKey,
  type Rewriting,
  refusesToSend,
  rewriteAfterInput,
  rewriteOnLeaving,
  type SelectedText,
} from '../../core/guard/stages';
import { insertText } from '../../core/script/editing-buffer';
import { domMembers } from './dom-members';
import { FollowedText } from './followed-text';

/** What guards did, for those who want to know. */
export interface GuardReport {
  /** The guard of this id refused a key, a text or the sending. */
  refused?(guard: string): void;
  rewrote?(guards: readonly string[]): void;
  /** The guard of this id would have rewritten for ever, and was stopped. */
  endless?(guard: string): void;
}

export interface AttachedGuards {
  readonly followed: FollowedText;
  detach(): void;
}

type Guarded = HTMLInputElement | HTMLTextAreaElement;

/** Kinds of input whose caret a script may read and set (HTML Standard, "do not apply" table of `selectionStart`). */
function tells(element: Guarded): boolean {
  return /^(?:text|search|tel|url|password|textarea)$/.test(element.type);
}

/**
 * Lets guards act on a field: on its keys, before text is inserted, after input, on leaving and on submission. Texts that
 * a guard rewrote can be undone and brought back with the usual keys; the browser's own memory does not survive a script.
 */
export function attachGuards(
  element: Guarded,
  guards: readonly Guard[],
  report: GuardReport = {},
): AttachedGuards {
  const listening = new AbortController();
  const { signal } = listening;
  const followed = new FollowedText(element, tells(element));
  const history = new RewrittenHistory();
  let atFocus: SelectedText = followed.current();
  let before: SelectedText = followed.current();
  let lastKey = '';

  const put = (next: SelectedText) => {
    const { text, start, end } = next;
    if (element.value !== text) element.value = text;
    if (tells(element)) element.setSelectionRange(start, end);
    followed.set({ text, start, end });
  };
  const tell = ({ by, endless }: Rewriting) => {
    if (endless !== null) report.endless?.(endless);
    if (by.length > 0) report.rewrote?.(by);
  };

  const keyDown = (event: KeyboardEvent) => {
    const { key } = event;
    lastKey = key;
    if (isModifier(key)) return;
    const isShortcut = event.ctrlKey || event.altKey || event.metaKey;
    const now = followed.current();
    before = now;
    const decision = decideKey(guards, { key, isShortcut, newText: insertText(now, key).text });
    if (!decision.pass) {
      event.preventDefault();
      report.refused?.(decision.guard);
      return;
    }
    followed.keyDown(event);
    const asked = historyKey(event);
    const next = asked && history.go(asked, followed.current());
    if (!next) return;
    event.preventDefault();
    put(next);
    element.dispatchEvent(new InputEvent('input', { inputType: `history${asked}`, bubbles: true }));
  };

  const beforeInput = (event: InputEvent) => {
    const inserted = event.data ?? event.dataTransfer?.getData('text/plain') ?? '';
    before = followed.current();
    if (!event.cancelable) return;
    const decision = decideBeforeInsert(guards, {
      oldText: before.text,
      newText: insertText(before, inserted).text,
      inserted,
    });
    if (decision.pass) return;
    event.preventDefault();
    report.refused?.(decision.guard);
  };

  const input = (event: Event) => {
    const { inputType = '', data = null } = event as Partial<InputEvent>;
    if (!event.isTrusted && inputType.startsWith('history')) return;
    followed.input(inputType, data);
    // Rewriting would take a word from under an input method; soft keyboards, which tell no key, compose all words.
    if ((event as Partial<InputEvent>).isComposing && lastKey !== 'Unidentified') return;
    rewrite(before);
  };

  const rewrite = (old: SelectedText) => {
    const now = followed.current();
    const rewriting = rewriteAfterInput(guards, old, now);
    tell(rewriting);
    history.add(old, rewriting.text !== now.text);
    if (rewriting.by.length === 0) return;
    // What stood selected may come back by itself; a caret took nothing away.
    if (rewriting.text === old.text && now.text !== old.text && old.start === old.end)
      report.refused?.(rewriting.by.at(-1) ?? '');
    put(rewriting);
  };

  const leave = () => {
    const rewriting = rewriteOnLeaving(guards, atFocus, followed.current());
    tell(rewriting);
    if (rewriting.by.length > 0) put(rewriting);
    atFocus = followed.current();
  };

  const submit = (event: Event) => {
    const refusing = refusesToSend(guards, followed.text);
    if (!refusing) return;
    event.preventDefault();
    report.refused?.(refusing.id);
  };

  const options = { signal, capture: true };
  element.addEventListener('focus', () => (atFocus = followed.current()), options);
  element.addEventListener('keydown', (event) => keyDown(event as KeyboardEvent), options);
  element.addEventListener('beforeinput', (event) => beforeInput(event as InputEvent), options);
  element.addEventListener('input', input, options);
  element.addEventListener('compositionend', () => rewrite(before), options);
  element.addEventListener('change', leave, options);
  if (element.form) domMembers(element.form).addEventListener('submit', submit, options);
  return { followed, detach: () => listening.abort() };
}

function isModifier(key: string): boolean {
  return key === 'Shift' || key === 'Control' || key === 'Alt' || key === 'Meta';
}

function historyKey({ key, ctrlKey, metaKey, shiftKey }: KeyboardEvent): 'Undo' | 'Redo' | null {
  if (!ctrlKey && !metaKey) return null;
  if (key.toLowerCase() === 'z') return shiftKey ? 'Redo' : 'Undo';
  return key.toLowerCase() === 'y' ? 'Redo' : null;
}

/** Texts to go back to. It stays out of the way as long as no guard has rewritten anything. */
class RewrittenHistory {
  private past: SelectedText[] = [];
  private future: SelectedText[] = [];
  private isNeeded = false;

  add(before: SelectedText, rewritten: boolean): void {
    this.past.push(before);
    this.future = [];
    this.isNeeded ||= rewritten;
  }

  go(way: 'Undo' | 'Redo', now: SelectedText): SelectedText | null {
    if (!this.isNeeded) return null;
    const [from, to] = way === 'Undo' ? [this.past, this.future] : [this.future, this.past];
    const found = from.pop();
    if (found) to.push(now);
    return found ?? null;
  }
}
