'use client';

import { App, Button } from 'antd';
import { useState } from 'react';
import type { Field } from '@/core/html/field';
import { habitsOf } from '@/core/model/deviations/habits';
import { type Picture, pictureBytes } from '@/core/observation/picture';
import type { BubbleObservation } from '@/core/questions/bubble/facts';
import type { LookObservation } from '@/core/questions/look/facts';
import type { OpeningObservation } from '@/core/questions/opening/facts';
import { type LineUp, targetIn } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
import { differenceWords } from '@/core/words/difference-words';
import { kindText } from '@/core/words/kind-text';
import { provenanceText } from '@/core/words/provenance-words';
import { unansweredText } from '@/core/words/reason-words';
import { trustText } from '@/core/words/trust-words';
import { ProvenanceMark } from '../frame/provenance-mark';
import { type TargetComparison, useTargetComparison } from '../frame/use-comparison';
import { usePicture } from '../frame/use-picture';
import { useRun } from '../frame/use-run';
import { useSelection } from '../frame/use-selection';
import { answersAbout } from './answers-about';
import styles from './close-up.module.css';
import { Fact, Facts } from './close-up-facts';
import { FallbackPlans, fallingBack } from './fallback-plans';
import { CellPicture, Leaving, LookContent, OpeningContent } from './survey-cell';

/** Everything one target answered about one field: pictures first, numbers next, words last. */
export function CloseUp({ onClose }: { onClose: () => void }) {
  const { fields } = useRun();
  const comparison = useTargetComparison();
  const [selection, select] = useSelection();
  const field = fields.find((one) => one.id === selection.field) ?? null;
  const { lineUp } = comparison;
  const target = targetIn(lineUp, selection.target ?? lineUp.reference) ?? lineUp.targets[0];
  return (
    <aside className={styles.panel} aria-label="Close-up">
      <div className={styles.head}>
        <div>
          <h2>{field?.label ?? 'Close-up'}</h2>
          {field && <span className="mono soft">{kindText(field)}</span>}
        </div>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </div>
      <div className={styles.targets}>
        {lineUp.targets.map(({ id, name }) => (
          <Button
            key={id}
            size="small"
            type={id === target?.id ? 'primary' : 'default'}
            aria-pressed={id === target?.id}
            onClick={() => select({ target: id })}
          >
            {name}
          </Button>
        ))}
      </div>
      {field && target ? (
        <>
          <Fallback field={field} lineUp={lineUp} />
          <TargetAnswers field={field} target={target} comparison={comparison} />
        </>
      ) : (
        <p className="soft">Choose a field to see what each target answered about it.</p>
      )}
    </aside>
  );
}

/** Leads to the plans for a field that some target does not know. */
function Fallback({ field, lineUp }: { field: Field; lineUp: LineUp }) {
  const { answers } = useRun();
  const [open, setOpen] = useState(false);
  const targets = fallingBack(field, lineUp, answers);
  if (targets.length === 0) return null;
  return (
    <div className={styles.fallback}>
      <span>
        {field.kind} is not known to {targets.map(({ name }) => name).join(', ')}.
      </span>
      <Button size="small" onClick={() => setOpen(true)}>
        Fallback plans
      </Button>
      {open && <FallbackPlans field={field} lineUp={lineUp} onClose={() => setOpen(false)} />}
    </div>
  );
}

function TargetAnswers({
  field,
  target,
  comparison,
}: {
  field: Field;
  target: Target;
  comparison: TargetComparison;
}) {
  const { answers } = useRun();
  const [selection] = useSelection();
  const asked = answersAbout(answers, target.id, field);
  const first = asked.looks[0] ?? asked.message;
  const habits = habitsOf(target.id);
  if (!first) return <p className="soft">Not asked yet. Sweep the line-up to fill this in.</p>;
  const selected =
    selection.state === 'open' ? asked.opening : asked.looks.find(({ state }) => state === selection.state);
  return (
    <>
      <p className={styles.provenance}>
        <ProvenanceMark mark={first.provenance.mark} />
        <span>
          {provenanceText(first.provenance)}, {new Date(first.at).toLocaleString('en-GB')}
        </span>
      </p>
      {first.provenance.mark === 'modelled' && habits && (
        <p className={styles.provenance}>{trustText(habits, field.kind)}</p>
      )}
      <Differences field={field} target={target} comparison={comparison} />
      <dl className={styles.states}>
        {asked.looks.map((look) => (
          <Fact key={look.state} name={look.state}>
            <LookContent look={look} parts={asked.parts} label={field.label} />
          </Fact>
        ))}
        {asked.opening && asked.opening.outcome.status !== 'inapplicable' && (
          <Fact name="open">
            <OpeningContent opening={asked.opening} label={field.label} />
          </Fact>
        )}
        {asked.bubble && asked.bubble.outcome.status !== 'inapplicable' && (
          <Fact name="bubble">
            <BubbleContent bubble={asked.bubble} label={field.label} />
          </Fact>
        )}
      </dl>
      {first.provenance.mark === 'captured' && (
        <p className={styles.provenance}>
          A page may not photograph itself: the pictures are drawn from a copy of it, which shows neither the
          focus nor what only an attempt to send brings out.
        </p>
      )}
      <Facts asked={asked} />
      <Copies answer={selected} />
    </>
  );
}

function BubbleContent({ bubble, label }: { bubble: BubbleObservation; label: string }) {
  if (bubble.outcome.status !== 'answered')
    return <span className={styles.provenance}>{unansweredText(bubble.outcome)}</span>;
  const { picture, shown, leaves, showsTitle } = bubble.outcome.facts;
  return (
    <>
      <CellPicture picture={picture} alt={`${label}, bubble, measured`} />
      <span className={styles.provenance}>
        {shown ? '' : 'no bubble is shown'}
        {showsTitle !== null && (showsTitle ? 'with the author’s title' : 'without the author’s title')}
        <Leaving sides={leaves} />
      </span>
    </>
  );
}

function Differences({
  field,
  target,
  comparison,
}: {
  field: Field;
  target: Target;
  comparison: TargetComparison;
}) {
  const against = comparison.against(target.id);
  const found = comparison.all(target, field.id);
  if (!against || found.length === 0) return null;
  return (
    <ul className={styles.differences} aria-label={`Differences from ${against.there}`}>
      {found.map((one) => (
        <li key={JSON.stringify(one)}>{differenceWords(one, against)}</li>
      ))}
    </ul>
  );
}

function Copies({ answer }: { answer: LookObservation | OpeningObservation | undefined }) {
  const { message } = App.useApp();
  const picture = answer?.outcome.status === 'answered' ? answer.outcome.facts.picture : null;
  const file = usePicture(picture);
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
        disabled={!answer}
        onClick={() => copy('answer', () => navigator.clipboard.writeText(JSON.stringify(answer, null, 2)))}
      >
        Copy as text
      </Button>
    </div>
  );
}

function copyPicture(picture: Picture): Promise<void> {
  const blob = new Blob([pictureBytes(picture)], { type: 'image/png' });
  return navigator.clipboard.write([new ClipboardItem({ 'image/png': blob })]);
}
