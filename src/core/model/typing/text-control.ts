import type { Caret } from '../../questions/typing/facts';
import { caretMoveOf } from '../../script/caret-keys';
import {
  bufferOf,
  caretAt,
  deleteTo,
  extendSelection,
  insertText,
  isCaret,
  moveCaret,
  selectAll,
} from '../../script/editing-buffer';
import { graphemes } from '../../script/graphemes';
import type { EditingCommand, FocusWay } from '../../script/stroke';
import { type ControlState, constraintsOf, withValue } from '../../standard/control-state';
import { arrowed } from '../../standard/stepping';
import { Composition } from './composition';
import { EditedText, type Insertion } from './edited-text';
import { typedNumberValue } from './number-text';
import { type StepWay, stepWay } from './step-way';
import type { Press, TypedControl } from './typed-control';
import type { TypingContext } from './typing-context';

const shortcuts: Readonly<Record<string, EditingCommand>> = {
  a: 'select all',
  x: 'cut',
  c: 'copy',
  z: 'undo',
  y: 'redo',
};

/**
 * A field into which text is typed: an editing buffer, the filter and the length limit of its kind, and the events of
 * Input Events ("Input event types") as the target raises them.
 */
export class TextControl implements TypedControl {
  readonly composition: Composition;
  private readonly edited: EditedText;
  /** The value at the last change event, or when the focus came. */
  private committed: string;
  private hadFocus = false;
  /** The text when the focus came, for guards that go back to it. */
  private atFocus: string;

  constructor(
    private parsed: ControlState,
    private readonly context: TypingContext,
  ) {
    const { kind, attributes, value: text } = parsed;
    this.edited = new EditedText(kind, attributes, text, context);
    this.composition = new Composition(this.edited, context);
    this.committed = this.value;
    this.atFocus = text;
  }

  get editedByPerson(): boolean {
    return this.edited.byPerson;
  }

  get text(): string {
    return this.edited.buffer.text;
  }

  get caret(): Caret {
    return { start: this.edited.buffer.start, end: this.edited.buffer.end };
  }

  get value(): string {
    const { habits, deviations } = this.context;
    const { kind } = this.parsed;
    if (kind === 'number') return typedNumberValue(this.edited.buffer.text, habits, deviations);
    const set = withValue(this.parsed, this.edited.buffer.text, deviations);
    const value = set === 'InvalidStateError' ? this.edited.buffer.text : set.value;
    if (kind === 'url' && this.editedByPerson && habits.urlKeepsSpaces) return this.edited.buffer.text;
    return kind === 'email' ? habits.emailValue(value, 'multiple' in this.parsed.attributes) : value;
  }

  get badInput(): boolean {
    return this.parsed.kind === 'number' && this.edited.buffer.text !== '' && this.value === '';
  }

  get state(): ControlState {
    return { ...this.parsed, value: this.value, isDirty: true };
  }

  focus(by: FocusWay): void {
    const { habits } = this.context;
    const { text } = this.edited.buffer;
    // A script that gives the focus again finds the caret where it was.
    if (by === 'script' && this.hadFocus) {
      this.context.log.raise('focus');
      return;
    }
    this.hadFocus = true;
    const byScript = this.edited.hasLines ? habits.focusByScriptInLines : habits.focusByScript;
    if (by === 'tab' ? !this.edited.hasLines : by === 'script' && byScript === 'all selected')
      this.edited.buffer = selectAll(this.edited.buffer);
    else this.edited.buffer = caretAt(text, by === 'click' || byScript === 'at the end' ? text.length : 0);
    this.committed = this.value;
    this.atFocus = text;
    this.context.log.raise('focus');
  }

