import {
  decideBeforeInsert,
  rewriteAfterInput,
  rewriteOnLeaving,
  type SelectedText,
} from '../../guard/stages';
import type { Caret } from '../../questions/typing/facts';
import { caretMoveOf } from '../../script/caret-keys';
import {
  bufferOf,
  caretAt,
  deleteTo,
  type EditingBuffer,
  extendSelection,
  insertText,
  isCaret,
  moveCaret,
  selectAll,
} from '../../script/editing-buffer';
import { graphemes } from '../../script/graphemes';
import type { EditingCommand, FocusWay } from '../../script/stroke';
import { type ControlState, constraintsOf, withValue } from '../../standard/control-state';
import { parseNonNegativeInteger } from '../../standard/non-negative-integers';
import { arrowed } from '../../standard/stepping';
import { admittedText } from './admitted-text';
import { typedNumberValue } from './number-text';
import { type StepWay, stepWay } from './step-way';
import type { Press, TypedControl } from './typed-control';
import type { TypingContext } from './typing-context';
import { UndoHistory } from './undo-history';

const shortcuts: Readonly<Record<string, EditingCommand>> = {
  a: 'select all',
  x: 'cut',
  c: 'copy',
  z: 'undo',
  y: 'redo',
};

/** How a text comes in: the type of the events, and whether a page may keep it out. */
export interface Insertion {
  readonly inputType: string;
  /** Null where the events do not tell the text. */
  readonly data: string | null;
  /** `beforeinput` is raised, and preventing it keeps the text out. */
  readonly asks: boolean;
}

/**
 * A field into which text is typed: an editing buffer, the filter and the length limit of its kind, and the events of
 * Input Events ("Input event types") as the target raises them.
 */
export class TextControl implements TypedControl {
  buffer: EditingBuffer;
  editedByPerson = false;
  private readonly history = new UndoHistory();
  /** The value at the last change event, or when the focus came. */
  private committed: string;
  private touched = false;
  private hadFocus = false;
  /** The text when the focus came, for guards that go back to it. */
  private atFocus: string;
  /** Where the text of an input method begins, while one is composed. */
  private composedFrom: number | null = null;
  private beforeComposition: EditingBuffer;
  private readonly maxlength: number | null;
  private readonly mutable: boolean;

  constructor(
    private parsed: ControlState,
    private readonly context: TypingContext,
  ) {
    const text = parsed.value;
    this.buffer = bufferOf(text);
    this.beforeComposition = this.buffer;
    this.committed = this.value;
    this.atFocus = text;
    const { attributes } = parsed;
    this.maxlength = parsed.kind === 'number' ? null : parseNonNegativeInteger(attributes.maxlength ?? null);
    this.mutable = !('readonly' in attributes || 'disabled' in attributes);
  }

  private get hasLines(): boolean {
    return this.parsed.kind === 'textarea';
  }

  get text(): string {
    return this.buffer.text;
  }

  get caret(): Caret {
    return { start: this.buffer.start, end: this.buffer.end };
  }

  get value(): string {
    const { habits, deviations } = this.context;
    const { kind } = this.parsed;
    if (kind === 'number') return typedNumberValue(this.buffer.text, habits, deviations);
    const set = withValue(this.parsed, this.buffer.text, deviations);
    const value = set === 'InvalidStateError' ? this.buffer.text : set.value;
    if (kind === 'url' && this.editedByPerson && habits.urlKeepsSpaces) return this.buffer.text;
    return kind === 'email' ? habits.emailValue(value, 'multiple' in this.parsed.attributes) : value;
  }

  get badInput(): boolean {
    return this.parsed.kind === 'number' && this.buffer.text !== '' && this.value === '';
  }

  get state(): ControlState {
    return { ...this.parsed, value: this.value, isDirty: true };
  }

