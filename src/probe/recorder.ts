import { type FieldKind, tellsSelection } from '@/core/form/field';
import { decideBeforeInsert, type Guard } from '@/core/guard/guard';
import { type EventRecord, recordedEvents } from '@/core/observation/event-record';
import { insertText } from '@/core/script/editing-buffer';
import { FollowedText } from './followed-text';
import type { TypedSoFar } from './probe-api';

export type TypedElement = HTMLInputElement | HTMLTextAreaElement;

/** Records what listeners on one field see, and lets guards act on it: the same core code as in the model. */
export class Recorder {
  private readonly listening = new AbortController();
  private readonly followed: FollowedText;
  private events: EventRecord[] = [];
  private refusedBy: string | null = null;

  constructor(
    readonly element: TypedElement,
    kind: FieldKind,
    private readonly guards: readonly Guard[],
  ) {
    this.followed = new FollowedText(element, tellsSelection(kind));
    const { signal } = this.listening;
    // Guards are attached first: a record says whether the event was prevented when other listeners saw it.
    element.addEventListener('beforeinput', (event) => this.guard(event as InputEvent), { signal });
    for (const type of recordedEvents)
      element.addEventListener(type, (event) => this.record(event), { signal });
    element.form?.addEventListener('submit', (event) => this.record(event), { signal });
  }

  take(): TypedSoFar {
    const { events, refusedBy } = this;
    this.events = [];
    this.refusedBy = null;
    return {
      events,
      guard: refusedBy,
      text: this.followed.text,
      caret: this.followed.caret,
      value: this.element.value,
      focused: document.activeElement === this.element,
    };
  }

  stop(): void {
    this.listening.abort();
  }

  private guard(event: InputEvent): void {
    const inserted = event.data ?? event.dataTransfer?.getData('text/plain') ?? '';
    const buffer = this.followed.current();
    const decision = decideBeforeInsert(this.guards, {
      oldText: buffer.text,
      newText: insertText(buffer, inserted).text,
      inserted,
    });
    if (decision.pass) return;
    event.preventDefault();
    this.refusedBy = decision.guard;
  }

  private record(event: Event): void {
    const key = event instanceof KeyboardEvent ? event : null;
    const input = event instanceof InputEvent ? event : null;
    if (event.type === 'keydown' && key && !event.defaultPrevented) this.followed.keyDown(key.key);
    if (event.type === 'input') this.followed.input(input?.inputType ?? '', input?.data ?? null);
    this.events.push({
      type: event.type as EventRecord['type'],
      key: key?.key ?? null,
      code: key?.code ?? null,
      inputType: input?.inputType ?? null,
      data: input?.data ?? null,
      value: this.element.value,
      trusted: event.isTrusted,
      prevented: event.defaultPrevented,
    });
  }
}