  keyDown({ key, modifiers }: Press): void {
    const shortcut = modifiers.includes('Control') || modifiers.includes('Meta');
    if (key === 'Enter') {
      this.enter(shortcut);
      return;
    }
    if (key === 'Backspace' || key === 'Delete') {
      this.erase(key, shortcut);
      return;
    }
    if (key === 'Escape') {
      this.escape();
      return;
    }
    if (this.parsed.kind === 'number' && (key === 'ArrowUp' || key === 'ArrowDown')) {
      this.step(key === 'ArrowUp' ? 1 : -1);
      return;
    }
    const { wordsAndMarks: marks, pagesMoveCaret: pages } = this.context.habits;
    const move = caretMoveOf(key, modifiers, { lines: this.edited.hasLines, marks, pages });
    if (move) {
      // A read-only field shows no caret, and caret keys do not move one (asked of Chromium 156).
      if (!this.edited.mutable) return;
      if (!this.context.habits.undoesAcrossMoves) this.edited.history.rest();
      this.edited.buffer = modifiers.includes('Shift')
        ? extendSelection(this.edited.buffer, move)
        : moveCaret(this.edited.buffer, move);
      return;
    }
    if (graphemes(key).length !== 1) return;
    if (shortcut) this.shortcut(key.toLowerCase(), modifiers.includes('Shift'));
    else if (!modifiers.includes('Alt')) this.typeCharacter(key);
  }

  keyUp(): void {}

  tab(): boolean {
    return false;
  }

  leave(): void {
    this.composition.end();
    this.commit();
    this.context.log.raise('blur');
  }

  /** Raises the change event that is due (HTML Standard, "Common input element events"). */
  commit(): void {
    if (this.edited.touched && this.value !== this.committed) {
      this.edited.rewriteOnLeaving(this.atFocus);
      this.context.log.raise('change');
    }
    this.committed = this.value;
    this.edited.touched = false;
  }

  private shortcut(key: string, shift: boolean): void {
    const command = key === 'z' && shift ? 'redo' : shortcuts[key];
    const done = command !== undefined && this.command(command);
    if (!done && this.context.habits.idleShortcutIsPressed) this.context.log.raise('keypress', { key });
  }

  /** An editing command, by its shortcut or from a menu. @returns false where there is nothing for it to do */
  command(command: EditingCommand): boolean {
    const { log } = this.context;
    switch (command) {
      case 'select all':
        if (this.edited.buffer.text === '') return false;
        this.edited.buffer = selectAll(this.edited.buffer);
        return true;
      case 'copy':
        if (isCaret(this.edited.buffer)) return false;
        log.raise('copy');
        return true;
      case 'cut':
        if (isCaret(this.edited.buffer) || !this.edited.mutable) return false;
        log.raise('cut');
        this.edited.change(insertText(this.edited.buffer, ''), 'deleteByCut', null);
        return true;
      case 'undo':
      case 'redo': {
        if (!this.edited.mutable || !this.context.habits.undoes) return false;
        const next =
          command === 'undo'
            ? this.edited.history.undo(this.edited.buffer)
            : this.edited.history.redo(this.edited.buffer);
        if (!next) return false;
        const inputType = command === 'undo' ? 'historyUndo' : 'historyRedo';
        log.raise('beforeinput', { inputType });
        this.edited.buffer = next;
        this.edited.touched = true;
        log.raise('input', { inputType });
        return true;
      }
    }
  }

  private typeCharacter(key: string): void {
    const { log, habits } = this.context;
    for (const part of drivenParts(key, habits.astralKeys)) {
      if (habits.astralKeys === 'as a composition' && isAstral(key)) {
        this.edited.insert(part, { inputType: 'insertFromComposition', data: part, asks: true });
        continue;
      }
      log.raise('keypress', { key: part });
      this.edited.insert(part, { inputType: 'insertText', data: part, asks: true });
    }
  }

  insert(text: string, how: Insertion): void {
    this.edited.insert(text, how);
  }

  paste(text: string): void {
    this.context.log.raise('paste');
    this.edited.insert(text, { inputType: 'insertFromPaste', data: text, asks: true });
  }

  /** The browser fills the field by itself: nothing can keep that out. */
  autofill(text: string): void {
    const { log, habits } = this.context;
    if (!this.edited.mutable) return;
    const event = habits.autofill === 'input' ? {} : { inputType: 'insertReplacementText', data: text };
    if (habits.autofill === 'beforeinput and input') log.raise('beforeinput', event);
    const old = this.edited.buffer;
    this.edited.take(bufferOf(text), null);
    log.raise('input', event);
    this.edited.rewrite(old);
    this.commit();
  }

