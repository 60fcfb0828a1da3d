import type { PageStep } from '@/core/document/page-steps';
import type { FallbackPlan } from '@/core/fallback/fallback-plan';
import type { Guard } from '@/core/guard/guard';
import type { FieldKind } from '@/core/html/field';
import type { ValidityAnswer, ValidityQuestion } from '@/core/model/validity-question';
import type { Unsent } from '@/core/observation/reason';
import type { Size } from '@/core/observation/size';
import type { Doable, FormFound } from '@/core/page/page-sight';
import type { MadeRequest } from '@/core/page/real-sending';
import type { Contrast, StyleMark } from '@/core/questions/look/facts';
import type { TypedState } from '@/core/questions/typing/typing-step';
import type { Stroke } from '@/core/script/stroke';
import type { ChosenFile } from '@/core/standard/entry-list';
import type { ValidityFlag } from '@/core/standard/validity-flags';
import type { Received } from './askable-page';

/** A field as the probe finds it in its page: the ordinals of its controls. */
export interface ProbeField {
  readonly kind: FieldKind;
  readonly ordinals: readonly number[];
}

/** CSS px, relative to the document. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface FieldFacts {
  /** False once a page has taken the field out; there is nothing to tell of it then. */
  readonly isThere: boolean;
  readonly typeReflected: string;
  /** Around all controls of the field and the marks beside it; null when none is drawn. */
  readonly box: Box | null;
  /** Size of the first control, or of the label that stands for it. */
  readonly size: { readonly width: number; readonly height: number } | null;
  readonly value: string;
  readonly willValidate: boolean;
  readonly flags: readonly ValidityFlag[];
  readonly message: string;
  readonly sent: readonly string[];
  readonly font: string | null;
  readonly contrast: Contrast | null;
  readonly pseudoClasses: readonly string[];
  readonly marks: readonly StyleMark[];
  /** Styles keep it out of sight, and its label stands for it. */
  readonly isDrawnByLabel: boolean;
}

/** What answers about fields depend on in their page, as texts: as long as they are the same, so are the answers. */
export interface Surroundings {
  /** What concerns every field. */
  readonly common: string;
  /** What the styles of an element come to; many have the same. */
  readonly styles: readonly string[];
  readonly fields: readonly {
    /** What the field is and where it stands, with what is drawn right beside it. */
    readonly near: string;
    /** What pictures of a bubble at it, and of what opens there, may show of the page besides. */
    readonly underBubble: string;
    readonly underPopUp: string;
    /** Those of its controls and labels, as indices. */
    readonly styles: readonly number[];
  }[];
}

/** What came of the strokes since it was told last; whether the field has the focus now. */
export interface TypedSoFar extends Omit<TypedState, 'hadFocus'> {
  /** How much longer than usual a fixed piece of work took meanwhile, 1 for as usual; not given where nothing was timed. */
  readonly slowness?: number;
  readonly focused: boolean;
}

export interface PlanApplied {
  readonly native: boolean;
  readonly loaded: boolean;
}

