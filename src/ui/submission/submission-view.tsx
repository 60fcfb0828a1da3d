'use client';

import { Segmented, Select } from 'antd';
import dynamic from 'next/dynamic';
import { isScripted } from '@/core/document/own-page';
import type { Field } from '@/core/html/field';
import { firstSender, sendersIn } from '@/core/html/sender';
import { habitsOf } from '@/core/model/deviations/habits';
import type { UnsentField } from '@/core/model/unsent-fields';
import type { Sending, SubmissionFacts } from '@/core/questions/submission/facts';
import type { Target } from '@/core/target/target';
import { provenanceText } from '@/core/words/provenance-words';
import { unsentText } from '@/core/words/reason-words';
import { unsentFieldClause } from '@/core/words/submission-words';
import { trustText } from '@/core/words/trust-words';
import frame from '../frame/frame.module.css';
import { ProvenanceMark } from '../frame/provenance-mark';
import { useForm } from '../frame/use-form';
import { useSelection } from '../frame/use-selection';
import { HowFilled } from './how-filled';
import { SentEntries } from './sent-entries';
import styles from './submission.module.css';
import { type TargetSending, useSendings } from './use-sendings';
import { useSubmissionOutlook } from './use-submission-outlook';
import { type AskedWays, WaysToSend } from './ways-to-send';

const SendForReal = dynamic(() => import('./send-for-real').then((module) => module.SendForReal), {
  ssr: false,
});

/** Who is blocked, in which words; what is sent, byte for byte. */
export function SubmissionView() {
  const { form, reading } = useForm();
  const [selection, select] = useSelection();
  const buttons = sendersIn(reading.fields, isScripted(form.page));
  const button = buttons.find(({ id }) => id === selection.field) ?? buttons.at(-1) ?? null;
  const filled = selection.state !== 'closed';
  const outlook = useSubmissionOutlook(button);
  const sendings = useSendings(button, filled, outlook);
  // Enter and scripts know of no button: they were asked with the form's first.
  const first = button && firstSender(buttons, button);
  const atFirst = useSendings(first, false, outlook);
  const shown =
    sendings.find(({ target }) => target.id === selection.target) ??
    sendings.find(({ isReference }) => isReference) ??
    sendings[0];
  if (!button || !shown)
    return (
      <div className={frame.empty}>
        <h1>Nothing sends this form</h1>
        <p className="soft">It has no button of the kind submit or image. Add one in the Form view.</p>
      </div>
    );
  const reference = sendings.find(({ isReference }) => isReference);
  const entries = factsOf(shown)?.entries;
  const labelOf = (id: string) => labelIn(reading.fields, id);
  const askedWays: AskedWays = {
    mark: shown.observation?.provenance.mark ?? 'modelled',
    button: factsOf(shown)?.asIs ?? null,
    others: factsOf(atFirst.find(({ target }) => target === shown.target))?.others ?? null,
  };
  return (
    <div className={styles.view}>
      <div className={styles.bar}>
        <h1>Submission</h1>
        <Select
          aria-label="Button"
          value={button.id}
          options={buttons.map(({ id, label }) => ({ value: id, label }))}
          onChange={(id) => select({ field: id })}
        />
        <Segmented<boolean>
          aria-label="Pressed when"
          value={filled}
          options={[
            { value: false, label: 'as it is at first' },
            { value: true, label: 'filled in' },
          ]}
          onChange={(next) => select({ state: next ? 'filled' : 'closed' })}
        />
      </div>
      <div className={styles.columns}>
        <ul className={styles.targets} aria-label="What each target does">
          {sendings.map((one) => (
            <li key={one.target.id}>
              <TargetCard
                sending={one}
                selected={one === shown}
                onSelect={() => select({ target: one.target.id })}
              />
            </li>
          ))}
        </ul>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and must do so by keyboard too */}
        <section className={styles.detail} aria-label={`What ${shown.target.name} does`} tabIndex={0}>
          {shown.observation && (
            <p className={styles.provenance}>
              <ProvenanceMark mark={shown.observation.provenance.mark} />{' '}
              {provenanceText(shown.observation.provenance)}
              {shown.observation.provenance.mark === 'modelled' && shown.sending && (
                <Trust target={shown.target} />
              )}
            </p>
          )}
          {shown.differences.length > 0 && (
            <ul
              className={styles.differences}
              aria-label={`Differences from ${reference?.target.name ?? ''}`}
            >
              {shown.differences.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
          )}
          <Detail sending={shown.sending} note={shown.note} reference={reference?.sending ?? null} />
          {filled && entries && (
            <HowFilled
              entries={entries}
              setByScript={factsOf(shown)?.others?.setByScript ?? null}
              labelOf={labelOf}
            />
          )}
          {outlook && <NeverSent unsent={outlook.unsent} />}
          {outlook && <WaysToSend ways={outlook.ways} asked={askedWays} />}
          {form.page && (
            <SendForReal
              key={`${button.id} ${shown.target.id} ${filled}`}
              button={button}
              target={shown.target}
              filled={filled}
            />
          )}
        </section>
      </div>
    </div>
  );
}

