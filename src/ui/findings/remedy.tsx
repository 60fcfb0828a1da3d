'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { goneAndFresh } from '@/core/drift/pairs';
import type { Finding } from '@/core/finding/finding';
import { collected } from '@/core/finding/finding';
import { changedForm, changedLines, type RemedyEdit } from '@/core/finding/remedy-edit';
import { trialDifferences, typedText } from '@/core/finding/remedy-trial';
import type { Field, FieldId } from '@/core/html/field';
import { ownEntry } from '@/core/html/own-entry';
import type { Picture } from '@/core/observation/picture';
import { markOf } from '@/core/observation/provenance';
import { type Answers, answerTo } from '@/core/run/answers';
import type { Target } from '@/core/target/target';
import { differenceWords } from '@/core/words/difference-words';
import { findingTitle, findingWords } from '@/core/words/finding-words';
import { guardName } from '@/core/words/guard-words';
import { unansweredText } from '@/core/words/reason-words';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { useLineUp } from '../frame/use-line-up';
import { pictureAddress } from '../frame/use-picture';
import { useRun } from '../frame/use-run';
import { visible } from '../frame/visible-text';
import styles from './findings.module.css';
import { useAnswerFindings, useAskedKeyboards, useFormFindings } from './use-findings';
import { useRemedyTrial, useTrialOf } from './use-remedy-trial';

/** What to do about a finding, what that would do, and a way to do it. */
export function Remedy({ finding, all }: { finding: Finding; all: readonly Finding[] }) {
  const { form, edit } = useForm();
  const { change } = finding;
  const { remedy } = findingWords(finding);
  if (!change) return remedy && <p>{remedy}</p>;
  const apply = () => {
    // It was found in this markup, and fits no other.
    edit(
      (now) => (now.form.markup === form.markup ? changedForm(now.form, change) : null),
      `remedy ${finding.id}`,
    );
  };
  return (
    <section className={styles.remedy} aria-label="Remedy">
      <p>{remedy}</p>
      <ChangeShown change={change} />
      <Effect change={change} field={finding.field?.id ?? null} all={all} />
      <div className={styles.buttons}>
        <Button size="small" type="primary" onClick={apply}>
          Apply it
        </Button>
        <Trial finding={finding} />
      </div>
    </section>
  );
}

function ChangeShown({ change }: { change: RemedyEdit }) {
  const { form } = useForm();
  if (change.kind === 'guards') {
    const before = ownEntry(form.typing, change.field)?.guards ?? [];
    const other = change.guards.filter((guard) => !before.includes(guard));
    return (
      <ul className={styles.lines}>
        {other.map((guard) => (
          <li key={guard.id}>
            “{guardName(guard)}” at the stage <b>{guard.stage}</b>
            {guard.keys && `, with ${guard.keys.length} keys that pass`}
          </li>
        ))}
      </ul>
    );
  }
  return (
    <ul className={styles.lines} aria-label="Lines that change">
      {changedLines(form.markup, change.edits).map(({ line, before, after }) => (
        <li key={line}>
          <span className="soft">line {line}</span>
          <del>{before}</del>
          <ins>{after}</ins>
        </li>
      ))}
    </ul>
  );
}

