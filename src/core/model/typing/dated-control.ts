import type { DatedKind } from '../../html/field';
import type { FocusWay } from '../../script/stroke';
import { type ControlState, withValue } from '../../standard/control-state';
import { type DatePart, partsFromValue, partsOf, valueOfParts } from './date-parts';
import type { Press, TypedControl } from './typed-control';
import type { TypingContext } from './typing-context';

/** How far the page keys go. */
const pageOf: Readonly<Record<DatePart['name'], number>> = {
  month: 3,
  'month by name': 3,
  day: 7,
  year: 10,
  week: 1,
  hour: 3,
  minute: 10,
  second: 10,
  'half of the day': 1,
};

const halves = ['am', 'pm'];
const monthNames =
  'january february march april may june july august september october november december'.split(' ');

/** Whether Home and End mean anything in a part. */
const hasEnds = ({ name }: DatePart) => name !== 'year' && name !== 'half of the day';

/** What a part would show of a moment; null for one that has none of its own. */
function partNow(name: DatePart['name'], now: Date): number | null {
  switch (name) {
    case 'month':
    case 'month by name':
      return now.getMonth() + 1;
    case 'day':
      return now.getDate();
    case 'year':
      return now.getFullYear();
    case 'hour':
      return now.getHours() % 12 || 12;
    case 'minute':
      return now.getMinutes();
    case 'second':
      return now.getSeconds();
    case 'week':
    case 'half of the day':
      return null;
  }
}

/** A date or time field: its parts are typed one by one, and only all of them together make a value. */
export class DatedControl implements TypedControl {
  readonly caret = { start: 0, end: 0 };
  readonly editedByPerson = false;
  private readonly parts: readonly DatePart[];
  /** What the parts show. */
  private held: Partial<Record<DatePart['name'], number>>;
  /** What they showed when the value was made of them. */
  private counted: Partial<Record<DatePart['name'], number>>;
  private readonly withSeconds: boolean;
  /** The part with the focus; one past the last is the picker button. */
  private at = 0;
  /** Digits typed into the part since it got the focus. */
  private typed = '';
  /** What was typed to find a name by; all that comes within a second of the character before. */
  private sought = '';
  /** A picker stands open and has the keys. */
  private pickerIsOpen = false;
  private committed: string;
  private readonly mutable: boolean;

  constructor(
    private readonly parsed: ControlState,
    private readonly kind: DatedKind,
    private readonly context: TypingContext,
  ) {
    const { value, attributes } = parsed;
    const step = Number(attributes.step);
    this.withSeconds = /:\d\d:\d\d/.test(value) || (attributes.step !== undefined && step % 60 !== 0);
    this.parts = partsOf(kind, this.withSeconds, context.habits.lastYear);
    this.held = { ...partsFromValue(kind, value) };
    this.counted = this.held;
    this.committed = this.value;
    this.mutable = !('readonly' in attributes || 'disabled' in attributes);
  }

  get value(): string {
    const { written } = this;
    if (written === null) return '';
    const set = withValue(this.parsed, written, this.context.deviations);
    return set === 'InvalidStateError' ? '' : set.value;
  }

  /** What the parts that count make, be it a day that exists or not. */
  private get written(): string | null {
    return valueOfParts(this.kind, this.counted, {
      withSeconds: this.withSeconds,
      mayMiss: this.context.habits.secondsMayMiss,
    });
  }

  get text(): string {
    return this.value;
  }

  get badInput(): boolean {
    return this.value === '' && this.parts.some(({ name }) => this.counted[name] !== undefined);
  }

  get state(): ControlState {
    return { ...this.parsed, value: this.value, isDirty: true };
  }

  focus(_by: FocusWay): void {
    this.at = 0;
    this.typed = '';
    this.context.log.raise('focus');
  }