/** What the script inside a page under test can be asked. Everything in and out is plain data, but for `controlAt`. */
export interface ProbeApi {
  /** Makes drawing repeatable: no caret, no transitions. */
  settle(): void;
  /** Fields as they were parsed: values, flags and focus. */
  reset(): void;
  /** Sets values as a script does; null leaves a field alone. */
  fill(fields: readonly ProbeField[], values: readonly (string | null)[]): void;
  /** Chooses files as a script does; fields of other kinds are left alone. */
  chooseFiles(fields: readonly ProbeField[], files: readonly (readonly ChosenFile[])[]): void;
  /** Sends the form of a control as a script does. */
  sendByScript(control: ProbeField, method: 'requestSubmit' | 'submit'): void;
  /** As pressing the first submit button would, except that nothing is sent and focus leaves again. */
  attemptToSend(): void;
  /** False when the field did not take focus. */
  focus(field: ProbeField): boolean;
  describe(fields: readonly ProbeField[]): FieldFacts[];
  /** Of a page that has just loaded and whose scripts do not run. */
  surroundings(fields: readonly ProbeField[]): Surroundings;
  /** Boxes around the controls of each field alone; null when none is drawn. */
  controlBoxes(fields: readonly ProbeField[]): (Box | null)[];
  /** What each field shows as text, see `textShownBy`; focus goes through them all, so what it brings out is there afterwards. */
  textsShown(fields: readonly ProbeField[]): (string | null)[];
  /** What `describe` gives as the value, and nothing else. */
  valueOf(field: ProbeField): string;
  /** What a person meets who wants to enter something into a field. */
  entryState(field: ProbeField): EntryState;
  /** Begins to wait for what the page does about what was done just now. */
  waitForQuiet(): void;
  /** Whether no short timer of the page is under way and nothing has changed for two frames since. */
  isQuiet(): boolean;
  /** Disables fields until `reset`. */
  disable(fields: readonly ProbeField[]): void;
  /** Applies a stylesheet over all others, in place of the one before; null takes it away. */
  restyle(css: string | null): void;
  /** Sizes of the first controls with the attributes that set limits taken away for a moment; null where there are none. */
  sizesWithoutLimits(fields: readonly ProbeField[]): (Size | null)[];
  /** Scrolls the field into the middle of the viewport. @returns its box in CSS px of the viewport, or null when it is not drawn. */
  bringIntoSight(field: ProbeField): Box | null;
  /** The field's box in CSS px of the viewport, as it stands. */
  placeInViewport(field: ProbeField): Box | null;
  /** The box of each of the field's controls that is drawn, CSS px of the viewport: one may open over another. */
  placesInViewport(field: ProbeField): Box[];
  /** The inside of the field's first control, within its border and padding, CSS px of the viewport: its buttons are in there. */
  insideInViewport(field: ProbeField): Box | null;
  /** Keeps in mind what lies over the page now. */
  rememberOverlays(): void;
  /** True when something lies over the page that did not then. */
  overlayCame(): boolean;
  /** Keeps in mind which fields are in sight now. */
  rememberFields(): void;
  /** What those are called that are in sight now and were not then; empty for one that has no name of its own. */
  fieldsCame(): string[];
  /** Lets the field report its validity, as at an attempt to send; with or without its `title`. */
  report(field: ProbeField, withTitle: boolean): void;
  /** Lets the form of this button be sent, to a place under `receiver` alone, until `reset`. @returns why it cannot be sent, or null. */
  mayBeSent(button: ProbeField, receiver: string): Unsent | null;
  /** Ordinals of the controls that were not valid at the last attempt to send, in order, with their messages. */
  whatBlocked(): readonly { readonly ordinal: number; readonly message: string }[];
  /** Keeps in mind what can be read in the page and where the focus is. */
  rememberPage(): void;
  /** What scripts of the page have done since then to say that the form is not sent. */
  heldBack(): HeldBack;
  /** Where the page's own policy lets forms be sent, if it kept one from being sent since then; else null. */
  allowedByPolicy(): string | null;
  /** Puts a plan into the page in place of the field's control, until the page is loaded again. */
  applyPlan(field: ProbeField, plan: FallbackPlan, withScripts: boolean): PlanApplied;
  /** Whether one of the field's controls has the focus now. */
  hasFocus(field: ProbeField): boolean;
  /** Gives the focus to the plan's control of this index; false when there is none. */
  focusPlan(index: number): boolean;
  /** Where the plan is, CSS px of the document, and which entries it puts into the entry list. */
  describePlan(): { readonly box: Box | null; readonly sent: readonly string[] };
  /**
   * From now on one of the page's forms is the form under test, and the page's own scripts send nothing.
   * @param signs of its controls as they were read, by their ordinals; null where nothing is known
   */
  within(form: number, signs: readonly (ControlSign | null)[]): void;
  /** As `within`, but everything is sent to where the page sends it; the person said so. */
  withinForReal(form: number, signs: readonly (ControlSign | null)[]): void;
  /** What the page's own scripts have sent since then. */
  requestsMade(): readonly MadeRequest[];
  /** The forms of the page. */
  formsHere(): FormFound[];
  /** How many controls one of the page's forms has now, see `within`; 0 where there is no such form. */
  controlsIn(form: number, signs: readonly (ControlSign | null)[]): number;
  /** A control of the form under test, for scripts inside the page alone: no protocol carries it out. */
  controlAt(ordinal: number): Element | null;
  /** An `id` by which each field's first control is found from outside, its own or one that it has until `reset`; null for one that is gone. */
  idsFor(fields: readonly ProbeField[]): readonly (string | null)[];
  /** What can be pressed and filled in the page as it stands, in the order in which it is drawn; boxes in the document. */
  doableHere(): Doable[];
  /** Does one step before the form is there. @returns false while what it is about is not there */
  doStep(step: PageStep): boolean;
  /** What the page's own scripts would have sent since the last time. */
  caught(): readonly Received[];
  readsRightToLeft(): boolean;
  /** The browser's own language reads from right to left, whatever the page is written in. */
  speaksRightToLeft(): boolean;
  /** All that one can scroll to, CSS px; left of where scrolling begins it is negative. */
  documentBox(): Box;
  /** Attaches the guards, starts recording and, unless the script does that by itself, gives focus by script. */
  beginTyping(field: ProbeField, guards: readonly Guard[], focusFirst: boolean): void;
  /** What happened since the last time. */
  takeTyped(): TypedSoFar;
  /** Carries a stroke out with events that a script makes, and edits as the browser's own editing command does. */
  strike(stroke: Stroke): void;
  /** Puts the selection; false for kinds that do not let a script do that. */
  select(field: ProbeField, start: number, end: number): boolean;
  /** Takes the focus away, as a click beside the field does. */
  leave(field: ProbeField): void;
  endTyping(): void;
  /** Answers questions about markup of their own; for calibrating the model. */
  validity(questions: readonly ValidityQuestion[]): ValidityAnswer[];
}

