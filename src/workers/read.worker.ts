import { expose } from 'comlink';
import { calledBy, nameAfter } from '@/core/form/form-name';
import { formsInPage } from '@/core/form/forms-in-page';
import { readForm } from '@/core/form/read-form';

/** Reads markup where it holds nothing up. */
const reading = { readForm, nameAfter, calledBy, formsInPage };
export type MarkupReading = typeof reading;

expose(reading);