  focus(by: FocusWay): void {
    const { habits } = this.context;
    const { text } = this.buffer;
    // A script that gives the focus again finds the caret where it was.
    if (by === 'script' && this.hadFocus) {
      this.context.log.raise('focus');
      return;
    }
    this.hadFocus = true;
    const byScript = this.hasLines ? habits.focusByScriptInLines : habits.focusByScript;
    if (by === 'tab' ? !this.hasLines : by === 'script' && byScript === 'all selected')
      this.buffer = selectAll(this.buffer);
    else this.buffer = caretAt(text, by === 'click' || byScript === 'at the end' ? text.length : 0);
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
    const move = caretMoveOf(key, modifiers, { lines: this.hasLines, marks, pages });
    if (move) {
      // A read-only field shows no caret, and caret keys do not move one (asked of Chromium 156).
      if (!this.mutable) return;
      if (!this.context.habits.undoesAcrossMoves) this.history.rest();
      this.buffer = modifiers.includes('Shift')
        ? extendSelection(this.buffer, move)
        : moveCaret(this.buffer, move);
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
    this.endComposition();
    this.commit();
    this.context.log.raise('blur');
  }

  /** Raises the change event that is due (HTML Standard, "Common input element events"). */
  commit(): void {
    if (this.touched && this.value !== this.committed) {
      this.rewriteOnLeaving();
      this.context.log.raise('change');
    }
    this.committed = this.value;
    this.touched = false;
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
        if (this.buffer.text === '') return false;
        this.buffer = selectAll(this.buffer);
        return true;
      case 'copy':
        if (isCaret(this.buffer)) return false;
        log.raise('copy');
        return true;
      case 'cut':
        if (isCaret(this.buffer) || !this.mutable) return false;
        log.raise('cut');
        this.change(insertText(this.buffer, ''), 'deleteByCut', null);
        return true;
      case 'undo':
      case 'redo': {
        if (!this.mutable || !this.context.habits.undoes) return false;
        const next = command === 'undo' ? this.history.undo(this.buffer) : this.history.redo(this.buffer);
        if (!next) return false;
        const inputType = command === 'undo' ? 'historyUndo' : 'historyRedo';
        log.raise('beforeinput', { inputType });
        this.buffer = next;
        this.touched = true;
        log.raise('input', { inputType });
        return true;
      }
    }
  }

  private typeCharacter(key: string): void {
    const { log, habits } = this.context;
    for (const part of drivenParts(key, habits.astralKeys)) {
      if (habits.astralKeys === 'as a composition' && isAstral(key)) {
        this.insert(part, { inputType: 'insertFromComposition', data: part, asks: true });
        continue;
      }
      log.raise('keypress', { key: part });
      this.insert(part, { inputType: 'insertText', data: part, asks: true });
    }
  }

  /** Puts a text in place of the selection, as far as guards and the target let it in. */
  insert(text: string, { inputType, data, asks }: Insertion): void {
    const { log, habits, guards, outcome } = this.context;
    if (!this.mutable && !(habits.readonlyAsks && asks)) {
      outcome.refused = 'target';
      return;
    }
    const oneLine = this.hasLines
      ? text.replace(/\r\n?/g, '\n')
      : text.replace(/[\r\n]+/g, habits.newlinesInLine);
    const decision = asks
      ? decideBeforeInsert(guards, {
          oldText: this.buffer.text,
          newText: insertText(this.buffer, oneLine).text,
          inserted: oneLine,
        })
      : ({ pass: true } as const);
    // One that is read-only is asked all the same, and then takes nothing.
    const left = this.mutable ? this.admitted(oneLine) : '';
    const empty = left === '' && habits.fullField === 'inserts nothing';
    if (asks) log.raise('beforeinput', { inputType, data: empty ? '' : data, prevented: !decision.pass });
    if (!decision.pass) {
      outcome.refused = 'guard';
      outcome.guard = decision.guard;
      return;
    }
    if (left === '' && text !== '') outcome.refused = 'target';
    // A selection goes even where nothing can come in its place.
    if (left === '' && !empty && (isCaret(this.buffer) || this.parsed.kind === 'number' || !this.mutable))
      return;
    this.change(
      insertText(this.buffer, left),
      inputType,
      data === null ? null : habits.inputTells === 'what came in' || empty ? left : data,
      false,
    );
  }

  private admitted(text: string, into = this.buffer): string {
    const { kind } = this.parsed;
    return admittedText({ kind, maxlength: this.maxlength, habits: this.context.habits }, into, text);
  }

  paste(text: string): void {
    this.context.log.raise('paste');
    this.insert(text, { inputType: 'insertFromPaste', data: text, asks: true });
  }

