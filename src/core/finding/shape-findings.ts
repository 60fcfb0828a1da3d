import { appliesTo } from '../form/attribute-registry';
import { attributeEdits } from '../form/edit-markup';
import { attribute, type Field } from '../form/field';
import type { TypingPlan } from '../form/form-document';
import { type KnownShape, type ShapeCheck, shapeCheck, shapeOf } from '../pattern/known-shapes';
import { judgeFor } from '../replay/judge';
import { habitsByRoute } from '../replay/usual-habits';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { patternFault } from '../standard/pattern-attribute';
import { type Finding, findingId } from './finding';

/**
 * Where the rule of a field parts from what people enter into fields of its shape. A field without a rule about its text is left
 * alone: what its kind checks by itself is the browser's affair, and what nobody checks is meant to be free.
 * @param hint what the page says beside the field; where it says which writing is wanted, others may be refused
 */
export function shapeFindings(markup: string, field: Field, { guards }: TypingPlan, hint: string): Finding[] {
  const shape = shapeOf(field);
  if (!shape) return [];
  const mayRefuse = !shape.isFixed && hint !== '';
  const cut = mayRefuse ? [] : cutBy(field, shape);
  const own = appliesTo('pattern', field.kind) ? attribute(field.controls[0], 'pattern') : null;
  // One that does not compile is a fault of its own, and the cause of all that it lets in.
  const hasPattern = own !== null && patternFault(own) === null;
  const hasGuard = guards.some(
    ({ on, kind, stage }) => on && kind === 'pattern' && stage === 'on submission',
  );
  if (!(hasPattern || hasGuard)) return cutFinding(markup, field, shape, cut);
  const { judge } = judgeFor(field, guards, habitsByRoute('hardware keys'));
  const { tooStrict, tooLenient } = shapeCheck((text) => judge(text).verdict === 'accepted', shape);
  const refused = mayRefuse ? [] : tooStrict.filter((one) => !cut.includes(one));
  return [
    ...cutFinding(markup, field, shape, cut),
    ...finding(field, shape, 'refuses', refused, loosened(markup, field, shape)),
    ...finding(field, shape, 'accepts', tooLenient, { remedy: remedies.accepts, change: null }),
  ];
}

/** What people enter and `maxlength` cuts off (HTML Standard, "The maxlength and minlength attributes"; UTF-16 code units). */
function cutBy(field: Field, { entered }: KnownShape): KnownShape['entered'] {
  const most = mostOf(field);
  return most === null ? [] : entered.filter(([text]) => text.length > most);
}

function mostOf(field: Field): number | null {
  return appliesTo('maxlength', field.kind)
    ? parseNonNegativeInteger(attribute(field.controls[0], 'maxlength'))
    : null;
}

function cutFinding(
  markup: string,
  field: Field,
  { name, entered }: KnownShape,
  cut: KnownShape['entered'],
): Finding[] {
  const [first] = cut;
  const most = mostOf(field);
  if (!first || most === null) return [];
  const [text] = first;
  const longest = Math.max(...cut.map(([one]) => one.length));
  return [
    {
      ...about(field, 'cuts', cut),
      says: `${field.label}: its maxlength cuts ${cut.length} of ${entered.length} texts that people enter as ${name}: “${text}” becomes “${text.slice(0, most)}”.`,
      harm: 'value lost',
      why: 'The rest of what is pasted or typed goes without a word, and what is left looks entered.',
      remedy: 'Leave room for every way in which it is written, and take out afterwards what is not wanted.',
      change: {
        kind: 'markup',
        edits: attributeEdits(markup, field.controls[0], { maxlength: String(longest) }),
      },
      script: [{ kind: 'text', route: 'paste', text }],
      evidence: 'strokes',
    },
  ];
}

/** What is the same of every finding about texts of a shape. */
function about(
  { id, label }: Field,
  does: 'cuts' | 'refuses' | 'accepts',
  texts: KnownShape['entered'],
): Pick<Finding, 'id' | 'field' | 'details' | 'targets' | 'marks'> {
  return {
    id: findingId('shape', does, id),
    field: { id, label },
    details: texts.slice(0, 8).map(([one, what]) => `“${one}”: ${what}`),
    targets: [],
    marks: ['modelled'],
  };
}

const whys = {
  accepts: 'What nobody can use is sent, and that is found out too late.',
  'refuses what is fixed': 'Who has such a one cannot write it in another way, and is shut out.',
  'refuses a writing':
    'What a person copies, or is used to writing, is right and refused: it has to be written anew.',
} as const;

const remedies = {
  accepts: 'Check what it means besides how it looks, with a guard or on the server.',
  'refuses what its kind checks': 'Take the pattern away: the browser checks this kind by itself.',
  'refuses what is fixed': 'Loosen the rule until it lets these in; the part Rule shows each.',
  'refuses a writing':
    'Let it in and put it right afterwards, or say beside the field which writing is wanted.',
} as const;

/** How a rule that is too strict is put right: a kind that the browser checks by itself needs no pattern besides. */
function loosened(
  markup: string,
  field: Field,
  { kinds, isFixed }: KnownShape,
): Pick<Finding, 'remedy' | 'change'> {
  const [control] = field.controls;
  const isChecked = kinds.includes(field.kind) && (field.kind === 'email' || field.kind === 'url');
  if (isChecked && attribute(control, 'pattern') !== null) {
    const edits = attributeEdits(markup, control, { pattern: null });
    return { remedy: remedies['refuses what its kind checks'], change: { kind: 'markup', edits } };
  }
  return { remedy: remedies[isFixed ? 'refuses what is fixed' : 'refuses a writing'], change: null };
}

function finding(
  field: Field,
  { name, isFixed, entered, meaningless }: KnownShape,
  does: 'refuses' | 'accepts',
  texts: ShapeCheck['tooStrict'],
  mended: Pick<Finding, 'remedy' | 'change'>,
): Finding[] {
  const [first] = texts;
  if (!first) return [];
  const [text] = first;
  const of = does === 'refuses' ? entered.length : meaningless.length;
  const which = does === 'refuses' ? `that people enter as ${name}` : 'that look like it and mean nothing';
  return [
    {
      ...about(field, does, texts),
      says: `${field.label}: its rule ${does} ${texts.length} of ${of} texts ${which}, such as “${text}”.`,
      harm:
        does === 'accepts' ? 'wrong value sent' : isFixed ? 'cannot enter a valid value' : 'person misled',
      why: whys[does === 'accepts' ? 'accepts' : isFixed ? 'refuses what is fixed' : 'refuses a writing'],
      ...mended,
      script: null,
      evidence: 'rule',
    },
  ];
}
