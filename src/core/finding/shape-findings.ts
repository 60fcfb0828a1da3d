import type { TypingPlan } from '../document/form-document';
import { appliesTo } from '../html/attribute-registry';
import { attributeEdits } from '../html/edit-markup';
import { attribute, type Field } from '../html/field';
import { type KnownShape, type ShapeCheck, shapeCheck, shapeOf } from '../pattern/known-shapes';
import { judgeFor } from '../rules/judge';
import { habitsByRoute } from '../rules/usual-habits';
import { parseNonNegativeInteger } from '../standard/non-negative-integers';
import { patternFault } from '../standard/pattern-attribute';
import { type Finding, fieldFinding, findingId } from './finding';

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
    ...refusedFinding(markup, field, shape, refused),
    ...acceptedFinding(field, shape, tooLenient),
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
  const edits = attributeEdits(markup, field.controls[0], { maxlength: String(longest) });
  return [
    fieldFinding(field, {
      id: findingId('shape', 'cuts', field.id),
      claim: { code: 'shape cut', shape: name, texts: cut, tried: entered.length, most },
      harm: 'value lost',
      change: { kind: 'markup', edits },
      script: [{ kind: 'text', route: 'paste', text }],
      evidence: 'strokes',
    }),
  ];
}

/** A kind that the browser checks by itself needs no pattern besides. */
function refusedFinding(
  markup: string,
  field: Field,
  { name, kinds, isFixed, entered }: KnownShape,
  texts: ShapeCheck['tooStrict'],
): Finding[] {
  if (texts.length === 0) return [];
  const [control] = field.controls;
  const isChecked = kinds.includes(field.kind) && (field.kind === 'email' || field.kind === 'url');
  const isPatternNeedless = isChecked && attribute(control, 'pattern') !== null;
  const edits = isPatternNeedless ? attributeEdits(markup, control, { pattern: null }) : null;
  const tried = entered.length;
  return [
    fieldFinding(field, {
      id: findingId('shape', 'refuses', field.id),
      claim: { code: 'shape refused', shape: name, texts, tried, isFixed, isPatternNeedless },
      harm: isFixed ? 'cannot enter a valid value' : 'person misled',
      change: edits && { kind: 'markup', edits },
      evidence: 'rule',
    }),
  ];
}

function acceptedFinding(
  field: Field,
  { name, meaningless }: KnownShape,
  texts: ShapeCheck['tooLenient'],
): Finding[] {
  if (texts.length === 0) return [];
  return [
    fieldFinding(field, {
      id: findingId('shape', 'accepts', field.id),
      claim: { code: 'shape accepted', shape: name, texts, tried: meaningless.length },
      harm: 'wrong value sent',
      evidence: 'rule',
    }),
  ];
}
