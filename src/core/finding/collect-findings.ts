import type { FormDocument } from '../form/form-document';
import { pageOf } from '../form/page-controls';
import { readForm } from '../form/read-form';
import { type MeasuredLayout, measuredLayouts } from '../keyboard/measured-layouts';
import { answersOf } from '../observation/answers';
import type { Run } from '../observation/run';
import { actionKeyFindings } from './action-key-findings';
import { answerFindings } from './answer-findings';
import { detourFindings } from './detour-findings';
import { collected, type Finding } from './finding';
import { guardFindings } from './guard-findings';
import { type KeyboardSetup, keyboardFindings } from './keyboard-findings';
import { markupFindings } from './markup-findings';
import { patternFindings } from './pattern-findings';

/**
 * What can be told of a form and of what is typed into it before any target was asked about more than its keyboard.
 * @param layouts of the real keyboard that came up for its fields
 * @yields how many fields are done
 */
export function* formFindings(
  { markup, typing }: Pick<FormDocument, 'markup' | 'typing'>,
  setup: KeyboardSetup,
  layouts: readonly MeasuredLayout[] = [],
): Generator<number, Finding[]> {
  const { fields } = readForm(markup);
  const page = pageOf(markup);
  const found = markupFindings(markup, fields);
  for (const [index, field] of fields.entries()) {
    const plan = typing[field.id] ?? { script: '', guards: [] };
    found.push(
      ...patternFindings(markup, field),
      ...keyboardFindings(markup, field, plan.guards, setup, layouts),
      ...actionKeyFindings(field, fields, setup),
      ...detourFindings(markup, field, plan, setup),
      ...guardFindings(field, plan, page),
    );
    yield index + 1;
  }
  return found;
}

/** The same in one go, for who need not show progress. */
export function formFindingsAtOnce(...of: Parameters<typeof formFindings>): Finding[] {
  const work = formFindings(...of);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** Everything that is found about the form of a run, by the form itself and by the answers. */
export function findingsOfRun(
  run: Pick<Run, 'form' | 'lineUp' | 'observations'>,
  setup: KeyboardSetup,
): Finding[] {
  const answers = answersOf(run.observations);
  const layouts = measuredLayouts(run.lineUp, answers, readForm(run.form.markup).fields);
  return collected([...formFindingsAtOnce(run.form, setup, layouts), ...answerFindings(run, answers)]);
}