  /** The browser fills the field by itself: nothing can keep that out. */
  autofill(text: string): void {
    const { log, habits } = this.context;
    if (!this.mutable) return;
    const event = habits.autofill === 'input' ? {} : { inputType: 'insertReplacementText', data: text };
    if (habits.autofill === 'beforeinput and input') log.raise('beforeinput', event);
    const old = this.buffer;
    this.take(bufferOf(text), null);
    log.raise('input', event);
    this.rewrite(old);
    this.commit();
  }

  /** What an input method shows and has not committed. */
  get composed(): string {
    return this.composedFrom === null ? '' : this.buffer.text.slice(this.composedFrom, this.buffer.start);
  }

  /** An input method shows a text in place of the one that it showed before; a page cannot keep it out. */
  compose(text: string): void {
    const { log, outcome } = this.context;
    if (!this.mutable) {
      outcome.refused = 'target';
      return;
    }
    if (this.composedFrom === null) {
      log.raise('compositionstart', { data: '' });
      this.composedFrom = this.buffer.start;
      this.beforeComposition = this.buffer;
    }
    const event = { inputType: 'insertCompositionText', data: text };
    log.raise('beforeinput', event);
    log.raise('compositionupdate', { data: text });
    const end = Math.max(this.buffer.end, this.composedFrom);
    this.take(
      insertText({ text: this.buffer.text, start: this.composedFrom, end }, text),
      'insertCompositionText',
    );
    log.raise('input', event);
  }

  /** Commits what was composed, as far as the field has room for it; guards rewrite now. */
  endComposition(): void {
    if (this.composedFrom === null) return;
    const { log, habits } = this.context;
    const data = this.composed;
    const without = insertText(
      { text: this.buffer.text, start: this.composedFrom, end: this.buffer.start },
      '',
    );
    const left = this.admitted(data, without);
    const event = { inputType: 'insertCompositionText', data };
    // Blink composes a text that is too long once more, and what came in is shorter.
    const isCut = habits.compositionEnd === 'as it stands' && left !== data;
    if (isCut) {
      log.raise('compositionupdate', { data });
      log.raise('beforeinput', event);
    }
    this.composedFrom = null;
    this.buffer = insertText(without, left);
    if (isCut) log.raise('input', { ...event, data: left });
    if (habits.compositionEnd === 'replaces what was shown')
      for (const type of ['beforeinput', 'input'] as const)
        log.raise(type, { inputType: 'insertFromComposition', data: left });
    log.raise('compositionend', { data });
    if (habits.compositionEnd === 'told once more') log.raise('input', event);
    this.rewrite(this.beforeComposition);
  }

  /** Soft keyboards compose all words: guards cannot wait for their end, and what they rewrite ends them. */
  rewriteComposed(): void {
    const before = this.buffer.text;
    this.rewrite(this.beforeComposition);
    if (this.buffer.text === before) return;
    this.composedFrom = null;
  }

  /** An edit by the person, with its events and what guards make of it afterwards. */
  private change(next: EditingBuffer, inputType: string | null, data: string | null, asks = true): void {
    const { log } = this.context;
    const old = this.buffer;
    if (asks) log.raise('beforeinput', { inputType, data });
    this.take(next, inputType);
    log.raise('input', { inputType, data });
    this.rewrite(old);
  }

  private take(next: EditingBuffer, inputType: string | null): void {
    this.history.add(this.buffer, inputType);
    this.buffer = next;
    this.touched = true;
    this.editedByPerson = true;
  }

  private rewrite(old: SelectedText): void {
    const { guards, outcome } = this.context;
    const rewriting = rewriteAfterInput(guards, old, this.buffer);
    outcome.endless = rewriting.endless ?? outcome.endless;
    if (rewriting.by.length === 0) return;
    outcome.rewrittenBy = rewriting.by;
    const { text, start, end } = rewriting;
    // What stood selected may come back by itself; a caret took nothing away.
    if (text === old.text && this.buffer.text !== old.text && isCaret(old)) {
      outcome.refused = 'guard';
      outcome.guard = rewriting.by.at(-1) ?? null;
    }
    this.buffer = { text, start, end };
  }