  keyDown({ key, modifiers }: Press): void {
    const { log, habits, send } = this.context;
    const part = this.parts[this.at];
    if (key === ' ' && part && this.mutable && habits.spaceOpensPicker.includes(this.kind)) {
      this.pickerIsOpen = true;
      return;
    }
    const isCharacter = Array.from(key).length === 1 && !modifiers.includes('Control');
    const takes = part !== undefined && isCharacter && this.takes(part, key);
    if (key === 'Enter') {
      log.raise('keypress', { key });
      if (part && habits.datedEnterSends) send();
      return;
    }
    const hasNext = this.at + 1 < this.parts.length;
    const parts = isCharacter && hasNext && habits.separatorsMoveOn && /[/:.,\- ]/.test(key);
    if (isCharacter && habits.datedPresses === 'characters' && !parts) log.raise('keypress', { key });
    if (!part) return;
    if (key === 'ArrowRight' || key === 'ArrowLeft') {
      this.moveBy(key === 'ArrowRight' ? 1 : -1);
      return;
    }
    if (!this.mutable) {
      if (habits.eraseIsPressedWhereReadonly && /^(?:Backspace|Delete)$/.test(key))
        log.raise('keypress', { key });
    } else if (key === 'ArrowUp' || key === 'ArrowDown') this.spin(part, key === 'ArrowUp' ? 1 : -1);
    else if (key === 'Backspace' || key === 'Delete') this.empty(part);
    else if (takes) this.type(part, key);
    else if ((key === 'PageUp' || key === 'PageDown') && habits.datedPages)
      this.spin(part, (key === 'PageUp' ? 1 : -1) * pageOf[part.name]);
    else if ((key === 'Home' || key === 'End') && habits.datedEnds && hasEnds(part))
      this.step(part, key === 'Home' ? part.min : part.max);
    else if (parts) this.moveBy(1);
  }

  keyUp(): void {}

  /** Whether keys go to a picker and not to the field. */
  get keysGoElsewhere(): boolean {
    return this.pickerIsOpen;
  }

  tab(): boolean {
    if (this.at + 1 >= this.stops) {
      this.finish();
      return false;
    }
    this.focusPart(this.at + 1);
    return true;
  }

  leave(): void {
    const { log } = this.context;
    this.finish();
    log.raise('blur');
    if (this.value !== this.committed) log.raise('change');
    this.committed = this.value;
  }

  private takes(part: DatePart, key: string): boolean {
    if (part.name === 'half of the day')
      return (this.context.habits.halvesTyped === 'by letter' ? /^[ap]$/i : /^[ap12]$/i).test(key);
    return /^\d$/.test(key) || (part.name === 'month by name' && /^\p{L}$/u.test(key));
  }

  /** Parts with names are found by the beginning of the name, or by their number. */
  private seek(part: DatePart, key: string): void {
    this.sought += key.toLowerCase();
    const names = part.name === 'month by name' ? monthNames : halves;
    const now = (this.held[part.name] ?? part.min - 1) - part.min;
    const again = new Set(this.sought).size === 1;
    const prefix = again && !/\d/.test(key) ? key.toLowerCase() : this.sought;
    const byNumber = /^\d+$/.test(this.sought) ? Number(this.sought) - 1 : -1;
    const from = again ? now + 1 : Math.max(now, 0);
    const order = names.map((_, step) => (from + step) % names.length);
    const byName = order.find((index) => names[index]?.startsWith(prefix));
    const found = byNumber >= 0 && byNumber < names.length ? byNumber : byName;
    if (found !== undefined) this.set(part, found + part.min);
  }

  private type(part: DatePart, key: string): void {
    const { habits } = this.context;
    if (part.name === 'half of the day' && habits.halvesTyped === 'by letter') {
      this.set(part, key.toLowerCase() === 'a' ? 0 : 1);
      return;
    }
    if (part.name === 'month by name' || part.name === 'half of the day') {
      this.seek(part, key);
      return;
    }
    const digits = this.isFull(part, this.typed) ? key : this.typed + key;
    this.typed = digits;
    const full = this.isFull(part, digits);
    this.show(part, this.numberFor(part, Number(digits), digits));
    if (habits.datedCounts === 'with each digit') this.count();
    if (habits.datedMovesOn && full) this.moveBy(1);
  }

  /** What a part shows for the digits typed into it. */
  private numberFor(part: DatePart, number: number, digits: string): number | undefined {
    const { habits } = this.context;
    if (part.name === 'hour' && habits.hoursOfDay) return this.hourFor(number, digits);
    if (number > part.max) return part.max;
    if (number >= part.min) return number;
    if (digits.length >= part.digits && habits.datedBelowLeast === 'as typed') return part.min;
    switch (habits.datedBelowLeast) {
      case 'nothing until left':
        return undefined;
      case 'as typed':
        return number;
      case 'the least':
        return part.min;
    }
  }

