import type { FormDocument, TypingPlan } from '../document/form-document';
import { isScripted } from '../document/own-page';
import { pageUnderCheck } from '../fault/page-under-check';
import { firstSamples } from '../guard/sample-table';
import { type Field, isTypedText } from '../html/field';
import { isCutOffBy } from '../html/nested-forms';
import { ownEntry } from '../html/own-entry';
import { type PageControls, pageOf } from '../html/page-controls';
import { readForm } from '../html/read-form';
import { type AskedKeyboard, askedKeyboards } from '../keyboard/asked-keyboards';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { chosenLanguages } from '../keyboard/languages-asked';
import type { RestrictionObservation } from '../questions/restriction/facts';
import { GaveUp } from '../regexp/budget';
import { answersOf } from '../run/answers';
import type { Run } from '../run/run';
import { actionKeyFindings } from './action-key-findings';
import { answerFindings } from './answer-findings';
import { detourFindings } from './detour-findings';
import { collected, type Finding, fieldFinding, findingId } from './finding';
import { guardFindings } from './guard-findings';
import { keyboardFindings } from './keyboard-findings';
import { markupFindings } from './markup-findings';
import { patternFindings } from './pattern-findings';
import { purposeFindings } from './purpose-findings';

/** Whoever answers what the rules of a field make of texts; `page` is what stands around it. */
export type AskRestriction = (field: Field, plan: TypingPlan, page: PageControls) => RestrictionObservation;

/**
 * What can be told of a form and of what is typed into it before any target was asked about more than its keyboard.
 * @param ask is asked about each field whose text is typed
 * @param asked keyboards that came up for its fields
 * @yields how many fields are done
 */
export function* formFindings(
  { markup, typing, page: own, language }: Pick<FormDocument, 'markup' | 'typing' | 'page' | 'language'>,
  setup: KeyboardSetup,
  ask: AskRestriction,
  asked: readonly AskedKeyboard[] = [],
): Generator<number, Finding[]> {
  const { fields } = readForm(markup, language);
  const page = pageOf(markup);
  const { hintOf, nested } = pageUnderCheck(markup, fields);
  const found = markupFindings(markup, fields, isScripted(own)).filter((one) => !isOfKeypad(one));
  // That a form in its form cut a field off is told as the cause of all that follows for its keyboard.
  const isCutOff = ({ controls: [control] }: Field) => nested.some((one) => isCutOffBy(one, control));
  for (const [index, field] of fields.entries()) {
    const plan = ownEntry(typing, field.id) ?? { script: '', guards: [] };
    const own = asked.filter((one) => one.field === field.id);
    const ruled = { field, guards: plan.guards, samples: firstSamples(plan.samples) };
    found.push(
      ...workedOut(field, [
        () => patternFindings(markup, field, plan.guards),
        () => purposeFindings(markup, field, plan, hintOf(field), chosenLanguages(field, setup)),
        () => keyboardFindings(markup, ruled, setup, own),
        () => (isCutOff(field) ? [] : actionKeyFindings(field, fields, setup)),
        () => detourFindings(markup, ruled, setup),
        () => (isTypedText(field.kind) ? guardFindings(field, plan.guards, ask(field, plan, page), own) : []),
      ]),
    );
    yield index + 1;
  }
  return found;
}

/** What a keypad may lack by the standard the keyboards tell themselves: they know which keys there are, and what scripts put in. */
const isOfKeypad = ({ claim }: Finding) =>
  claim.code === 'fault' && claim.fault.code === 'keypad lacks a character';

/** What each check finds of a field. A check that takes too many steps costs no other one its findings, and is named. */
function workedOut(field: Field, checks: readonly (() => Finding[])[]): Finding[] {
  const reasons = new Set<string>();
  const found = checks.flatMap((check) => {
    try {
      return check();
    } catch (error) {
      if (!(error instanceof GaveUp)) throw error;
      reasons.add(error.message);
      return [];
    }
  });
  return reasons.size === 0 ? found : [...found, uncheckedFinding(field, [...reasons])];
}

/** What was not covered is said. */
function uncheckedFinding(field: Field, reasons: readonly string[]): Finding {
  return fieldFinding(field, {
    id: findingId('not worked out', field.id),
    claim: { code: 'not worked out', reasons },
    harm: 'cosmetic',
    evidence: 'rule',
  });
}

/** The same in one go, for who need not show progress. */
export function formFindingsAtOnce(...of: Parameters<typeof formFindings>): Finding[] {
  return resultOf(formFindings(...of));
}

function resultOf<Result>(work: Generator<unknown, Result>): Result {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

type FoundIn = Pick<Run, 'form' | 'lineUp' | 'observations'>;

/**
 * Everything that is found about the form of a run, by the form itself and by the answers.
 * @yields how many fields are done
 */
export function* runFindings(
  run: FoundIn,
  setup: KeyboardSetup,
  ask: AskRestriction,
): Generator<number, Finding[]> {
  const answers = answersOf(run.observations);
  const asked = askedKeyboards(run.lineUp, answers, readForm(run.form.markup, run.form.language).fields);
  const ofForm = yield* formFindings(run.form, setup, ask, asked);
  return collected([...ofForm, ...answerFindings(run, answers)]);
}

/** The same in one go. */
export function findingsOfRun(...of: Parameters<typeof runFindings>): Finding[] {
  return resultOf(runFindings(...of));
}