function factsOf(one: TargetSending | undefined): SubmissionFacts | null {
  const outcome = one?.observation?.outcome;
  return outcome?.status === 'answered' ? outcome.facts : null;
}

function Trust({ target }: { target: Target }) {
  const habits = habitsOf(target.id);
  return habits && <>. {trustText(habits, 'submission')}</>;
}

function TargetCard({
  sending: { target, sending, observation, note, isReference, differences },
  selected,
  onSelect,
}: {
  sending: TargetSending;
  selected: boolean;
  onSelect: () => void;
}) {
  return (
    <button type="button" className={styles.target} aria-pressed={selected} onClick={onSelect}>
      <span className={styles.name}>
        {observation && <ProvenanceMark mark={observation.provenance.mark} />}
        {target.name}
        {isReference && <span className="soft"> reference</span>}
      </span>
      <Outcome sending={sending} note={note} />
      {differences.length > 0 && (
        <span className={styles.differs}>
          <span className={styles.mark} aria-hidden="true" />
          {differences.length === 1 ? 'differs' : `${differences.length} differences`}
        </span>
      )}
    </button>
  );
}

function Outcome({ sending, note }: { sending: Sending | null; note: string | null }) {
  const { reading } = useForm();
  if (!sending) return <span className="soft">{note}</span>;
  switch (sending.status) {
    case 'nothing':
      return <span className="soft">{unsentText(sending.why)}</span>;
    case 'blocked':
      return (
        <span>
          {sending.heldBy ? 'the page keeps it back' : 'stops'}
          {(!sending.heldBy || sending.by) && (
            <>
              {' '}
              at <b>{labelIn(reading.fields, sending.by)}</b>
            </>
          )}
          {sending.message && <span className={styles.words}>“{sending.message}”</span>}
        </span>
      );
    case 'sent':
      return (
        <span className="mono">
          {sending.method} {sending.url.split('?')[0]}
        </span>
      );
  }
}

function labelIn(fields: readonly Field[], id: string | null): string {
  return fields.find((field) => field.id === id)?.label ?? 'a field';
}

function Detail({
  sending,
  note,
  reference,
}: {
  sending: Sending | null;
  note: string | null;
  reference: Sending | null;
}) {
  const { reading } = useForm();
  if (!sending) return <p className="soft">{note}</p>;
  if (sending.status === 'nothing') return <p>{unsentText(sending.why)}</p>;
  if (sending.status === 'sent') return <SentEntries sending={sending} reference={reference} />;
  if (sending.heldBy && sending.invalid.length === 0)
    return <p>Scripts of the page keep it back, and mark no field as not valid.</p>;
  return (
    <>
      <h2>
        {sending.heldBy
          ? 'Where scripts of the page lead, or what they mark as not valid'
          : 'Not valid, in the order in which they are met'}
      </h2>
      <ol className={styles.invalid}>
        {sending.invalid.map((id) => (
          <li key={id}>{labelIn(reading.fields, id)}</li>
        ))}
      </ol>
    </>
  );
}

function NeverSent({ unsent }: { unsent: readonly UnsentField[] }) {
  const { reading } = useForm();
  if (unsent.length === 0) return null;
  return (
    <>
      <h2>Not sent by the form</h2>
      <ul className={styles.unsent}>
        {unsent.map((one) => (
          <li key={one.field}>
            <b>{labelIn(reading.fields, one.field)}</b>: {unsentFieldClause(one)}.
          </li>
        ))}
      </ul>
    </>
  );
}