/** A field as it stands before something is entered into it. */
export interface EntryState {
  /** False once the page has taken it out. */
  readonly isThere: boolean;
  readonly isDisabled: boolean;
  readonly isReadOnly: boolean;
  /** As `describe` gives it. */
  readonly value: string;
  /** Its kind as the engine has it: one that it does not know is a text box. Null for elements without a type. */
  readonly type: string | null;
  /** Null for a field that is no combobox (WAI-ARIA). */
  readonly list: ListState | null;
}

/** A list of options that a page draws at a text box. */
export interface ListState {
  readonly isOpen: boolean;
  /** One of its options is the one that Enter takes. */
  readonly hasActive: boolean;
  /** What can be read in and around the text box, its label among it. */
  readonly reads: string;
}

export const probeGlobal = 'ukkoProbe';

/** What a page that was left, or loaded anew, says when it is asked. */
export const probeGone = 'the probe is gone';

/** An expression for the probe in a page. */
export const probeHere = `(window.${probeGlobal} ?? (() => { throw new Error('${probeGone}'); })())`;

/** What is told of a page whose own scripts kept its form from being sent. */
export interface HeldBack {
  /** Ordinal of the control that the focus went to since then; null when it went to none. */
  readonly focused: number | null;
  /** Ordinals of the controls that the page marks as not valid (WAI-ARIA, "aria-invalid"). */
  readonly invalid: readonly number[];
  /** Lines that can be read now and could not then. */
  readonly words: readonly string[];
  /** What became of the page's fields: some are drawn that were not then, some are no longer drawn. */
  readonly fields: { readonly came: boolean; readonly went: boolean };
}

/** What tells a control from the others of its form when a page draws it anew: its element, its name and its `type` as written. */
export interface ControlSign {
  /** Of the element, in lower case. */
  readonly element: string;
  readonly name: string;
  readonly type: string;
}
