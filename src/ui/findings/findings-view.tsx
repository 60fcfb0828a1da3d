'use client';

import { Input, Segmented, Select } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import {
  type Decision,
  type DecisionKind,
  decisionKinds,
  type Evidence,
  type Finding,
  type Harm,
  harms,
} from '@/core/finding/finding';
import { openDatabase } from '@/store/database';
import frame from '../frame/frame.module.css';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { useRun } from '../frame/use-run';
import { selectionQuery, useSelection } from '../frame/use-selection';
import styles from './findings.module.css';
import { useDecisions, useFindings } from './use-findings';

type Filter = 'all' | 'open' | DecisionKind;

const filters: readonly (readonly [Filter, string])[] = [
  ['open', 'not decided'],
  ['mend', 'to mend'],
  ['later', 'later'],
  ['accept', 'accepted'],
  ['all', 'all'],
];

/** What differs or is wrong, the worst first, with a decision on each. */
export function FindingsView() {
  const { form } = useForm();
  const { run } = useRun();
  const findings = useFindings();
  const decisions = useDecisions();
  const [filter, setFilter] = useState<Filter>('open');
  const isShown = ({ id }: Finding, by: Filter) => by === 'all' || (decisions.get(id)?.kind ?? 'open') === by;
  const shown = findings.filter((finding) => isShown(finding, filter));
  if (findings.length === 0)
    return (
      <div className={frame.empty}>
        <h1>Nothing found</h1>
        <p className="soft">
          The markup of “{form.name}” has no fault that shows by itself, and phone keyboards have what its
          rules need.
          {run
            ? ' No target differs from the reference.'
            : ' A sweep asks the targets, and what differs stands here.'}
        </p>
      </div>
    );
  return (
    <div className={styles.view}>
      <header className={styles.bar}>
        <h1>Findings</h1>
        <Segmented<Filter>
          aria-label="Findings shown"
          size="small"
          value={filter}
          options={filters.map(([value, label]) => ({
            value,
            label: `${label} ${findings.filter((finding) => isShown(finding, value)).length}`,
          }))}
          onChange={setFilter}
        />
        {run?.form.markup !== form.markup && (
          <span className="soft">
            {run ? 'The form was changed after the sweep' : 'Nothing was asked yet'}: what differs between
            targets is not among them.
          </span>
        )}
      </header>
      <div className={styles.list}>
        {shown.length === 0 && <p className="soft">None of them.</p>}
        {harms.map((harm) => (
          <Group
            key={harm}
            harm={harm}
            findings={shown.filter((one) => one.harm === harm)}
            decisions={decisions}
          />
        ))}
      </div>
    </div>
  );
}

const groupNames: Readonly<Record<Harm, string>> = {
  'cannot enter a valid value': 'A valid value cannot be entered',
  'value lost': 'What was entered is lost',
  'wrong value sent': 'Something else is sent than was meant',
  'person misled': 'The person is misled',
  cosmetic: 'It looks otherwise',
};

function Group({
  harm,
  findings,
  decisions,
}: {
  harm: Harm;
  findings: readonly Finding[];
  decisions: ReadonlyMap<Finding['id'], Decision>;
}) {
  if (findings.length === 0) return null;
  return (
    <section aria-label={groupNames[harm]}>
      <h2 data-harm={harms.indexOf(harm)}>
        {groupNames[harm]} <span className="soft">{findings.length}</span>
      </h2>
      {findings.map((finding) => (
        <OneFinding key={finding.id} finding={finding} decision={decisions.get(finding.id) ?? null} />
      ))}
    </section>
  );
}

const evidenceTexts: Readonly<Record<Evidence, string>> = {
  form: 'See it in the markup',
  survey: 'See it in the survey',
  keyboards: 'See the keyboard',
  typing: 'See the rule',
};

function OneFinding({ finding, decision }: { finding: Finding; decision: Decision | null }) {
  const { form } = useForm();
  const [selection] = useSelection();
  const { id, field, says, why, remedy, targets, marks, evidence } = finding;
  const query = selectionQuery({
    ...selection,
    field: field?.id ?? null,
    target: targets[0]?.target ?? null,
    closeUp: evidence === 'survey',
    typing: evidence === 'typing' ? 'rule' : selection.typing,
  });
  const decide = (kind: DecisionKind | 'open', reason: string) => {
    const { decisions } = openDatabase();
    if (kind === 'open') void decisions.delete([form.id, id]);
    else void decisions.put({ formId: form.id, finding: id, kind, reason, at: new Date().toISOString() });
  };
  return (
    <article className={styles.finding} data-decided={decision?.kind} aria-label={says}>
      <div className={styles.what}>
        <p>
          {marks.map((mark) => (
            <ProvenanceMark key={mark} mark={mark} />
          ))}{' '}
          {says}
        </p>
        {targets.some((one) => one.says.length > 0) && (
          <details>
            <summary>what differs</summary>
            <ul>
              {targets.map(({ target, name, mark, says: words }) => (
                <li key={target}>
                  <ProvenanceMark mark={mark} /> <strong>{name}</strong> {words.join('; ')}
                </li>
              ))}
            </ul>
          </details>
        )}
        {targets.length > 0 && targets.every((one) => one.says.length === 0) && (
          <p className="soft">On {targets.map(({ name }) => name).join(', ')}.</p>
        )}
        <p className="soft">{why}</p>
        {remedy && <p>{remedy}</p>}
      </div>
      <div className={styles.decision}>
        <Link href={`/${evidence}${query}`}>{evidenceTexts[evidence]}</Link>
        <Select<DecisionKind | 'open'>
          size="small"
          aria-label={`Decision on: ${says}`}
          value={decision?.kind ?? 'open'}
          options={[
            { value: 'open', label: 'not decided' },
            ...decisionKinds.map((kind) => ({ value: kind, label: kind })),
          ]}
          onChange={(kind) => decide(kind, kind === 'accept' ? (decision?.reason ?? '') : '')}
        />
        {decision?.kind === 'accept' && (
          <Input
            key={decision.at}
            size="small"
            aria-label="Why it is accepted"
            placeholder="why?"
            maxLength={500}
            defaultValue={decision.reason}
            onBlur={({ target: { value } }) => value !== decision.reason && decide('accept', value)}
          />
        )}
      </div>
    </article>
  );
}
