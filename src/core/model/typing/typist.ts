import type { Guard } from '../../guard/guard';
import { decideKey } from '../../guard/stages';
import { isDated, isTypedText } from '../../html/field';
import { insertText } from '../../script/editing-buffer';
import { type Chord, editingChords, pasteChord } from '../../script/editing-chord';
import {
  type EditingCommand,
  type FocusWay,
  isModifierKey,
  isShortcut,
  type ModifierKey,
  type Stroke,
  type TextRoute,
} from '../../script/stroke';
import type { Deviations } from '../../standard/deviations';
import { radioGroupOf } from '../../standard/radio-group';
import type { TypingHabits } from '../deviations/typing-habits';
import { ButtonControl } from './button-control';
import { DatedControl } from './dated-control';
import { EventLog, type RaisedEvent } from './event-log';
import { FormSending } from './form-sending';
import { InputMethod } from './input-method';
import { ListControl } from './list-control';
import { SliderControl } from './slider-control';
import { TextControl } from './text-control';
import { ToggleControl } from './toggle-control';
import type { TypedControl } from './typed-control';
import { type StrokeOutcome, type TypingContext, untouched } from './typing-context';
import type { TypingPlace } from './typing-place';

/** Presses keys and brings text into one control as a person does, and writes down which events that raises. */
export class Typist {
  readonly control: TypedControl;
  private readonly context: TypingContext;
  private readonly log: EventLog;
  private readonly sending: FormSending;
  private readonly inputMethod: InputMethod;
  private focused = false;
  private readonly down: ModifierKey[] = [];
  private held: string[] = [];
  private clipboard = '';

  constructor(
    private readonly place: TypingPlace,
    private readonly habits: TypingHabits,
    deviations: Deviations,
    private readonly guards: readonly Guard[],
    now: Date,
  ) {
    const native = habits.tells === 'text changes';
    this.log = new EventLog(
      () => (native ? this.control.text : this.control.value),
      native,
      habits.keys === 'hardware',
    );
    this.context = {
      habits,
      deviations,
      guards,
      now,
      log: this.log,
      outcome: untouched(),
      send: () => this.sending.send(),
    };
    this.sending = new FormSending(
      place,
      this.context,
      () => this.control,
      () => this.blur(),
    );
    this.control = controlFor(place, this.context, () => this.sending.press());
    const composition = this.control instanceof TextControl ? this.control.composition : null;
    this.inputMethod = new InputMethod(place.own.kind, composition, this.context, (key) =>
      this.chord([], key),
    );
  }

  get hasFocus(): boolean {
    return this.focused;
  }

  /** What was raised since the last time. */
  takeEvents(): RaisedEvent[] {
    return this.log.take();
  }

  /** @returns false where the control takes no focus. */
  focus(by: FocusWay): boolean {
    const { attributes, control, kind } = this.place.own;
    if (isDated(kind) && 'readonly' in attributes && !this.habits.readonlyDatedTakesFocus) return false;
    if ('disabled' in attributes || control.disabledByFieldset || 'hidden' in attributes) return false;
    this.focused = true;
    this.control.focus(by);
    if (by === 'tab') this.log.raise('keyup', { key: 'Tab' });
    return true;
  }

  stroke(stroke: Stroke): StrokeOutcome {
    this.context.outcome = untouched();
    if (!this.focused && stroke.kind !== 'focus') return this.context.outcome;
    this.carryOut(stroke);
    return this.context.outcome;
  }

  private carryOut(stroke: Stroke): void {
    switch (stroke.kind) {
      case 'key': {
        if (this.inputMethod.composes(stroke)) {
          this.inputMethod.pressSoftKey(stroke.key);
          return;
        }
        this.inputMethod.end();
        this.chord(stroke.modifiers ?? [], stroke.key);
        return;
      }
      case 'held':
        this.inputMethod.end();
        for (let time = 0; time <= stroke.repeats; time++) this.keyDown(stroke.key);
        this.keyUp(stroke.key);
        return;
      case 'down':
        this.inputMethod.end();
        this.keyDown(stroke.key);
        return;
      case 'up':
        this.keyUp(stroke.key);
        return;
      case 'selection':
        this.inputMethod.end();
        if (this.control instanceof TextControl) this.control.select(stroke.start, stroke.end);
        return;
      case 'command':
        this.command(stroke.command);
        return;
      case 'text': {
        // A proposed word goes on with the one that is composed.
        const goesOn =
          stroke.route === 'soft keys' && this.inputMethod.composes({ kind: 'key', key: stroke.text });
        if (!goesOn) this.inputMethod.end();
        this.bring(stroke.route, stroke.text);
        return;
      }
      case 'dead key':
        this.inputMethod.deadKey(stroke.dead, stroke.text);
        return;
      case 'composition':
        this.inputMethod.compose(stroke.texts);
        return;
      case 'focus':
        if (!this.focused) this.focus(stroke.by);
        return;
      case 'leave':
        this.blur();
        return;
      case 'submit':
        this.sending.send(true);
        return;
      case 'pause':
        return;
    }
  }

