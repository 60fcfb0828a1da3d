import { expose } from 'comlink';
import { calledBy, nameAfter } from '@/core/form/form-name';
import { formsInPage } from '@/core/form/forms-in-page';
import { type ParsedMarkup, parseMarkup } from '@/core/form/parse-markup';
import { readForm } from '@/core/form/read-form';

/** What was parsed last: its forms, its name and its fields are asked for one after the other. */
let last: { readonly markup: string; readonly parsed: ParsedMarkup } | null = null;

function parsedOnce(markup: string): ParsedMarkup {
  if (last?.markup !== markup) last = { markup, parsed: parseMarkup(markup) };
  return last.parsed;
}

/** Reads markup where it holds nothing up. */
const reading = {
  readForm: (markup: string) => readForm(markup, parsedOnce(markup)),
  calledBy: (markup: string) => calledBy(markup, parsedOnce(markup)),
  formsInPage: (markup: string) => formsInPage(markup, parsedOnce(markup)),
  nameAfter: (name: string, before: string, after: string) =>
    nameAfter(name, before, after, parsedOnce(after)),
};
export type MarkupReading = typeof reading;

expose(reading);
