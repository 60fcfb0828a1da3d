'use client';

import { Input, Segmented } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { Drift } from '@/core/drift/drift';
import {
  type Decision,
  type DecisionKind,
  type Evidence,
  type Finding,
  shownByTargets,
} from '@/core/finding/finding';
import { fieldPlace } from '@/core/finding/finding-place';
import { ownEntry } from '@/core/html/own-entry';
import { sinceBaselineIn } from '@/core/report/report';
import { answerTo } from '@/core/run/answers';
import { targetIn } from '@/core/target/line-up';
import { causeText } from '@/core/words/drift-words';
import { findingWords, targetWords } from '@/core/words/finding-words';
import { placeText } from '@/core/words/place-words';
import { openDatabase } from '@/store/database';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { useRun } from '../frame/use-run';
import { type Selection, selectionQuery, useSelection } from '../frame/use-selection';
import { CellPicture } from '../survey/survey-cell';
import styles from './findings.module.css';
import { Remedy } from './remedy';

const evidences: Readonly<
  Record<Evidence, readonly [text: string, path: string, change: Partial<Selection>]>
> = {
  form: ['See it in the markup', '/form', {}],
  survey: ['See it in the survey', '/survey', { closeUp: true }],
  messages: ['See the words in the survey', '/survey', { lens: 'message', onlyDifferences: true }],
  looks: ['See them in the survey', '/survey', { lens: 'look', onlyDifferences: true }],
  keyboards: ['See the keyboard', '/keyboards', { keyboards: 'keyboards' }],
  taps: ['See the taps', '/keyboards', { keyboards: 'taps' }],
  rule: ['See the rule', '/typing', { typing: 'rule' }],
  'ways in': ['See the ways in', '/typing', { typing: 'ways in' }],
  strokes: ['See the strokes', '/typing', { typing: 'strokes' }],
  samples: ['See the samples', '/typing', { typing: 'samples' }],
  submission: ['See what is sent', '/submission', {}],
};

