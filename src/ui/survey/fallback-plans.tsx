'use client';

import { App, Button, Modal } from 'antd';
import { type FallbackPlan, planMarkup, plansFor } from '@/core/fallback/fallback-plan';
import { fallbackFaults } from '@/core/finding/fallback-faults';
import type { Field } from '@/core/html/field';
import { markOf } from '@/core/observation/provenance';
import type { FallbackObservation, PlanOutcome } from '@/core/questions/fallback/facts';
import { type Answers, answerTo } from '@/core/run/answers';
import type { LineUp } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
import { fallbackFaultText, planText } from '@/core/words/fallback-words';
import { unansweredText } from '@/core/words/reason-words';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useRun } from '../frame/use-run';
import { useSweep } from '../frame/use-sweep';
import { VisibleText } from '../frame/visible-text';
import styles from './fallback-plans.module.css';
import { CellPicture } from './survey-cell';

/** Targets that make another kind of a field than the author wrote. */
export function fallingBack(field: Field, lineUp: LineUp, answers: Answers): readonly Target[] {
  if (plansFor(field).length === 0) return [];
  return lineUp.targets.filter(({ id }) => {
    const look = answerTo(answers, 'look', id, field.id, 'closed');
    return look?.outcome.status === 'answered' && look.outcome.facts.typeReflected !== field.kind;
  });
}

/** What to do for targets that do not know a kind: each plan tried in each engine, with what is then sent. */
export function FallbackPlans({
  field,
  lineUp,
  onClose,
}: {
  field: Field;
  lineUp: LineUp;
  onClose: () => void;
}) {
  const { answers } = useRun();
  const { ask, running } = useSweep();
  const plans = plansFor(field);
  const engines = lineUp.targets.filter((target) => target.ask === 'engine');
  const asked = engines.filter(({ id }) => answerTo(answers, 'fallback', id, field.id));
  const again = asked.length > 0;
  return (
    <Modal
      open
      title={`${field.label}: plans for where ${field.kind} is not known`}
      width={1180}
      onCancel={onClose}
      footer={null}
    >
      <p className="soft">
        Each plan is put into the page and typed into, in every engine of the line-up; where the kind is known
        the value is picked. What is sent then stands below the picture.
      </p>
      <Button
        type={again ? 'default' : 'primary'}
        loading={running}
        onClick={() => ask('fallback', field.id, engines, {})}
      >
        {again ? 'Try again' : 'Try the plans'}
      </Button>
      {again && (
        <div className={styles.scroll}>
          <table className={styles.plans}>
            <thead>
              <tr>
                <th scope="col">Plan</th>
                {asked.map((target) => (
                  <th scope="col" key={target.id}>
                    <ProvenanceMark mark={markOf(target)} /> {target.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {plans.map((plan) => (
                <tr key={plan.name}>
                  <th scope="row">
                    <PlanText field={field} plan={plan} />
                  </th>
                  {asked.map((target) => (
                    <td key={target.id}>
                      <PlanCell
                        field={field}
                        plan={plan}
                        answer={answerTo(answers, 'fallback', target.id, field.id)}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Modal>
  );
}

function PlanText({ field, plan }: { field: Field; plan: FallbackPlan }) {
  const { message } = App.useApp();
  const copy = () =>
    navigator.clipboard.writeText(planMarkup(field, plan)).then(
      () => message.success('Copied the markup.'),
      () => message.error('This browser did not let Ukko copy. Allow the clipboard and try again.'),
    );
  return (
    <>
      <div>{plan.name}</div>
      <div className={styles.note}>{planText(plan)}</div>
      {plan.name !== 'leave it' && (
        <Button size="small" onClick={copy}>
          Copy markup
        </Button>
      )}{' '}
      {plan.scripted && (
        <Button size="small" href="/date-picker.js" download>
          Its script
        </Button>
      )}
    </>
  );
}

function PlanCell({
  field,
  plan,
  answer,
}: {
  field: Field;
  plan: FallbackPlan;
  answer: FallbackObservation | undefined;
}) {
  if (!answer) return null;
  if (answer.outcome.status !== 'answered')
    return <span className={styles.note}>{unansweredText(answer.outcome)}</span>;
  const outcome = answer.outcome.facts.plans.find((one) => one.plan === plan.name);
  if (!outcome) return <span className={styles.note}>not asked</span>;
  const faults = fallbackFaults(field, outcome);
  return (
    <>
      <CellPicture
        picture={outcome.picture}
        alt={`${field.label}, ${plan.name}, ${answer.provenance.mark}`}
      />
      <div className={styles.note}>{whatWasDone(outcome)}</div>
      <div>
        sent <VisibleText text={outcome.sent.join(' & ')} empty="nothing" />
      </div>
      {faults.map((fault) => (
        <div key={fault.code} className={styles.fault}>
          {fallbackFaultText(fault)}
        </div>
      ))}
    </>
  );
}

function whatWasDone({ native, loaded, typed }: PlanOutcome): string {
  if (native && !loaded) return 'the kind is known here; picked';
  return `typed ${typed.map((text) => `“${text}”`).join(', ')}`;
}
