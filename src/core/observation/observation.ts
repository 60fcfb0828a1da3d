import type { PlanName } from '../fallback/fallback-plan';
import type { FieldId } from '../form/field';
import type { Guard } from '../guard/guard';
import type { KeyboardAsked } from '../keyboard/content-purpose';
import type { Script } from '../script/stroke';
import type { ValidityFlag } from '../standard/validity-flags';
import type { TargetId } from '../target/target';
import type { EventRecord } from './event-record';
import type { PictureId } from './picture';
import type { Provenance } from './provenance';

/**
 * The questions that every observer answers about a page; one file each in the model, the engines and the probe. In the
 * order in which they are asked: what is made of the parts is told from what opened, and typing leaves the most traces.
 */
export const pageQuestions = [
  'look',
  'message',
  'opening',
  'bubble',
  'parts',
  'submission',
  'fallback',
  'typing',
] as const;
export type PageQuestion = (typeof pageQuestions)[number];

/** *keyboard* needs a screen with an on-screen keyboard: it is asked of a phone-sized display or a device, apart from sweeps. */
export const questions = [...pageQuestions, 'keyboard'] as const;
export type Question = (typeof questions)[number];

export const controlStates = [
  'closed',
  'focused',
  'filled',
  'invalid',
  'disabled',
  'optimal',
  'suboptimal',
  'poor',
  'indeterminate',
] as const;
/**
 * *invalid* is after an attempt to send. *optimal*, *suboptimal* and *poor* are a meter with its value in each of the
 * three regions that it has (HTML Standard, "The meter element"); *indeterminate* is a progress without a value.
 */
export type ControlState = (typeof controlStates)[number];

/** CSS px. */
export interface Size {
  readonly width: number;
  readonly height: number;
}

/** What a kind of field is made of, as far as it is known. */
export const controlParts = [
  'text box',
  'picker button',
  'spin button',
  'slider',
  'swatch',
  'list',
  'clear button',
  'check mark',
  'radio mark',
  'button',
  'bar',
  'text area',
  'text',
] as const;
export type ControlPart = (typeof controlParts)[number];

/** Contrast ratios (WCAG 2.2, "contrast ratio"), from the colours that the target computed; null where there is nothing to contrast. */
export interface Contrast {
  readonly text: number | null;
  readonly placeholder: number | null;
}

/** Text that the form's own styles put beside a field. */
export interface StyleMark {
  /** The element and pseudo-element that it belongs to: `small::before`. */
  readonly by: string;
  readonly text: string;
}

export interface LookFacts {
  /** What the element's `type` reflects; an input of a kind that the target lacks says `text`. */
  readonly typeReflected: string;
  /** Null where nobody measured it, and for fields that are not drawn. */
  readonly size: Size | null;
  /** The value as a script reads it; empty for a checkbox or radio group with nothing checked. */
  readonly value: string;
  /** What it shows as text, as far as the page can know; null where that is kept from the page, and where nobody asked. */
  readonly textShown: string | null;
  /** Entries that the field puts into the form's entry list now; null where nobody asked. */
  readonly sent: readonly string[] | null;
  /** Size and family that the target computed for the text of the control. */
  readonly font: string | null;
  readonly contrast: Contrast | null;
  /** State pseudo-classes in effect; null where nobody asked. */
  readonly pseudoClasses: readonly string[] | null;
  readonly marks: readonly StyleMark[] | null;
  /** Styles keep the control out of sight: size and picture are those of its label, which a person sees and presses instead. */
  readonly drawnBy?: 'label';
  /** It has the focus, and nothing on it or near it shows that: the page looks as it does without. */
  readonly focusUnseen?: boolean;
  /** It is drawn in motion: the picture is one moment of it, and no two are alike. */
  readonly moves: boolean;
  readonly picture: PictureId | null;
}

/** Why nothing is said of a field that has the focus: it never gets it. */
export const takesNoFocus = 'The field does not take focus.';

/** Of a look, what only a page that is drawn can tell; here not asked. */
export const lookNotAsked = {
  textShown: null,
  sent: null,
  font: null,
  contrast: null,
  pseudoClasses: null,
  marks: null,
  moves: false,
} as const satisfies Partial<LookFacts>;