/** What the model says of the form with the remedy applied: what is found no more, and what is found anew. */
function Effect({
  change,
  field,
  all,
}: {
  change: RemedyEdit;
  field: FieldId | null;
  all: readonly Finding[];
}) {
  const { form } = useForm();
  const { run, answers } = useRun();
  const changed = useMemo(() => changedForm(form, change), [form, change]);
  const isOfForm = run?.form.markup === form.markup;
  const came = useAskedKeyboards(isOfForm ? run : null, answers);
  // Which keyboard would come up for a field that is changed, nobody knows before it is asked.
  const asked = useMemo(
    () => came.filter((one) => change.kind === 'guards' || one.field !== field),
    [came, change, field],
  );
  const { findings } = useFormFindings(changed, asked);
  // What the targets would answer now, nobody knows before they are asked.
  const { findings: known } = useAnswerFindings(isOfForm ? run : null, answers);
  const effect = useMemo(
    () => findings && known && goneAndFresh(all, collected([...findings, ...known])),
    [findings, known, all],
  );
  if (!effect) return <p className="soft">Predicting the effect…</p>;
  const { gone, fresh } = effect;
  return (
    <div className={styles.effect} role="status">
      <p>
        <ProvenanceMark mark="modelled" /> With it,{' '}
        {gone.length === 1 ? '1 finding is resolved' : `${gone.length} findings are resolved`}
        {fresh.length === 0
          ? ' and none is added.'
          : `, and ${fresh.length === 1 ? '1 is added' : `${fresh.length} are added`}:`}
      </p>
      {fresh.length > 0 && (
        <ul>
          {fresh.map((one) => (
            <li key={one.id}>{findingTitle(one)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The two sides of a trial, in its sentences. */
const withAndWithout = { here: ['the changed form'], there: 'the form as it is' };

/** Asks the targets about the field as it is and as it would be, and shows both. */
function Trial({ finding }: { finding: Finding }) {
  const { form } = useForm();
  const { lineUp } = useLineUp();
  const trial = useTrialOf(form, finding);
  const { trying, ask, cancel } = useRemedyTrial(trial);
  const targets = lineUp.targets.filter(({ ask: how }) => how !== 'device');
  if (!trial) return null;
  return (
    <>
      {trying.status === 'asking' ? (
        <>
          <Button size="small" onClick={cancel}>
            Cancel
          </Button>
          <span className="soft" role="status">
            {trying.done} of {trying.total} answers
          </span>
        </>
      ) : (
        <Button size="small" onClick={() => ask(targets)}>
          Ask the targets, before and after
        </Button>
      )}
      {trying.status === 'told' && (
        <ul className={styles.trial} aria-label="Before and after">
          {trial.fields.flatMap((field) =>
            targets.map((target) => (
              <TrialOf key={`${field.id} ${target.id}`} field={field} target={target} {...trying} />
            )),
          )}
        </ul>
      )}
    </>
  );
}

function TrialOf({
  field,
  target,
  before,
  after,
  pictures,
}: {
  field: Field;
  target: Target;
  before: Answers;
  after: Answers;
  pictures: ReadonlyMap<string, Picture>;
}) {
  const changes = trialDifferences(before, after, target.id, field.id);
  return (
    <li>
      <span>
        <ProvenanceMark mark={markOf(target)} /> <strong>{target.name}</strong>
      </span>
      <span className={styles.beforeAfter}>
        <Seen answers={before} target={target} field={field} pictures={pictures} />
        <span aria-hidden="true">→</span>
        <span className="visually-hidden">becomes</span>
        <Seen answers={after} target={target} field={field} pictures={pictures} />
      </span>
      <span className="soft">
        {changes.length === 0
          ? 'Nothing changes.'
          : changes.map((one) => differenceWords(one, withAndWithout)).join(' ')}
      </span>
    </li>
  );
}

/** The control at rest, or what stands in it after the strokes. */
function Seen({
  answers,
  target,
  field,
  pictures,
}: {
  answers: Answers;
  target: Target;
  field: Field;
  pictures: ReadonlyMap<string, Picture>;
}) {
  const typed = typedText(answers, target.id, field.id);
  if (typed !== null) return <span className="mono">{typed === '' ? 'empty' : visible(typed)}</span>;
  const look = answerTo(answers, 'look', target.id, field.id, 'closed')?.outcome;
  const id = look?.status === 'answered' ? look.facts.picture : null;
  const picture = id === null ? undefined : pictures.get(id);
  if (!picture)
    return (
      <span className="soft">
        {look?.status === 'answered' ? look.facts.typeReflected : look ? unansweredText(look) : 'not asked'}
      </span>
    );
  return (
    // biome-ignore lint/performance/noImgElement: a crop at its true size, inside the page already
    <img
      src={pictureAddress(picture)}
      width={picture.width}
      height={picture.height}
      alt={`${field.label} in ${target.name}`}
    />
  );
}
