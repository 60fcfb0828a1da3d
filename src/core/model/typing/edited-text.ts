import {
  decideBeforeInsert,
  rewriteAfterInput,
  rewriteOnLeaving,
  type SelectedText,
} from '../../guard/stages';
import { bufferOf, type EditingBuffer, insertText, isCaret } from '../../script/editing-buffer';
import type { ControlState } from '../../standard/control-state';
import { parseNonNegativeInteger } from '../../standard/non-negative-integers';
import { admittedText } from './admitted-text';
import type { TypingContext } from './typing-context';
import { UndoHistory } from './undo-history';

/** How a text comes in: the type of the events, and whether a page may keep it out. */
export interface Insertion {
  readonly inputType: string;
  /** Null where the events do not tell the text. */
  readonly data: string | null;
  /** `beforeinput` is raised, and preventing it keeps the text out. */
  readonly asks: boolean;
}

/**
 * The text of a field while it is edited: what guards, the filter of its kind and its length limit make of each edit, and the events of
 * Input Events ("Input event types").
 */
export class EditedText {
  buffer: EditingBuffer;
  /** Whether the last edit was the person's, and not a script's. */
  byPerson = false;
  /** Whether the person edited it since a change event was raised. */
  touched = false;
  readonly history = new UndoHistory();
  /** Whether the person may edit it at all. */
  readonly mutable: boolean;
  /** Whether it may hold line breaks. */
  readonly hasLines: boolean;
  private readonly maxlength: number | null;

  constructor(
    private readonly kind: ControlState['kind'],
    attributes: ControlState['attributes'],
    text: string,
    private readonly context: TypingContext,
  ) {
    this.buffer = bufferOf(text);
    this.hasLines = kind === 'textarea';
    this.maxlength = kind === 'number' ? null : parseNonNegativeInteger(attributes.maxlength ?? null);
    this.mutable = !('readonly' in attributes || 'disabled' in attributes);
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
    if (left === '' && !empty && (isCaret(this.buffer) || this.kind === 'number' || !this.mutable)) return;
    this.change(
      insertText(this.buffer, left),
      inputType,
      data === null ? null : habits.inputTells === 'what came in' || empty ? left : data,
      false,
    );
  }

  /** What the filter of the kind and the length limit leave of a text. */
  admitted(text: string, into = this.buffer): string {
    const { kind, maxlength } = this;
    return admittedText({ kind, maxlength, habits: this.context.habits }, into, text);
  }

  /** An edit by the person, with its events and what guards make of it afterwards. */
  change(next: EditingBuffer, inputType: string | null, data: string | null, asks = true): void {
    const { log } = this.context;
    const old = this.buffer;
    if (asks) log.raise('beforeinput', { inputType, data });
    this.take(next, inputType);
    log.raise('input', { inputType, data });
    this.rewrite(old);
  }

  /** Takes an edit over, without any event. */
  take(next: EditingBuffer, inputType: string | null): void {
    this.history.add(this.buffer, inputType);
    this.buffer = next;
    this.touched = true;
    this.byPerson = true;
  }

  /** Lets guards rewrite what came in. @param old what stood there before */
  rewrite(old: SelectedText): void {
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

  /** @param atFocus what stood there when the focus came */
  rewriteOnLeaving(atFocus: string): void {
    const { guards, outcome } = this.context;
    const old = { text: atFocus, start: 0, end: 0 };
    const rewriting = rewriteOnLeaving(guards, old, this.buffer);
    outcome.endless = rewriting.endless ?? outcome.endless;
    if (rewriting.by.length === 0) return;
    outcome.rewrittenBy = rewriting.by;
    this.buffer = { text: rewriting.text, start: rewriting.start, end: rewriting.end };
  }

  /** A script sets it: no events, and the caret goes to the end. */
  setByScript(text: string): void {
    this.byPerson = false;
    this.buffer = bufferOf(text);
    this.history.forget();
  }

  select(start: number, end: number): void {
    const length = this.buffer.text.length;
    const [from, to] = [Math.min(start, length), Math.min(end, length)];
    this.history.rest();
    this.buffer = { text: this.buffer.text, start: Math.min(from, to), end: to };
  }
}