  private command(command: EditingCommand): void {
    if (this.habits.commands === 'from a menu') {
      this.inputMethod.end();
      if (this.control instanceof TextControl) this.control.command(command);
      return;
    }
    this.chord(...editingChords[command]);
  }

  private chord(...[modifiers, key]: Chord): void {
    for (const modifier of modifiers) this.keyDown(modifier);
    this.keyDown(key);
    this.keyUp(key);
    for (const modifier of modifiers.toReversed()) this.keyUp(modifier);
  }

  /** A text that comes in at once, by one of the ways that are no keys. */
  private bring(route: TextRoute, text: string): void {
    const { control, log } = this;
    if (!(control instanceof TextControl)) {
      this.context.outcome.refused = 'target';
      return;
    }
    switch (route) {
      case 'paste':
        if (this.habits.commands === 'from a menu') {
          control.paste(text);
          return;
        }
        this.clipboard = text;
        this.chord(...pasteChord);
        return;
      case 'drop':
        log.raise('drop');
        control.insert(text, { inputType: 'insertFromDrop', data: text, asks: true });
        return;
      case 'autofill':
        control.autofill(text);
        return;
      case 'dictation':
        control.insert(text, { inputType: 'insertText', data: text, asks: true });
        return;
      case 'soft keys':
        if (this.inputMethod.composes({ kind: 'key', key: text })) {
          this.inputMethod.pressSoftKey(text);
          return;
        }
        log.raise('keydown', { key: 'Unidentified' });
        control.insert(text, { inputType: 'insertText', data: text, asks: true });
        log.raise('keyup', { key: 'Unidentified' });
        return;
      case 'script':
        control.setByScript(text);
        return;
    }
  }

  keyDown(key: string): void {
    if (!this.hears) return;
    if (this.habits.heldKeys === 'the last one, once' && this.held.includes(key)) return;
    this.held.push(key);
    const shown = this.shownKey(key);
    if (isModifierKey(key)) {
      this.down.push(key);
      this.log.raise('keydown', { key: shown, on: this.on });
      return;
    }
    const decision = decideKey(this.guards, {
      key,
      isShortcut: isShortcut({ modifiers: this.down }),
      newText: insertText({ text: this.control.text, ...this.control.caret }, key).text,
    });
    // Of a soft key a page is not told which it is, and stopping it stops nothing.
    const stopped = !decision.pass && shown !== 'Unidentified';
    this.log.raise('keydown', { key: shown, prevented: stopped, on: this.on });
    if (stopped) {
      this.context.outcome.refused = 'guard';
      this.context.outcome.guard = decision.guard;
      return;
    }
    if (key === 'Escape' && this.habits.escapeIsPressed && !(this.control instanceof TextControl))
      this.log.raise('keypress', { key, on: this.on });
    if (key === 'v' && isShortcut({ modifiers: this.down }) && this.control instanceof TextControl)
      this.control.paste(this.clipboard);
    else if (key !== 'Tab') this.control.keyDown({ key, modifiers: this.down });
    else if (!this.control.tab()) this.blur();
  }

  keyUp(key: string): void {
    if (isModifierKey(key)) this.down.splice(this.down.indexOf(key), 1);
    const isLast = this.held.at(-1) === key;
    this.held = this.held.filter((one) => one !== key);
    if (!this.hears || (this.habits.heldKeys === 'the last one, once' && !isLast)) return;
    this.log.raise('keyup', { key, on: this.on });
    this.control.keyUp({ key, modifiers: this.down });
  }

  /** Keys reach the control. */
  private get hears(): boolean {
    return this.focused && !(this.control instanceof DatedControl && this.control.keysGoElsewhere);
  }

  private get on(): string | null {
    return this.control instanceof ToggleControl ? this.control.on : null;
  }

  private blur(): void {
    this.control.leave();
    this.focused = false;
  }

  /** UI Events, "Key events and input methods": under a soft keyboard the page is told of a key, not of which. */
  private shownKey(key: string): string {
    if (this.habits.astralKeys === 'as a composition' && (key.codePointAt(0) ?? 0) > 0xffff)
      return 'Unidentified';
    const hidden = this.habits.keys === 'soft keys that compose' && key !== 'Backspace' && key !== 'Enter';
    return hidden ? 'Unidentified' : key;
  }
}

function controlFor({ own, page }: TypingPlace, context: TypingContext, press: () => void): TypedControl {
  const { kind } = own;
  if (kind === 'select') return new ListControl(own, context);
  if (kind === 'checkbox') return new ToggleControl(own, [own], context);
  if (kind === 'radio') {
    const group = radioGroupOf(own, page);
    return new ToggleControl(own, group.length > 0 ? group : [own], context);
  }
  if (kind === 'range') return new SliderControl(own, context);
  if (isTypedText(kind)) return new TextControl(own, context);
  if (isDated(kind) && !context.habits.noEditor.includes(kind)) return new DatedControl(own, kind, context);
  return new ButtonControl(own, context, press);
}