  private rewriteOnLeaving(): void {
    const { guards, outcome } = this.context;
    const old = { text: this.atFocus, start: 0, end: 0 };
    const rewriting = rewriteOnLeaving(guards, old, this.buffer);
    outcome.endless = rewriting.endless ?? outcome.endless;
    if (rewriting.by.length === 0) return;
    outcome.rewrittenBy = rewriting.by;
    this.buffer = { text: rewriting.text, start: rewriting.start, end: rewriting.end };
  }

  private erase(key: 'Backspace' | 'Delete', word: boolean): void {
    const { log, habits } = this.context;
    if (!this.mutable) {
      if (habits.eraseIsPressedWhereReadonly) log.raise('keypress', { key });
      return;
    }
    const back = key === 'Backspace';
    const selection = !isCaret(this.buffer);
    const direction = back ? 'Backward' : 'Forward';
    const inputType = selection
      ? back
        ? 'deleteContentBackward'
        : habits.deleteOfSelection[word ? 'word' : 'character']
      : `delete${word ? 'Word' : 'Content'}${direction}`;
    const unit = word ? (habits.wordsAndMarks ? 'word or mark' : 'word') : 'grapheme';
    const next = deleteTo(this.buffer, `${back ? 'previous' : 'next'} ${unit}`);
    const erases = next.text !== this.buffer.text;
    if (erases || habits.idleEraseAsks) log.raise('beforeinput', { inputType });
    if (erases) this.change(next, inputType, null, false);
  }

  /** Escape empties a search field, as its clear button does. */
  private escape(): void {
    const { log, habits } = this.context;
    const clears =
      this.parsed.kind === 'search' && habits.escapeClearsSearch && this.mutable && this.buffer.text !== '';
    if (clears && habits.escapeAsks) this.change(bufferOf(''), 'insertReplacementText', '');
    else if (clears) this.change(bufferOf(''), null, null, false);
    else if (habits.escapeIsPressed) log.raise('keypress', { key: 'Escape' });
  }

  private enter(withControl: boolean): void {
    const { log, habits, send } = this.context;
    if (!withControl || habits.controlEnterIsPressed) log.raise('keypress', { key: 'Enter' });
    if (this.hasLines) {
      if (withControl) return;
      if (!this.mutable) return;
      this.insertLineBreak();
      return;
    }
    if (withControl && !habits.controlEnterIsPressed) return;
    if (habits.enterAsks && !withControl && this.mutable)
      log.raise('beforeinput', { inputType: 'insertLineBreak' });
    this.commit();
    send();
  }

  private insertLineBreak(): void {
    if (this.context.habits.fullField === 'inserts nothing' && this.admitted('\n') === '') return;
    this.insert('\n', { inputType: 'insertLineBreak', data: null, asks: true });
  }

  /** An arrow key in a number field (HTML Standard, "Number state": the field may have steps). */
  private step(direction: 1 | -1): void {
    const { habits, deviations } = this.context;
    if (!this.mutable) return;
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
    this.take(bufferOf(next), 'step');
    if (habits.stepsForgetUndo) this.history.forget();
    log.raise('input', inputType === 'insertReplacementText' ? { inputType, data: next } : {});
    if (habits.stepAlwaysTellsChange) {
      log.raise('change');
      this.committed = this.value;
      this.touched = false;
    } else this.commit();
  }

  /** A script sets the value: no events, and the caret goes to the end. */
  setByScript(text: string): void {
    const set = withValue(this.parsed, text, this.context.deviations);
    if (set === 'InvalidStateError') return;
    this.parsed = set;
    this.editedByPerson = false;
    this.buffer = bufferOf(set.value);
    this.history.forget();
  }

  select(start: number, end: number): void {
    const length = this.buffer.text.length;
    const [from, to] = [Math.min(start, length), Math.min(end, length)];
    this.history.rest();
    this.buffer = { text: this.buffer.text, start: Math.min(from, to), end: to };
  }
}

function isAstral(key: string): boolean {
  return (key.codePointAt(0) ?? 0) > 0xffff;
}

/** What the protocol's driver makes of one key; a hand sends it whole. */
function drivenParts(key: string, way: 'whole' | 'in two halves' | 'as a composition'): string[] {
  return way === 'in two halves' ? key.split('') : [key];
}
