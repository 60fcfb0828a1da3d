import type { TypingPlan } from '../document/form-document';
import { appliesTo } from '../html/attribute-registry';
import { attributeEdits } from '../html/edit-markup';
import { attribute, type Field } from '../html/field';
import { exampleTexts } from '../pattern/example-text';
import { firstOfEachText, type Purpose, type Writing, type Writings } from '../purpose/purpose';
import { type PurposeReading, purposeAsSaid } from '../purpose/purpose-of';
import { placeOfUse } from '../purpose/regions';
import { writingsOf } from '../purpose/writings';
import { judgeFor } from '../rules/judge';
import { habitsByRoute } from '../rules/usual-habits';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { patternFault } from '../standard/pattern-attribute';
import { type Finding, fieldFinding, findingId } from './finding';

/** A field with a known purpose, what people enter there, and which of it the field lets pass. */
interface Ruled {
  readonly markup: string;
  readonly field: Field;
  readonly purpose: Purpose;
  readonly writings: Writings;
  readonly accepts: (text: string) => boolean;
}

/**
 * Where the rule of a field parts from what people enter for its purpose, in the language of the page. A field without a rule about its
 * text is left alone: what its kind checks by itself is the browser's affair, and what nobody checks is meant to be free.
 *
 * @param languages in which people may write besides, BCP 47: those of the line-up, for a page that states none
 * @param hint what the page says beside the field; where it says which writing is wanted, others may be refused
 */
export function purposeFindings(
  markup: string,
  field: Field,
  { guards, purpose: said }: Pick<TypingPlan, 'guards' | 'purpose'>,
  hint: string,
  languages: readonly string[] = [],
): Finding[] {
  const reading = purposeAsSaid(field, said);
  if (!reading) return [];
  const accepts = acceptedBy(field, guards);
  const inLanguage = (tag: string | null) => writingsOf(reading.purpose, placeOfUse(tag), accepts);
  const { entered: ofPage, meaningless } = inLanguage(field.controls[0].language);
  const ofOthers = languages.flatMap((language) =>
    inLanguage(language).entered.map((one) => ({ ...one, language })),
  );
  const entered = firstOfEachText([...ofPage, ...ofOthers]);
  const byKind = acceptedBy(withoutPattern(field), []);
  const writings = { entered: entered.filter(({ text }) => byKind(text)), meaningless };
  const ruled: Ruled = { markup, field, purpose: reading.purpose, writings, accepts };
  const mayRefuse = (one: Writing) => hint !== '' && !one.isOnly;
  const cut = cutBy(ruled).filter((one) => !mayRefuse(one));
  if (!hasRule(field, guards)) return cutFinding(ruled, cut);
  const refused = writings.entered.filter(({ text }) => !accepts(text));
  const isOfPage = ({ language }: Writing) => language === undefined;
  if (isForSomethingElse(reading, field, writings.entered.filter(isOfPage), refused.filter(isOfPage)))
    return [];
  return [
    ...cutFinding(ruled, cut),
    ...refusedFinding(
      ruled,
      refused.filter((one) => !mayRefuse(one) && !cut.includes(one)),
    ),
    ...acceptedFinding(
      ruled,
      meaningless.filter(({ text }) => accepts(text)),
    ),
  ];
}

/** A rule that takes nothing of what a label seems to ask for is about something else. */
function isForSomethingElse(
  { isSure }: PurposeReading,
  field: Field,
  entered: readonly Writing[],
  refused: readonly Writing[],
): boolean {
  if (refused.length < entered.length) return false;
  const isNamed = attribute(field.controls[0], 'autocomplete') !== null;
  return !isSure || !(isNamed || isOfSuchSigns(field, entered));
}

/** Whether what a rule takes is written in the sort of characters that people write: digits where they mostly write digits alone. */
function isOfSuchSigns(field: Field, entered: readonly Writing[]): boolean {
  const hasLetters = (text: string) => /\p{L}/u.test(text);
  if (2 * entered.filter(({ text }) => hasLetters(text)).length > entered.length) return true;
  const own = attribute(field.controls[0], 'pattern');
  return own !== null && !exampleTexts(own).some(hasLetters);
}