/** One finding: pictures first, then where it is so, what to do, and what was decided. */
export function FindingDetail({
  finding,
  all,
  decision,
  drift,
}: {
  finding: Finding;
  all: readonly Finding[];
  decision: Decision | null;
  drift: Drift | null;
}) {
  const [selection, select] = useSelection();
  const { form, reading, edit } = useForm();
  const { id, field, script, targets, marks, evidence } = finding;
  const { says, why, details } = findingWords(finding);
  const place = useMemo(() => {
    const own = field && reading.fields.find((one) => one.id === field.id);
    return own ? fieldPlace(form.markup, own) : null;
  }, [field, reading, form.markup]);
  const [text, path, change] = evidences[evidence];
  // A view goes by the selection, and a new window by the address.
  const shown = { ...change, finding: id, field: field?.id ?? null, target: targets[0]?.target ?? null };
  const follow = () => {
    // Strokes can be seen once they are the field's script; what was there before comes back by Undo.
    if (evidence === 'strokes' && script && field)
      void import('@/core/script/script-text').then(({ formatScript }) => {
        const plan = { guards: [], ...ownEntry(form.typing, field.id), script: formatScript(script) };
        edit({ typing: { ...form.typing, [field.id]: plan } }, `${field.id} strokes of a finding`);
      });
    select(shown);
  };
  // Of many fields it is a long list, and comes last.
  const where = targets.length > 0 && (
    <ul className={styles.on} aria-label="Where it is so">
      {targets.map((on) => (
        <li key={on.target}>
          <ProvenanceMark mark={on.mark} /> <strong>{on.name}</strong>{' '}
          {field ? targetWords(on).join(' ') : targetWords(on).map((one) => <p key={one}>{one}</p>)}
        </li>
      ))}
    </ul>
  );
  return (
    <>
      <Pictures finding={finding} />
      <h2>
        {marks.map((mark) => (
          <ProvenanceMark key={mark} mark={mark} />
        ))}{' '}
        {says}
      </h2>
      <p className="soft">{why}</p>
      {place && (
        <p className={styles.place}>
          <span className="soft">{placeText(place, form)}</span> <code>{place.element}</code>
        </p>
      )}
      <SinceBaseline finding={finding} drift={drift} />
      {field && where}
      {details.length > 0 && (
        <ul className={styles.on}>
          {details.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      <p>
        <Link href={`${path}${selectionQuery({ ...selection, ...shown })}`} onClick={follow}>
          {text}
        </Link>
      </p>
      <Remedy finding={finding} all={all} />
      <Decide finding={finding} decision={decision} />
      {!field && where}
    </>
  );
}

/** The control at rest in the reference, and in the targets that differ. */
function Pictures({ finding: { field, targets, evidence } }: { finding: Finding }) {
  const { run, answers } = useRun();
  if (!run || !field) return null;
  const differing = shownByTargets.includes(evidence) ? targets.map(({ target }) => target) : [];
  const shown = [...new Set([run.lineUp.reference, ...differing])].flatMap((id) => {
    const look = answerTo(answers, 'look', id, field.id, 'closed')?.outcome;
    const picture = look?.status === 'answered' ? look.facts.picture : null;
    const target = targetIn(run.lineUp, id);
    return picture && target ? [{ target, picture }] : [];
  });
  if (shown.length === 0) return null;
  return (
    <div className={styles.pictures}>
      {shown.map(({ target, picture }) => (
        <figure key={target.id}>
          <CellPicture picture={picture} alt={`${field.label} in ${target.name}`} />
          <figcaption className="soft">{target.name}</figcaption>
        </figure>
      ))}
    </div>
  );
}

/** How it stands to the baseline, and what may be the cause. */
function SinceBaseline({ finding, drift }: { finding: Finding; drift: Drift | null }) {
  const standing = sinceBaselineIn(drift, finding);
  if (!drift || standing === 'found' || standing === 'known') return null;
  const drifted = [...drift.fresh, ...drift.changed].find((one) => one.finding === finding);
  return (
    <p>
      <b className={styles.standing}>{standing}</b> since the baseline
      {drifted && `: ${causeText(drifted.because)}.`}
    </p>
  );
}

/** Kept as it is typed. */
function Reason({ kept, keep }: { kept: string; keep: (reason: string) => void }) {
  const [typed, setTyped] = useState(kept);
  return (
    <Input
      aria-label="Why it is accepted"
      placeholder="why?"
      maxLength={500}
      value={typed}
      suffix={<span className="soft">{typed !== '' && typed === kept && 'kept'}</span>}
      onChange={({ target: { value } }) => {
        setTyped(value);
        keep(value);
      }}
    />
  );
}

const choices: readonly (DecisionKind | 'open')[] = ['open', 'mend', 'later', 'accept'];

function Decide({ finding: { id }, decision }: { finding: Finding; decision: Decision | null }) {
  const { form } = useForm();
  const [, select] = useSelection();
  const decide = (kind: DecisionKind | 'open', reason: string) => {
    const { decisions } = openDatabase();
    if (kind === 'open') void decisions.delete([form.id, id]);
    else void decisions.put({ formId: form.id, finding: id, kind, reason, at: new Date().toISOString() });
  };
  return (
    <div className={styles.decision}>
      <h3>Decision</h3>
      <Segmented<DecisionKind | 'open'>
        aria-label="Decision"
        value={decision?.kind ?? 'open'}
        options={choices.map((value) => ({ value, label: value === 'open' ? 'none yet' : value }))}
        onChange={(kind) => {
          // It may leave the list by that, and is still the one that is being decided on.
          select({ finding: id });
          decide(kind, kind === 'accept' ? (decision?.reason ?? '') : '');
        }}
      />
      {decision?.kind === 'accept' && (
        <Reason key={id} kept={decision.reason} keep={(reason) => decide('accept', reason)} />
      )}
    </div>
  );
}
