'use client';

import { useSyncExternalStore } from 'react';
import { type Lens, type LensState, lenses, lensStates } from '@/core/compare/lens';
import type { FormId } from '@/core/document/form-document';
import type { FindingId } from '@/core/finding/finding';
import type { FieldId } from '@/core/html/field';
import type { RunId } from '@/core/run/run';
import type { TargetId } from '@/core/target/target';
import { type Language, languages } from '@/core/target/variant';

/** What the Typing view shows of a field. */
export const typingParts = ['strokes', 'ways in', 'samples', 'rule'] as const;
export type TypingPart = (typeof typingParts)[number];

/** What the Keyboards view shows of a field. */
export const keyboardParts = ['keyboards', 'all settings', 'taps'] as const;
export type KeyboardPart = (typeof keyboardParts)[number];

/** Which findings are listed, by what was decided about them or by what is new since the baseline. */
export const findingFilters = ['open', 'new', 'mend', 'later', 'accept', 'all'] as const;
export type FindingFilter = (typeof findingFilters)[number];

/** What is selected: one selection for all views, kept in the address, so that a link opens what was seen. */
export interface Selection {
  readonly form: FormId | null;
  /** Null: the latest run of the form. */
  readonly run: RunId | null;
  readonly field: FieldId | null;
  readonly target: TargetId | null;
  readonly lens: Lens;
  readonly state: LensState;
  /** Index of a stroke in the Typing view. */
  readonly stroke: number | null;
  readonly typing: TypingPart;
  readonly keyboards: KeyboardPart;
  /** Of the person in front of the keyboards; null: that of the page. */
  readonly language: Language | null;
  /** The sweep that this one is compared with; null: targets are compared with the reference. */
  readonly against: RunId | null;
  /** Fields with the most differences first. */
  readonly byDifferences: boolean;
  readonly onlyDifferences: boolean;
  readonly closeUp: boolean;
  /** Null: the first of those that are listed. */
  readonly finding: FindingId | null;
  /** Where the findings are is shown, instead of one of them. */
  readonly overview: boolean;
  readonly findings: FindingFilter;
  /** How far the tour is; null: none is going on. */
  readonly tour: number | null;
}

/** Names in the address. */
const names: Readonly<Record<keyof Selection, string>> = {
  form: 'form',
  run: 'run',
  field: 'field',
  target: 'target',
  lens: 'lens',
  state: 'state',
  stroke: 'stroke',
  typing: 'typing',
  keyboards: 'keyboards',
  language: 'language',
  against: 'against',
  byDifferences: 'sort',
  onlyDifferences: 'differences',
  closeUp: 'closeup',
  finding: 'finding',
  overview: 'overview',
  findings: 'findings',
  tour: 'tour',
};

export function readSelection(parameters: URLSearchParams): Selection {
  const text = (name: keyof Selection) => parameters.get(names[name]) || null;
  const count = (name: keyof Selection) => {
    const number = Number.parseInt(text(name) ?? '', 10);
    return Number.isInteger(number) && number >= 0 ? number : null;
  };
  return {
    form: text('form') as FormId | null,
    run: text('run') as RunId | null,
    field: text('field') as FieldId | null,
    target: text('target') as TargetId | null,
    lens: lenses.find((lens) => lens === text('lens')) ?? 'look',
    state: lensStates.find((state) => state === text('state')) ?? 'closed',
    against: text('against') as RunId | null,
    byDifferences: text('byDifferences') !== null,
    typing: typingParts.find((part) => part === text('typing')) ?? 'strokes',
    keyboards: keyboardParts.find((part) => part === text('keyboards')) ?? 'keyboards',
    language: languages.find((language) => language === text('language')) ?? null,
    stroke: count('stroke'),
    tour: count('tour'),
    onlyDifferences: text('onlyDifferences') !== null,
    closeUp: text('closeUp') !== null,
    finding: text('finding') as FindingId | null,
    overview: text('overview') !== null,
    findings: findingFilters.find((filter) => filter === text('findings')) ?? 'open',
  };
}

/** The selection of an address without a query. */
export const nothingSelected: Selection = readSelection(new URLSearchParams());

/** The query of a selection; what stands at its default is left out. */
export function selectionQuery(selection: Selection): string {
  const parameters = new URLSearchParams();
  for (const key of Object.keys(names) as (keyof Selection)[]) {
    const value = selection[key];
    if (value !== null && value !== nothingSelected[key])
      parameters.set(names[key], value === true ? 'on' : String(value));
  }
  const query = parameters.toString();
  return query ? `?${query}` : '';
}

let current: Selection | null = null;
const listeners = new Set<() => void>();

/** The selection as it is now, for handlers that may run before the next render. */
export function currentSelection(): Selection {
  current ??= readSelection(new URLSearchParams(window.location.search));
  return current;
}

/**
 * Changes parts of the selection. The address follows; it is not read back, because the router writes it too and, when
 * keys come faster than it renders, has an older one there for a moment.
 */
export function changeSelection(change: Partial<Selection>): void {
  current = { ...currentSelection(), ...change };
  const address = `${window.location.pathname}${selectionQuery(current)}`;
  window.history.replaceState(null, '', address);
  for (const listener of listeners) listener();
}

function readAgain(): void {
  current = null;
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  if (listeners.size === 0) window.addEventListener('popstate', readAgain);
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) window.removeEventListener('popstate', readAgain);
  };
}

/** The selection, and a way to change parts of it. */
export function useSelection(): [Selection, (change: Partial<Selection>) => void] {
  const selection = useSyncExternalStore(subscribe, currentSelection, () => nothingSelected);
  return [selection, changeSelection];
}
