import type { Control, Field, FormReading } from './field';

/** Readings for people of a language, by what was read and by that language. */
const known = new WeakMap<FormReading, Map<string, FormReading>>();

/**
 * A reading for people who write a language: a field for which the markup states none (HTML Standard, "The lang and xml:lang attributes")
 * is in theirs, and so are the keyboards, digits, dates, names and decimal signs that it is asked about.
 *
 * @param language BCP 47; null or not given where nobody said it: the reading as it is
 */
export function inPeoplesLanguage(reading: FormReading, language: string | null | undefined): FormReading {
  if (language === null || language === undefined || reading.isLanguageStated) return reading;
  const ofReading = known.get(reading) ?? new Map<string, FormReading>();
  known.set(reading, ofReading);
  const there = ofReading.get(language);
  if (there) return there;
  const made = { ...reading, fields: reading.fields.map((field) => fieldIn(field, language)) };
  ofReading.set(language, made);
  return made;
}

function fieldIn(field: Field, language: string): Field {
  const inIt = (control: Control): Control =>
    control.language === null ? { ...control, language } : control;
  const [first, ...others] = field.controls;
  return { ...field, controls: [inIt(first), ...others.map(inIt)] };
}