/** What a control shows of its value: text one can read, a picture alone (a slider, a swatch, a check), or nothing. */
export const showings = ['text', 'picture', 'nothing'] as const;
export type Showing = (typeof showings)[number];

export interface DetectedPart {
  readonly part: ControlPart;
  /** What made the observer say so: what was done, and what came of it. */
  readonly how: string;
}

export interface PartsFacts {
  readonly parts: readonly DetectedPart[];
  /** The parts that were looked for; what is not among them may be there unseen. */
  readonly lookedFor: readonly ControlPart[];
  /** Null where it cannot be told. */
  readonly shows: Showing | null;
  /** Parts of a date or time from left to right, as drawn; null for other kinds and where nobody looked. */
  readonly order: readonly string[] | null;
  /** Whether an hour past noon is drawn as on a clock of 12 hours; null for kinds without hours. */
  readonly clock: '12 hours' | '24 hours' | null;
  /** Size with `min`, `max`, `step`, `maxlength` and `minlength` taken away; null where there are none. */
  readonly sizeWithoutLimits: Size | null;
}

export const sides = ['left', 'top', 'right', 'bottom'] as const;
export type Side = (typeof sides)[number];

export interface OpeningFacts {
  /** What a person did when something opened; null when nothing did, whatever was tried. */
  readonly opened: string | null;
  /** What was tried, in order. */
  readonly tried: readonly string[];
  /** Of what opened, CSS px. */
  readonly popUp: Size | null;
  /** Sides of the page's window that it reaches past. */
  readonly leaves: readonly Side[];
  readonly picture: PictureId | null;
}

export interface BubbleFacts {
  /** What was set before the field was asked to report. */
  readonly tried: string;
  readonly shown: boolean;
  readonly popUp: Size | null;
  readonly leaves: readonly Side[];
  /** Whether the bubble is another one without the author's `title`; null where there is no title, or no bubble. */
  readonly showsTitle: boolean | null;
  readonly picture: PictureId | null;
}

/** A plan, tried in a target. */
export interface PlanOutcome {
  readonly plan: PlanName;
  /** The target knows the kind of the field, so that no fallback is needed there. */
  readonly native: boolean;
  /** The plan put something of its own in place of the control or over it. */
  readonly loaded: boolean;
  /** What was typed, or chosen by typing; empty where the value was set, because the target has a picker of its own. */
  readonly typed: readonly string[];
  /** Entries of the entry list afterwards. */
  readonly sent: readonly string[];
  /** With what was typed in it. */
  readonly picture: PictureId | null;
}

export interface FallbackFacts {
  readonly plans: readonly PlanOutcome[];
}

/** What came of pressing a button that sends. */
export type Sending =
  | {
      readonly status: 'sent';
      readonly method: string;
      /** Path and query, as the server got them. */
      readonly url: string;
      readonly contentType: string | null;
      /** One byte a character; the boundary of several parts is `BOUNDARY`. */
      readonly body: string;
    }
  /**
   * Nothing left the page: `by` is the first field that is not valid, `invalid` all of them in order. Where the page's own
   * scripts kept it back, `by` is where they put the focus, `message` what came to be read, `invalid` what they mark so.
   */
  | {
      readonly status: 'blocked';
      readonly by: FieldId | null;
      readonly message: string | null;
      readonly invalid: readonly FieldId[];
      readonly heldBy?: 'page';
    }
  | { readonly status: 'nothing'; readonly why: string };

/** Why nothing came of an attempt to send. */
export const nothingSent = 'Nothing was sent, and no field was in the way.';

/** What comes of the other ways to send a form, while it is as it was at first. */
export interface OtherWays {
  /** Enter in its first field of one line of text. */
  readonly enter: Sending;
  /** By script. */
  readonly requestSubmit: Sending;
  readonly submit: Sending;
}

export interface SubmissionFacts {
  /** Pressed while the form is as it was at first. */
  readonly asIs: Sending;
  /** Pressed while every field has a value that it takes. */
  readonly filled: Sending;
  /** Of the form's first button that sends; null for its other buttons. */
  readonly others: OtherWays | null;
}

export interface MessageFacts {
  /** What was set before the attempt to send. */
  readonly tried: string;
  readonly willValidate: boolean;
  readonly flags: readonly ValidityFlag[];
  /** The target's own words; null where nobody knows them. */
  readonly message: string | null;
  /** Whether the author's `title` is among the words; null where there is none. */
  readonly saysTitle: boolean | null;
}

