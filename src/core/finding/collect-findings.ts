import { pageUnderCheck } from '../fault/page-under-check';
import type { FormDocument } from '../form/form-document';
import { pageOf } from '../form/page-controls';
import { readForm } from '../form/read-form';
import { type AskedKeyboard, askedKeyboards } from '../keyboard/asked-keyboards';
import type { KeyboardSetup } from '../keyboard/keyboard-setup';
import { answersOf } from '../observation/answers';
import type { Run } from '../observation/run';
import { firstSamples } from '../replay/sample-table';
import { actionKeyFindings } from './action-key-findings';
import { answerFindings } from './answer-findings';
import { detourFindings } from './detour-findings';
import { collected, type Finding } from './finding';
import { guardFindings } from './guard-findings';
import { keyboardFindings } from './keyboard-findings';
import { markupFindings } from './markup-findings';
import { patternFindings } from './pattern-findings';
import { shapeFindings } from './shape-findings';

/**
 * What can be told of a form and of what is typed into it before any target was asked about more than its keyboard.
 * @param asked keyboards that came up for its fields
 * @yields how many fields are done
 */
export function* formFindings(
  { markup, typing }: Pick<FormDocument, 'markup' | 'typing'>,
  setup: KeyboardSetup,
  asked: readonly AskedKeyboard[] = [],
): Generator<number, Finding[]> {
  const { fields } = readForm(markup);
  const page = pageOf(markup);
  const { hintOf } = pageUnderCheck(markup, fields);
  const found = markupFindings(markup, fields);
  for (const [index, field] of fields.entries()) {
    const plan = typing[field.id] ?? { script: '', guards: [] };
    const own = asked.filter((one) => one.field === field.id);
    const ruled = { field, guards: plan.guards, samples: firstSamples(plan.samples) };
    found.push(
      ...patternFindings(markup, field, plan.guards),
      ...shapeFindings(markup, field, plan, hintOf(field)),
      ...keyboardFindings(markup, ruled, setup, own),
      ...actionKeyFindings(field, fields, setup),
      ...detourFindings(markup, ruled, setup),
      ...guardFindings(field, plan, page, own),
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
  const asked = askedKeyboards(run.lineUp, answers, readForm(run.form.markup).fields);
  return collected([...formFindingsAtOnce(run.form, setup, asked), ...answerFindings(run, answers)]);
}
