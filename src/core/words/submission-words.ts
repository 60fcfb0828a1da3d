import type { FieldKind } from '../html/field';
import type { UnsentField } from '../model/unsent-fields';
import type { WayOutcome } from '../model/ways-to-send';
import type { NoImplicitSubmission } from '../standard/implicit-submission';

/** What becomes of a way to send a form, and what a person sees of it. */
export function wayWords(outcome: WayOutcome): { readonly result: string; readonly seen: string } {
  switch (outcome.does) {
    case 'sends':
      return {
        result: `sent${outcome.invalid === 0 ? '' : `, though ${fieldsAre(outcome.invalid)} not valid`}${byDefault(outcome.by)}`,
        seen: seenWhenSent(outcome),
      };
    case 'stops':
      return {
        result: `stopped${byDefault(outcome.by)}`,
        seen: `a message at ${outcome.at ?? 'a field'}, and the focus there`,
      };
    case 'has no button':
      return {
        result: 'nothing: there is no button',
        seen: 'neither a button nor which of the fields is wrong',
      };
    case 'nothing':
      return { result: 'nothing', seen: noImplicitText(outcome.why) };
  }
}

function seenWhenSent({ invalid, isSilent }: Extract<WayOutcome, { does: 'sends' }>): string {
  if (invalid === 0) return 'the next page';
  return `nothing of what is wrong${isSilent ? '; no submit event either' : ''}`;
}

function byDefault(label: string | null): string {
  return label === null ? '' : `, as by ${label}`;
}

function fieldsAre(count: number): string {
  return count === 1 ? '1 field is' : `${count} fields are`;
}

/** Why Enter sends nothing. */
function noImplicitText(why: NoImplicitSubmission): string {
  switch (why.code) {
    case 'default button disabled':
      return 'The first submit button is disabled.';
    case 'several fields':
      return `There is no button, and ${why.fields} fields block it.`;
  }
}

const kindNames: Partial<Record<FieldKind, string>> = {
  output: 'an output',
  meter: 'a meter',
  progress: 'a progress bar',
  button: 'a plain button',
  reset: 'a reset button',
};

/** Why a button never sends a field, to be read behind its label. */
export function unsentFieldClause({ why, kind }: Pick<UnsentField, 'why' | 'kind'>): string {
  switch (why) {
    case 'never sent':
      return `${kindNames[kind] ?? kind} is never sent`;
    case 'disabled':
      return 'it is disabled';
    case 'in a datalist':
      return 'it is inside a datalist';
    case 'widget':
      return 'it is no control of the form, and only a script can send it';
    case 'no name':
      return 'it has no name';
    case 'no form':
      return 'it belongs to no form';
    case 'another form':
      return 'it belongs to another form';
  }
}