export interface Caret {
  readonly start: number;
  readonly end: number;
}

export interface TypingStep {
  /** The text in the field. Kinds that do not tell it are followed from the events; see `followed`. */
  readonly text: string;
  readonly caret: Caret;
  /** The value as a script reads it. */
  readonly value: string;
  /** The stroke asked for a text that did not come about. */
  readonly refused: 'guard' | 'target' | null;
  /** Id of the guard, when one refused. */
  readonly guard: string | null;
  /** Ids of the guards that rewrote the text after the stroke; not given when none did. */
  readonly rewrittenBy?: readonly string[];
  /** Id of a guard that was stopped because it would have rewritten for ever. */
  readonly endless?: string;
  readonly events: readonly EventRecord[];
}

export interface TypingFacts {
  readonly script: Script;
  readonly guards: readonly Guard[];
  /** Text and caret are followed from the events, because this kind does not tell them to a script. */
  readonly followed: boolean;
  /** One for each stroke, as far as the target could be asked. */
  readonly steps: readonly TypingStep[];
  /** Why the strokes behind the last step were not made; not given when all were. */
  readonly stoppedBy?: string;
}

/** Of what a device's browser asks its keyboard for, and of which one came up, a page is told nothing. */
export const untold = 'untold';

/** What an on-screen keyboard did when a finger tapped a field. */
export interface KeyboardFacts {
  /** What the engine asked for; null when it asked for nothing. */
  readonly asked: KeyboardAsked | null | typeof untold;
  /** The layout that the keyboard chose, by its own name: `number/us`. Null when no keyboard came up. */
  readonly layout: string | null | typeof untold;
  /** Height of what is visible of the page, before and with the keyboard, CSS px. */
  readonly height: { readonly before: number; readonly with: number };
  /** Whether the whole of the focused field is still in sight. */
  readonly fieldInSight: boolean;
  /** What the page saw of the keys that were tapped; null when no keyboard came up, or no key was tapped. */
  readonly tapped: readonly TappedEvent[] | null;
  readonly picture: PictureId | null;
}

export type TappedEvent = Pick<EventRecord, 'type' | 'key' | 'inputType' | 'data' | 'value'> & {
  /** The key on the screen that raised it; not given where one key alone was tapped. */
  readonly by?: string;
};

export type Outcome<Facts> =
  | { readonly status: 'answered'; readonly facts: Facts }
  /** The question has no answer for this field. */
  | { readonly status: 'inapplicable'; readonly reason: string }
  /** It has one, but the observer could not get it. */
  | { readonly status: 'failed'; readonly reason: string };

interface Answer<Q extends Question, Facts> {
  readonly field: FieldId;
  readonly target: TargetId;
  readonly provenance: Provenance;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly question: Q;
  readonly outcome: Outcome<Facts>;
}

export interface LookObservation extends Answer<'look', LookFacts> {
  readonly state: ControlState;
}
export type MessageObservation = Answer<'message', MessageFacts>;
export type OpeningObservation = Answer<'opening', OpeningFacts>;
export type BubbleObservation = Answer<'bubble', BubbleFacts>;
export type PartsObservation = Answer<'parts', PartsFacts>;
export type SubmissionObservation = Answer<'submission', SubmissionFacts>;
export type FallbackObservation = Answer<'fallback', FallbackFacts>;
export type TypingObservation = Answer<'typing', TypingFacts>;
export type KeyboardObservation = Answer<'keyboard', KeyboardFacts>;

/** One answer: field × target × question, with its facts and its provenance. */
export type Observation =
  | LookObservation
  | MessageObservation
  | OpeningObservation
  | BubbleObservation
  | PartsObservation
  | SubmissionObservation
  | FallbackObservation
  | TypingObservation
  | KeyboardObservation;

export type ObservationKey = string & { readonly brand: 'ObservationKey' };

/** The key by which a later answer to the same question replaces an earlier one within a run. */
export function observationKey(o: Observation): ObservationKey {
  const state = o.question === 'look' ? `/${o.state}` : '';
  return `${o.target}|${o.provenance.mark}|${o.question}${state}|${o.field}` as ObservationKey;
}
