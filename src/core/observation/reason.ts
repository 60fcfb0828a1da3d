import { trialReasons } from '../document/trial-value';
import { notARequestReasons } from '../standard/form-submission';

/** Why a question has no answer: of the field, and of what the target makes of it. */
export const fieldReasons = [
  ...trialReasons,
  'not drawn',
  'no room',
  'not in page',
  'no focus',
  'focus taken away',
  'nothing opens',
  'no keys',
  'no script',
  'no name',
  'native field',
  'not exposed',
] as const;

/** The same of the observer: it cannot be asked this, whatever the target is, so that it tells nothing about the target. */
export const observerReasons = [
  'page sees no windows',
  'page presses no keys',
  'page presses no buttons',
  'page submits nothing',
  'model draws nothing',
  'model knows no parts',
  'model knows no page',
  'model knows no name',
  'model knows no widget',
  'remote display',
  'page sees no accessibility tree',
] as const;

export type ReasonCode = (typeof fieldReasons)[number] | (typeof observerReasons)[number];

/** Why a question has no answer for a field. Its sentence is made in `words/`. */
export type Reason =
  | { readonly code: ReasonCode }
  /** A file of before version 4 says what this Ukko does not know. */
  | { readonly code: 'older'; readonly text: string };

/** True where a reason tells nothing about the target. */
export function isOfObserver({ code }: Reason): boolean {
  return (observerReasons as readonly string[]).includes(code);
}

/** Why nothing of a form was sent, where no field was in the way. */
export const unsentCodes = ['no request', 'no line of text', 'no form', ...notARequestReasons] as const;
export type UnsentCode = (typeof unsentCodes)[number];

/** What a page of the developer's own did where it sent nothing: other fields came in place of some, or fields went and none came. */
export const progressCodes = ['next step', 'form gone'] as const;
export type ProgressCode = (typeof progressCodes)[number];

export type Unsent =
  | { readonly code: UnsentCode }
  /** The page's policy lets forms be sent there alone (CSP, "form-action"). */
  | { readonly code: 'policy'; readonly allowed: string }
  /** With what came to be read. */
  | { readonly code: ProgressCode; readonly reads: readonly string[] }
  | { readonly code: 'older'; readonly text: string };

/** Nothing came of an attempt to send, and nobody knows why. */
export const noRequest: Unsent = { code: 'no request' };

/** Why a stroke could not be made for real. */
export const unmadeCodes = [
  'caret not settable',
  'no input method',
  'no such route',
  'tab from outside',
  'not clickable',
  'no clipboard program',
  'clipboard refuses',
  'page has no clipboard',
  'no display',
  'remote display',
] as const;
export type UnmadeCode = (typeof unmadeCodes)[number];

export type Unmade = { readonly code: UnmadeCode } | { readonly code: 'older'; readonly text: string };
