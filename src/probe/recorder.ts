import type { FieldKind } from '@/core/form/field';
import { isTypedText } from '@/core/form/field';
import type { Guard } from '@/core/guard/guard';
import { domEvents, type EventRecord } from '@/core/observation/event-record';
import { type AttachedGuards, attachGuards } from './attach-guards';
import type { TypedSoFar } from './probe-api';

export type TypedElement = HTMLInputElement | HTMLTextAreaElement;

/** Records what listeners on one field see, and lets guards act on it: the same core code as in the model. */
export class Recorder {
  private readonly listening = new AbortController();
  private readonly attached: AttachedGuards;
  private events: EventRecord[] = [];
  private refusedBy: string | null = null;
  private rewrittenBy: readonly string[] = [];
  private endless: string | null = null;

  constructor(
    readonly element: TypedElement,
    private readonly kind: FieldKind,
    guards: readonly Guard[],
  ) {
    const { signal } = this.listening;
    // Guards are attached first: a record says whether the event was prevented when other listeners saw it.
    this.attached = attachGuards(element, guards, {
      refused: (guard) => {
        this.refusedBy ??= guard;
      },
      rewrote: (by) => {
        this.rewrittenBy = by;
      },
      endless: (guard) => {
        this.endless = guard;
      },
    });
    for (const type of domEvents) element.addEventListener(type, (event) => this.record(event), { signal });
    element.form?.addEventListener('submit', (event) => this.record(event), { signal });
  }

  take(): TypedSoFar {
    const { events, refusedBy, rewrittenBy, endless } = this;
    this.events = [];
    this.refusedBy = null;
    this.rewrittenBy = [];
    this.endless = null;
    const isText = isTypedText(this.kind);
    return {
      events,
      guard: refusedBy,
      rewrittenBy,
      endless,
      text: isText ? this.attached.followed.text : this.value,
      caret: isText ? this.attached.followed.caret : { start: 0, end: 0 },
      value: this.value,
      focused: document.activeElement === this.element,
    };
  }

  stop(): void {
    this.attached.detach();
    this.listening.abort();
  }

  private get value(): string {
    const { element } = this;
    const checkable = element.type === 'checkbox' || element.type === 'radio';
    return checkable ? `checked:${(element as HTMLInputElement).checked}` : element.value;
  }

  private record(event: Event): void {
    const key = event instanceof KeyboardEvent ? event : null;
    const input = event instanceof InputEvent || event instanceof CompositionEvent ? event : null;
    this.events.push({
      type: event.type as EventRecord['type'],
      key: key?.key ?? null,
      code: key?.code ?? null,
      // A step of a number field raises input events without a type.
      inputType: event instanceof InputEvent ? event.inputType || null : null,
      data: input?.data ?? null,
      value: this.value,
      trusted: event.isTrusted,
      prevented: event.defaultPrevented,
    });
  }
}
