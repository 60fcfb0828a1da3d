import { expose } from 'comlink';
import { calledBy, nameAfter } from '@/core/html/form-name';
import { formsInPage } from '@/core/html/forms-in-page';
import { pageUnderTest } from '@/core/html/page-under-test';
import { readForm } from '@/core/html/read-form';
import { heldPieces } from './in-pieces';

const held = heldPieces();

/** Reads markup where it holds nothing up. */
const reading = {
  /** Reads a form and holds the reading ready in pieces. @returns the number by which they are got */
  readForm: (markup: string): number => held.hold(readForm(markup)),
  nextPiece: held.next,
  calledBy: calledBy,
  fieldCount: (markup: string) => readForm(markup).fields.length,
  pageUnderTest,
  formsInPage: formsInPage,
  nameAfter,
};
export type MarkupReading = typeof reading;

expose(reading);
