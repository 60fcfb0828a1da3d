import type { EventRecord, RecordedEvent } from '../../observation/event-record';
import { codeOf } from '../../script/key-code';

/** An event that the model raises, and the id of the control that it goes to where that is not the one asked about. */
export interface RaisedEvent extends EventRecord {
  readonly on: string | null;
}

export type EventDetail = Partial<
  Pick<RaisedEvent, 'key' | 'inputType' | 'data' | 'prevented' | 'on' | 'value'>
>;

/** Collects events in the order in which they are raised, each with the value at that moment. */
export class EventLog {
  private events: RaisedEvent[] = [];
  /** The text that a native field told last. */
  private told = '';

  /**
   * @param native tells what native fields tell instead of events of the DOM
   * @param hasCodes keys are those of a hardware keyboard, which have places
   */
  constructor(
    private readonly value: () => string,
    private readonly native = false,
    private readonly hasCodes = true,
  ) {}

  raise(type: RecordedEvent, detail: EventDetail = {}): void {
    if (this.native) this.tellNatively(type);
    else this.push(type, detail);
  }

  /** A change from one text to another, the end of editing, and that it was submitted: nothing else reaches the app. */
  private tellNatively(type: RecordedEvent): void {
    const value = this.value();
    if (type === 'focus') this.told = value;
    if (type === 'blur') this.push('editing complete', {});
    if (type === 'submit') this.push('submitted', {});
    if (value === this.told) return;
    this.push('text changed', { data: this.told });
    this.told = value;
  }

  private push(type: RecordedEvent, detail: EventDetail): void {
    this.events.push({
      type,
      key: detail.key ?? null,
      code: detail.key === undefined || detail.key === null ? null : this.hasCodes ? codeOf(detail.key) : '',
      inputType: detail.inputType ?? null,
      data: detail.data ?? null,
      value: detail.value ?? this.value(),
      trusted: true,
      prevented: detail.prevented ?? false,
      on: detail.on ?? null,
    });
  }

  /** What was raised since the last time. */
  take(): RaisedEvent[] {
    const taken = this.events;
    this.events = [];
    return taken;
  }
}