  private erase(key: 'Backspace' | 'Delete', word: boolean): void {
    const { log, habits } = this.context;
    if (!this.edited.mutable) {
      if (habits.eraseIsPressedWhereReadonly) log.raise('keypress', { key });
      return;
    }
    const back = key === 'Backspace';
    const selection = !isCaret(this.edited.buffer);
    const direction = back ? 'Backward' : 'Forward';
    const inputType = selection
      ? back
        ? 'deleteContentBackward'
        : habits.deleteOfSelection[word ? 'word' : 'character']
      : `delete${word ? 'Word' : 'Content'}${direction}`;
    const unit = word ? (habits.wordsAndMarks ? 'word or mark' : 'word') : 'grapheme';
    const next = deleteTo(this.edited.buffer, `${back ? 'previous' : 'next'} ${unit}`);
    const erases = next.text !== this.edited.buffer.text;
    if (erases || habits.idleEraseAsks) log.raise('beforeinput', { inputType });
    if (erases) this.edited.change(next, inputType, null, false);
  }

  /** Escape empties a search field, as its clear button does. */
  private escape(): void {
    const { log, habits } = this.context;
    const clears =
      this.parsed.kind === 'search' &&
      habits.escapeClearsSearch &&
      this.edited.mutable &&
      this.edited.buffer.text !== '';
    if (clears && habits.escapeAsks) this.edited.change(bufferOf(''), 'insertReplacementText', '');
    else if (clears) this.edited.change(bufferOf(''), null, null, false);
    else if (habits.escapeIsPressed) log.raise('keypress', { key: 'Escape' });
  }

  private enter(withControl: boolean): void {
    const { log, habits, send } = this.context;
    if (!withControl || habits.controlEnterIsPressed) log.raise('keypress', { key: 'Enter' });
    if (this.edited.hasLines) {
      if (withControl) return;
      if (!this.edited.mutable) return;
      this.insertLineBreak();
      return;
    }
    if (withControl && !habits.controlEnterIsPressed) return;
    if (habits.enterAsks && !withControl && this.edited.mutable)
      log.raise('beforeinput', { inputType: 'insertLineBreak' });
    this.commit();
    send();
  }

  private insertLineBreak(): void {
    if (this.context.habits.fullField === 'inserts nothing' && this.edited.admitted('\n') === '') return;
    this.edited.insert('\n', { inputType: 'insertLineBreak', data: null, asks: true });
  }

  /** An arrow key in a number field (HTML Standard, "Number state": the field may have steps). */
  private step(direction: 1 | -1): void {
    const { habits, deviations } = this.context;
    if (!this.edited.mutable) return;
    if (habits.stepsNeedNumber && this.badInput) {
      this.commit();
      return;
    }
    const was = this.value;
    const field = { ...constraintsOf(this.state, deviations), currentValue: was };
    const stepping = arrowed(field, direction, deviations);
    if (stepping.status !== 'value' || stepping.value === was) {
      if (habits.stepAtLimitCommits) this.commit();
      return;
    }
    this.stepTo(
      stepping.value,
      habits.stepsByWay ? stepWay(field, direction, deviations) : { from: was, asks: true },
    );
  }

  /** @param from the value while the step asks */
  private stepTo(next: string, { from, asks }: StepWay): void {
    const { log, habits } = this.context;
    const inputType = habits.stepAsks;
    if (inputType && asks) log.raise('beforeinput', { inputType, data: next, value: from });
    this.edited.take(bufferOf(next), 'step');
    if (habits.stepsForgetUndo) this.edited.history.forget();
    log.raise('input', inputType === 'insertReplacementText' ? { inputType, data: next } : {});
    if (habits.stepAlwaysTellsChange) {
      log.raise('change');
      this.committed = this.value;
      this.edited.touched = false;
    } else this.commit();
  }

  /** A script sets the value: no events, and the caret goes to the end. */
  setByScript(text: string): void {
    const set = withValue(this.parsed, text, this.context.deviations);
    if (set === 'InvalidStateError') return;
    this.parsed = set;
    this.edited.setByScript(set.value);
  }

  select(start: number, end: number): void {
    this.edited.select(start, end);
  }
}

function isAstral(key: string): boolean {
  return (key.codePointAt(0) ?? 0) > 0xffff;
}

/** What the protocol's driver makes of one key; a hand sends it whole. */
function drivenParts(key: string, way: 'whole' | 'in two halves' | 'as a composition'): string[] {
  return way === 'in two halves' ? key.split('') : [key];
}
