import type { Guard } from '@/core/guard/guard';
import type { FieldKind } from '@/core/html/field';
import { isTypedText } from '@/core/html/field';
import { domEvents, type EventRecord } from '@/core/observation/event-record';
import type { TypedSoFar } from '../api/probe-api';
import { type AttachedGuards, attachGuards, type GuardReport } from './attach-guards';
import { domMembers } from './dom-members';
import { Pace } from './pace';
import { hasFocus, widgetValue } from './page-fields';

export type TypedElement = HTMLInputElement | HTMLTextAreaElement;

/** Records what listeners on one field see, and lets guards act on it: the same core code as in the model. */
export class Recorder {
  private readonly listening = new AbortController();
  /** Null for a widget: guards are written for controls. */
  private readonly attached: AttachedGuards | null;
  private events: { readonly event: Event; readonly record: EventRecord }[] = [];
  private readonly before = new WeakMap<Event, { readonly value: string; readonly at: number }>();
  private readonly took = new WeakMap<Event, number>();
  /** Null where the page has no listeners that it could slow down. */
  private readonly pace: Pace | null;
  private refusedBy: string | null = null;
  private rewrittenBy: readonly string[] = [];
  private endless: string | null = null;

  constructor(
    readonly element: TypedElement,
    private readonly kind: FieldKind,
    guards: readonly Guard[],
    /** The page has listeners of its own: what they leave of each event is recorded too. */
    private readonly hasOwn = false,
  ) {
    this.pace = hasOwn ? new Pace() : null;
    const { signal } = this.listening;
    if (hasOwn) this.watchListeners(signal);
    // Guards are attached first: a record says whether the event was prevented when other listeners saw it.
    this.attached = kind === 'widget' ? null : attachGuards(element, guards, this.guardReport());
    for (const type of domEvents) element.addEventListener(type, (event) => this.record(event), { signal });
    if (element.form)
      domMembers(element.form).addEventListener('submit', (event) => this.record(event), { signal });
  }

  private guardReport(): GuardReport {
    return {
      refused: (guard) => {
        this.refusedBy ??= guard;
      },
      rewrote: (by) => {
        this.rewrittenBy = by;
      },
      endless: (guard) => {
        this.endless = guard;
      },
    };
  }

  take(): TypedSoFar {
    const { refusedBy, rewrittenBy, endless } = this;
    const events = this.events.map((one, index) => this.settled(one, index));
    this.events = [];
    this.refusedBy = null;
    this.rewrittenBy = [];
    this.endless = null;
    const followed = isTypedText(this.kind) ? this.attached?.followed : undefined;
    return {
      events,
      guard: refusedBy,
      rewrittenBy,
      endless,
      text: followed?.text ?? this.value,
      caret: followed?.caret ?? { start: 0, end: 0 },
      value: this.value,
      focused: hasFocus(this.element),
      ...(this.pace && { slowness: this.pace.slowness() }),
    };
  }

  stop(): void {
    this.attached?.detach();
    this.listening.abort();
  }

  private get value(): string {
    const { element } = this;
    if (this.kind === 'widget') return widgetValue(element);
    const checkable = element.type === 'checkbox' || element.type === 'radio';
    return checkable ? `checked:${(element as HTMLInputElement).checked}` : element.value;
  }

  /** Before any listener of the page, and after all of them. */
  private watchListeners(signal: AbortSignal): void {
    const isOwn = (event: Event) => event.composedPath()[0] === this.element;
    for (const type of domEvents) {
      window.addEventListener(
        type,
        (event) => {
          if (isOwn(event)) this.before.set(event, { value: this.value, at: performance.now() });
        },
        { signal, capture: true },
      );
      window.addEventListener(
        type,
        (event) => {
          const before = this.before.get(event);
          if (before) this.took.set(event, performance.now() - before.at);
        },
        { signal },
      );
    }
  }

  /** A record with what came of the event after the field itself had heard it. */
  private settled({ event, record }: Recorder['events'][number], index: number): EventRecord {
    const before = this.before.get(event);
    if (!this.hasOwn || !before) return record;
    const isLastInput =
      record.type === 'input' && !this.events.slice(index + 1).some((later) => later.record.type === 'input');
    const took = this.took.get(event);
    return {
      ...record,
      value: before.value,
      prevented: event.defaultPrevented,
      ...(isLastInput && this.value !== before.value && { rewrittenTo: this.value }),
      ...(took !== undefined && { took: Math.round(took * 10) / 10 }),
    };
  }

  private record(event: Event): void {
    const key = event instanceof KeyboardEvent ? event : null;
    const input = event instanceof InputEvent || event instanceof CompositionEvent ? event : null;
    const record: EventRecord = {
      type: event.type as EventRecord['type'],
      key: key?.key ?? null,
      code: key?.code ?? null,
      // A step of a number field raises input events without a type.
      inputType: event instanceof InputEvent ? event.inputType || null : null,
      data: input?.data ?? null,
      value: this.value,
      trusted: event.isTrusted,
      prevented: event.defaultPrevented,
    };
    this.events.push({ event, record });
  }
}
