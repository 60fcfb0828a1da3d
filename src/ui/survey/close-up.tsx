'use client';

import { App, Button } from 'antd';
import { differences, sizeText } from '@/core/compare/differences';
import type { Field } from '@/core/form/field';
import { controlStates, type LookObservation } from '@/core/observation/observation';
import { provenanceText } from '@/core/observation/provenance';
import { defaultLineUp, targetName } from '@/core/target/line-up';
import type { TargetId } from '@/core/target/target';
import { ProvenanceMark } from '../frame/provenance-mark';
import { lookOf, messageOf, type PictureFile, type RunWorkspace, useRun } from '../frame/use-run';
import { useSelection } from '../frame/use-selection';
import { VisibleText } from '../frame/visible-text';
import styles from './close-up.module.css';
import { LookContent } from './survey-cell';

/** Everything one target answered about one field: pictures first, numbers next, words last. */
export function CloseUp({ onClose }: { onClose: () => void }) {
  const { run, fields } = useRun();
  const [selection, select] = useSelection();
  const field = fields.find((one) => one.id === selection.field) ?? null;
  const lineUp = run?.lineUp ?? defaultLineUp;
  const target = selection.target ?? lineUp.reference;
  return (
    <aside className={styles.panel} aria-label="Close-up">
      <div className={styles.head}>
        <div>
          <h2>{field?.label ?? 'Close-up'}</h2>
          {field && <span className="mono soft">{field.kind}</span>}
        </div>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </div>
      <div className={styles.targets}>
        {lineUp.targets.map((id) => (
          <Button
            key={id}
            size="small"
            type={id === target ? 'primary' : 'default'}
            aria-pressed={id === target}
            onClick={() => select({ target: id })}
          >
            {targetName(id)}
          </Button>
        ))}
      </div>
      {field ? (
        <Answers field={field} target={target} reference={lineUp.reference} />
      ) : (
        <p className="soft">Choose a field to see what each target answered about it.</p>
      )}
    </aside>
  );
}

function Answers({ field, target, reference }: { field: Field; target: TargetId; reference: TargetId }) {
  const { observations, pictures } = useRun();
  const [selection] = useSelection();
  const looks = controlStates.map((state) => lookOf(observations, target, field.id, state));
  const message = messageOf(observations, target, field.id);
  const first = looks.find((look) => look !== undefined) ?? message;
  if (!first) return <p className="soft">Not asked yet. Sweep the line-up to fill this in.</p>;
  return (
    <>
      <p className={styles.provenance}>
        <ProvenanceMark mark={first.provenance.mark} />
        <span>
          {provenanceText(first.provenance)}, {new Date(first.at).toLocaleString('en-GB')}
        </span>
      </p>
      <Differences field={field} target={target} reference={reference} observations={observations} />
      <dl className={styles.states}>
        {controlStates.map((state, index) => (
          <State key={state} state={state} look={looks[index]} label={field.label} pictures={pictures} />
        ))}
      </dl>
      {first.provenance.mark === 'captured' && (
        <p className={styles.provenance}>
          A page may not photograph itself: the pictures are drawn from a copy of it, which shows neither the
          focus nor what only an attempt to send brings out.
        </p>
      )}
      <Facts looks={looks} message={message} />
      <Copies look={looks[controlStates.indexOf(selection.state)]} pictures={pictures} />
    </>
  );
}

function State({
  state,
  look,
  label,
  pictures,
}: {
  state: string;
  look: LookObservation | undefined;
  label: string;
  pictures: RunWorkspace['pictures'];
}) {
  return (
    <>
      <dt>{state}</dt>
      <dd>
        <LookContent look={look} label={label} pictures={pictures} />
      </dd>
    </>
  );
}

function Differences({
  field,
  target,
  reference,
  observations,
}: {
  field: Field;
  target: TargetId;
  reference: TargetId;
  observations: RunWorkspace['observations'];
}) {
  if (target === reference) return null;
  const found = [
    ...controlStates.flatMap((state) =>
      differences(
        lookOf(observations, reference, field.id, state),
        lookOf(observations, target, field.id, state),
      ).map(({ text }) => `${state}: ${text}`),
    ),
    ...differences(
      messageOf(observations, reference, field.id),
      messageOf(observations, target, field.id),
    ).map(({ text }) => text),
  ];
  if (found.length === 0) return null;
  return (
    <ul className={styles.differences} aria-label={`Differences from ${targetName(reference)}`}>
      {[...new Set(found)].map((text) => (
        <li key={text}>{text}</li>
      ))}
    </ul>
  );
}

function Facts({
  looks,
  message,
}: {
  looks: readonly (LookObservation | undefined)[];
  message: ReturnType<typeof messageOf>;
}) {
  const answered = looks.map((look) => (look?.outcome.status === 'answered' ? look.outcome.facts : null));
  const [closed, , filled] = answered;
  const facts = message?.outcome.status === 'answered' ? message.outcome.facts : null;
  return (
    <dl className={styles.facts}>
      {closed && (
        <>
          <Fact name="type in effect">
            <VisibleText text={closed.typeReflected} empty="none" />
          </Fact>
          <Fact name="size">{closed.size ? sizeText(closed.size) : 'not known'}</Fact>
          {closed.parts && <Fact name="parts">{closed.parts.join(', ')}</Fact>}
          <Fact name="value">
            <VisibleText text={closed.value} />
          </Fact>
        </>
      )}
      {filled && (
        <Fact name="value, filled">
          <VisibleText text={filled.value} />
        </Fact>
      )}
      {facts && (
        <>
          <Fact name="tried">
            <VisibleText text={facts.tried} />
          </Fact>
          <Fact name="validity">
            {facts.willValidate ? facts.flags.join(', ') || 'valid' : 'not checked'}
          </Fact>
          <Fact name="message">{facts.message === null ? 'wording not known' : facts.message || 'none'}</Fact>
        </>
      )}
    </dl>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}

function Copies({
  look,
  pictures,
}: {
  look: LookObservation | undefined;
  pictures: RunWorkspace['pictures'];
}) {
  const { message } = App.useApp();
  const file =
    look?.outcome.status === 'answered' && look.outcome.facts.picture
      ? pictures.get(look.outcome.facts.picture)
      : undefined;
  const copy = (what: string, work: () => Promise<void>) =>
    work().then(
      () => message.success(`Copied the ${what}.`),
      () =>
        message.error(`This browser did not let Ukko copy the ${what}. Allow the clipboard and try again.`),
    );
  return (
    <div className={styles.actions}>
      <Button
        size="small"
        onClick={() => copy('link', () => navigator.clipboard.writeText(window.location.href))}
      >
        Copy link
      </Button>
      <Button size="small" disabled={!file} onClick={() => file && copy('picture', () => copyPicture(file))}>
        Copy picture
      </Button>
      <Button
        size="small"
        disabled={!look}
        onClick={() => copy('answer', () => navigator.clipboard.writeText(JSON.stringify(look, null, 2)))}
      >
        Copy as text
      </Button>
    </div>
  );
}

function copyPicture({ blob }: PictureFile): Promise<void> {
  return navigator.clipboard.write([new ClipboardItem({ 'image/png': blob })]);
}
