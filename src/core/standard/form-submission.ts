import { validityOf } from './constraint-validation';
import type { ControlState } from './control-state';
import { type Deviations, noDeviations } from './deviations';
import { type ChosenFile, constructEntryList, type Entry } from './entry-list';
import { type Bytes, type Enctype, encodeEntries, enctypes, plain, urlencoded } from './form-encodings';
import { constraintsInGroup, radioGroupOf } from './radio-group';
import { outputEncoding, windows1252 } from './text-encodings';

/** A form with the controls that it owns. */
export interface FormState {
  readonly attributes: Readonly<Record<string, string>>;
  /** In tree order. */
  readonly controls: readonly ControlState[];
}

export interface Submission {
  /** Ordinal of the button that was pressed; null when the form is sent without one. */
  readonly submitter: number | null;
  readonly files?: ReadonlyMap<number, readonly ChosenFile[]>;
  readonly clickedAt?: { readonly x: number; readonly y: number };
  /** The address of the page, against which the action is read. */
  readonly base: string;
  readonly boundary: string;
}

/** Why the algorithm ends without a request: what was pressed is no submit button, the method is dialog, or the action leads nowhere. */
export const notARequestReasons = ['no submit button', 'dialog', 'no address', 'no server'] as const;
export type NotARequest = (typeof notARequestReasons)[number];

export type SubmissionOutcome =
  | {
      readonly status: 'sent';
      readonly method: 'GET' | 'POST';
      readonly url: string;
      readonly contentType: string | null;
      readonly body: Bytes;
      readonly entries: readonly Entry[];
      readonly encoding: string;
    }
  /** The first control, in tree order, that is not valid. */
  | { readonly status: 'blocked'; readonly by: ControlState; readonly invalid: readonly ControlState[] }
  | { readonly status: 'not a request'; readonly why: NotARequest };

/** HTML Standard, "Form submission algorithm", as far as a network request. */
export function submit(
  form: FormState,
  submission: Submission,
  deviations: Deviations = noDeviations,
): SubmissionOutcome {
  const submitter = form.controls.find(({ control }) => control.ordinal === submission.submitter) ?? null;
  if (submitter && !isSubmitter(submitter)) return { status: 'not a request', why: 'no submit button' };
  const novalidate =
    'novalidate' in form.attributes || (submitter !== null && 'formnovalidate' in submitter.attributes);
  const invalid = novalidate ? [] : invalidControls(form.controls, deviations);
  const [first] = invalid;
  if (first) return { status: 'blocked', by: first, invalid };
  return request(form, submitter, submission, deviations);
}

/** HTML Standard, "Categories", submit buttons; one that is disabled does nothing. */
function isSubmitter({ kind, attributes, control }: ControlState): boolean {
  return (
    (kind === 'submit' || kind === 'image') && !('disabled' in attributes) && !control.disabledByFieldset
  );
}

/** HTML Standard, "Constraints", static validation: the submittable elements that are not valid. */
export function invalidControls(
  controls: readonly ControlState[],
  deviations: Deviations = noDeviations,
): ControlState[] {
  return controls.filter((state) => {
    const { flags, willValidate } = validityOf(
      constraintsInGroup(state, radioGroupOf(state, controls), deviations),
      deviations,
    );
    return willValidate && flags.length > 0;
  });
}

function request(
  form: FormState,
  submitter: ControlState | null,
  submission: Submission,
  deviations: Deviations,
): SubmissionOutcome {
  const own = (name: string) => submitter?.attributes[`form${name}`];
  const method = (own('method') ?? form.attributes.method ?? 'get').toLowerCase();
  if (method === 'dialog') return { status: 'not a request', why: 'dialog' };
  const action = own('action') || form.attributes.action || '';
  const url = URL.canParse(action, submission.base) ? new URL(action, submission.base) : null;
  if (!url) return { status: 'not a request', why: 'no address' };
  if (!/^https?:$/.test(url.protocol)) return { status: 'not a request', why: 'no server' };
  const encoding = encodingOf(form);
  const entries = constructEntryList(
    form.controls,
    {
      submitter: submission.submitter,
      encoding,
      ...(submission.files && { files: submission.files }),
      ...(submission.clickedAt && { clickedAt: submission.clickedAt }),
    },
    deviations,
  );
  url.hash = '';
  const sent = { status: 'sent', entries, encoding } as const;
  const asked = (own('enctype') ?? form.attributes.enctype ?? '').toLowerCase();
  const enctype: Enctype = enctypes.find((known) => known === asked) ?? 'application/x-www-form-urlencoded';
  const ownMethod = (form.attributes.method ?? 'get').toLowerCase();
  const writesPlain =
    enctype === 'text/plain' && (deviations.plainByOwnMethod ? ownMethod === 'post' : method === 'post');
  if (method !== 'post') {
    const written = writesPlain ? windows1252(plain(entries, encoding)) : urlencoded(entries, encoding);
    const hash = writesPlain && deviations.plainQueryEndsAtHash ? written.indexOf('#') : -1;
    url.search = hash < 0 ? written : written.slice(0, hash);
    // An empty query keeps its question mark.
    return {
      ...sent,
      method: 'GET',
      url: deviations.sentUrl(`${url.pathname}${url.search || '?'}`),
      contentType: null,
      body: '',
    };
  }
  const encoded =
    enctype === 'text/plain' && !writesPlain
      ? { contentType: enctype, body: urlencoded(entries, encoding) }
      : encodeEntries(entries, enctype, encoding, submission.boundary);
  return { ...sent, method: 'POST', url: deviations.sentUrl(url.pathname + url.search), ...encoded };
}

/** HTML Standard, "Form submission", picking an encoding for the form; pages under test are in UTF-8. */
function encodingOf({ attributes }: FormState): string {
  const labels = (attributes['accept-charset'] ?? '').split(/[\t\n\f\r ]+/).filter((label) => label !== '');
  return labels.map(outputEncoding).find((name) => name !== null) ?? 'UTF-8';
}
