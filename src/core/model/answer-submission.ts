import { ownEntry } from '../html/own-entry';
import { pageOf } from '../html/page-controls';
import { type ControlState, parsedState, withFiles } from '../standard/control-state';
import { type Deviations, noDeviations } from '../standard/deviations';
import type { ChosenFile } from '../standard/entry-list';
import { submit } from '../standard/form-submission';
import { settledRadios } from '../standard/radio-group';
import type { SubmissionAnswer, SubmissionQuestion } from './submission-question';

/** Stands for the boundary, which every browser draws anew. */
export const boundary = 'BOUNDARY';

/** @returns null when nothing in the markup has the id that `by` names. */
export function answerSubmission(
  question: SubmissionQuestion,
  deviations: Deviations = noDeviations,
): SubmissionAnswer | null {
  const { controls, forms } = pageOf(question.html);
  const files = filesOf(question, controls);
  const page = settledRadios(controls.map((control) => parsedState(control, deviations))).map((state) =>
    withFiles(state, files.get(state.control.ordinal)?.length ?? 0),
  );
  const pressed = page.find(({ attributes }) => `#${attributes.id}` === question.by);
  if (!pressed) return null;
  const owner = pressed.control.form;
  const attributes = owner === null ? undefined : forms[owner];
  if (!attributes) return { noRequest: true, blockedBy: null };
  const outcome = submit(
    { attributes, controls: page.filter(({ control }) => control.form === owner) },
    {
      submitter: pressed.control.ordinal,
      files,
      clickedAt: middleOf(pressed),
      base: 'http://localhost/',
      boundary,
    },
    deviations,
  );
  if (outcome.status !== 'sent')
    return { noRequest: true, blockedBy: outcome.status === 'blocked' ? nameOf(outcome.by) : null };
  const { method, url, contentType, body } = outcome;
  return { method, url, contentType, ...readable(body), blockedBy: null };
}

function nameOf({ attributes, control }: ControlState): string {
  return attributes.id || attributes.name || control.element;
}

function filesOf(
  { files }: SubmissionQuestion,
  controls: readonly {
    readonly ordinal: number;
    readonly attributes: readonly { name: string; value: string }[];
  }[],
): Map<number, ChosenFile[]> {
  const chosen = new Map<number, ChosenFile[]>();
  for (const [selector, names] of Object.entries(files ?? {})) {
    const control = controls.find(({ attributes }) =>
      attributes.some(({ name, value }) => name === 'id' && `#${value}` === selector),
    );
    if (control) chosen.set(control.ordinal, names.map(emptyFile));
  }
  return chosen;
}

function emptyFile(name: string): ChosenFile {
  return { name, type: typeByName(name), content: '' };
}

const typesByExtension: Readonly<Record<string, string>> = {
  txt: 'text/plain',
  html: 'text/html',
  css: 'text/css',
  csv: 'text/csv',
  json: 'application/json',
  pdf: 'application/pdf',
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  svg: 'image/svg+xml',
};

function typeByName(name: string): string {
  const extension = /\.([a-z]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '';
  return ownEntry(typesByExtension, extension) ?? 'application/octet-stream';
}

/** A click lands in the middle; the size is told by the style or the attributes, else it is not known. */
function middleOf({ attributes }: ControlState): { x: number; y: number } {
  const size = (name: 'width' | 'height') =>
    Number(
      new RegExp(`(?:^|;)\\s*${name}:\\s*([\\d.]+)px`).exec(attributes.style ?? '')?.[1] ??
        attributes[name] ??
        0,
    );
  return { x: Math.floor(size('width') / 2), y: Math.floor(size('height') / 2) };
}

/** A body as text where it is UTF-8, else one byte a character. */
export function readable(body: string): { body: string; bodyIsLatin1Bytes?: true } {
  try {
    const bytes = Uint8Array.from(body, (byte) => byte.charCodeAt(0));
    return { body: new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes) };
  } catch {
    return { body, bodyIsLatin1Bytes: true };
  }
}