function hasRule(field: Field, guards: TypingPlan['guards']): boolean {
  const own = appliesTo('pattern', field.kind) ? attribute(field.controls[0], 'pattern') : null;
  // One that does not compile is a fault of its own, and the cause of all that it lets in.
  if (own !== null && patternFault(own) === null) return true;
  return guards.some(({ on, kind, stage }) => on && kind === 'pattern' && stage === 'on submission');
}

function acceptedBy(field: Field, guards: TypingPlan['guards']): (text: string) => boolean {
  const { judge } = judgeFor(field, guards, habitsByRoute('hardware keys'));
  return (text) => judge(text).verdict === 'accepted';
}

/** The same field as its kind alone rules it. */
function withoutPattern(field: Field): Field {
  const ruling = ['pattern', 'minlength', 'maxlength'];
  const [first, ...others] = field.controls;
  const bare = { ...first, attributes: first.attributes.filter(({ name }) => !ruling.includes(name)) };
  return { ...field, controls: [bare, ...others] };
}

/**
 * What people enter and `maxlength` cuts off (HTML Standard, "The maxlength and minlength attributes"; UTF-16 code units). Where what is
 * left is a writing of the same, nothing is lost.
 */
function cutBy({ field, writings: { entered } }: Ruled): Writing[] {
  const most = mostOf(field);
  if (most === null) return [];
  const isOne = (text: string) => entered.some((other) => other.text === text);
  return entered.filter(({ text }) => text.length > most && !isOne(text.slice(0, most)));
}

function mostOf(field: Field): number | null {
  return appliesTo('maxlength', field.kind)
    ? parseNonNegativeInteger(attribute(field.controls[0], 'maxlength'))
    : null;
}

function cutFinding({ markup, field, purpose, writings }: Ruled, cut: readonly Writing[]): Finding[] {
  const [first] = cut;
  const most = mostOf(field);
  if (!first || most === null) return [];
  const longest = Math.max(...cut.map(({ text }) => text.length));
  const edits = attributeEdits(markup, field.controls[0], { maxlength: String(longest) });
  return [
    fieldFinding(field, {
      id: findingId('shape', 'cuts', field.id),
      claim: { code: 'shape cut', purpose, texts: cut, tried: writings.entered.length, most },
      harm: 'value lost',
      change: { kind: 'markup', edits },
      script: [{ kind: 'text', route: 'paste', text: first.text }],
      evidence: 'strokes',
    }),
  ];
}

/** A kind that the browser checks by itself needs no pattern besides. */
function refusedFinding({ markup, field, purpose, writings }: Ruled, texts: readonly Writing[]): Finding[] {
  if (texts.length === 0) return [];
  const [control] = field.controls;
  const isChecked = field.kind === 'email' || field.kind === 'url';
  const isPatternNeedless = isChecked && attribute(control, 'pattern') !== null;
  const edits = isPatternNeedless ? attributeEdits(markup, control, { pattern: null }) : null;
  // What is refused in every writing cannot be written otherwise either.
  const isFixed = texts.some(({ isOnly }) => isOnly) || texts.length === writings.entered.length;
  // What cannot be written otherwise comes first.
  const worstFirst = texts.toSorted((a, b) => Number(b.isOnly) - Number(a.isOnly));
  return [
    fieldFinding(field, {
      id: findingId('shape', 'refuses', field.id),
      claim: {
        code: 'shape refused',
        purpose,
        texts: worstFirst,
        tried: writings.entered.length,
        isFixed,
        isPatternNeedless,
      },
      harm: isFixed ? 'cannot enter a valid value' : 'person misled',
      change: edits && { kind: 'markup', edits },
      evidence: 'rule',
    }),
  ];
}

/** The server has to check it anyway: what is missing is that the person is told. */
function acceptedFinding({ field, purpose, writings }: Ruled, texts: readonly Writing[]): Finding[] {
  if (texts.length === 0) return [];
  return [
    fieldFinding(field, {
      id: findingId('shape', 'accepts', field.id),
      claim: { code: 'shape accepted', purpose, texts, tried: writings.meaningless.length },
      harm: 'person misled',
      evidence: 'rule',
    }),
  ];
}