  /** An hour past noon, or none, says which half of the day it is in. */
  private hourFor(number: number, digits: string): number | undefined {
    const half = (one: 0 | 1) => {
      this.held = { ...this.held, 'half of the day': one };
    };
    if (number > 12) {
      // Its digits are kept, and the hour is as it was with the first of them.
      if (number > 23) return this.held.hour;
      half(1);
      return number - 12;
    }
    if (this.context.habits.datedBelowLeast === 'nothing until left')
      return number === 0 ? undefined : number;
    if (number === 12) half(1);
    else if (number === 0 && digits.length === 2) half(0);
    else if (this.held['half of the day'] === undefined) half(0);
    return number === 0 && digits.length === 2 ? 12 : number;
  }

  /** What was typed and stands as nothing yet becomes the nearest number when the part is left. */
  private finish(): void {
    const part = this.parts[this.at];
    const { habits } = this.context;
    if (part && (this.typed !== '' || habits.datedTellsOfNoValue)) {
      if (habits.datedBelowLeast === 'nothing until left' && this.held[part.name] === undefined)
        this.show(part, part.name === 'hour' ? part.max : part.min);
      this.count();
    }
    this.typed = '';
  }

  /** No further digit could be typed. */
  private isFull({ name, max, digits: most }: DatePart, digits: string): boolean {
    const { habits } = this.context;
    if (digits === '') return false;
    if (digits.length >= most) return true;
    const highest = name === 'hour' && habits.datedCounts === 'when a part is done' ? 23 : max;
    return habits.datedMovesOn && name !== 'year' && Number(digits) * 10 > highest;
  }

  private show(part: DatePart, number: number | undefined): void {
    const { [part.name]: _, ...others } = this.held;
    this.held = number === undefined ? others : { ...others, [part.name]: number };
  }

  /** Makes the value of what the parts show, with the events of a change. */
  private count(): void {
    const { log, habits } = this.context;
    const before = this.value;
    this.counted = this.held;
    const tells = habits.datedTellsOfNoValue ? (this.written ?? '') !== before : this.value !== before;
    if (!tells) return;
    log.raise('input');
    if (habits.datedChange === 'on leaving' || this.value === before) return;
    log.raise('change');
    this.committed = this.value;
  }

  private set(part: DatePart, number: number | undefined): void {
    this.show(part, number);
    this.count();
  }

  /** Round and round between the limits of the part. */
  private spin(part: DatePart, by: number): void {
    const { habits } = this.context;
    const { min, max } = part;
    if (!habits.spinKeepsDigits) this.typed = '';
    const held = this.held[part.name];
    const now = held ?? (habits.emptyPartBegins === 'now' ? partNow(part.name, this.context.now) : null);
    if (now === null) {
      this.set(part, part.name === 'year' ? this.context.now.getFullYear() : by > 0 ? min : max);
      return;
    }
    const half = this.held['half of the day'];
    if (part.name === 'hour' && half !== undefined && habits.hourOnArrows === 'carries over') {
      const hour = ((now % 12) + half * 12 + by + 24) % 24;
      this.held = { ...this.held, 'half of the day': hour < 12 ? 0 : 1 };
      this.set(part, hour % 12 || 12);
      return;
    }
    const size = max - min + 1;
    this.step(part, min + ((((now - min + by) % size) + size) % size));
  }

  /** Sets a part to what a key that steps has found. */
  private step(part: DatePart, number: number): void {
    const asTyped = part.name === 'hour' && this.context.habits.hourOnArrows === 'as typed';
    this.set(part, asTyped ? this.hourFor(number, '') : number);
  }

  private empty(part: DatePart): void {
    this.typed = '';
    this.set(part, undefined);
  }

  private moveBy(by: 1 | -1): void {
    const to = this.at + by;
    if (to >= 0 && to < this.parts.length) this.focusPart(to);
    else if (by > 0 && this.context.habits.datedCounts === 'when a part is done') this.count();
  }

  /** The parts, and the picker button where it takes the focus. */
  private get stops(): number {
    const hasButton = this.mutable && this.context.habits.datedButton.includes(this.kind);
    return this.parts.length + (hasButton ? 1 : 0);
  }

  private focusPart(index: number): void {
    this.finish();
    this.at = index;
  }
}
