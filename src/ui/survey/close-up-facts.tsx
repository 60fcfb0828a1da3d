'use client';

import type { ReactNode } from 'react';
import type { Outcome } from '@/core/observation/outcome';
import type { AccessibilityFacts } from '@/core/questions/accessibility/facts';
import type { LookFacts } from '@/core/questions/look/facts';
import type { PartsFacts } from '@/core/questions/parts/facts';
import { sizeText } from '@/core/words/difference-words';
import { VisibleText } from '../frame/visible-text';
import { statesTold } from './accessibility-content';
import type { AnswersAbout } from './answers-about';
import styles from './close-up.module.css';

/** What assistive technology is told of the field. */
function Announced({ told }: { told: AccessibilityFacts }) {
  return (
    <>
      <Fact name="accessible name">
        <VisibleText text={told.name} empty="none" />
      </Fact>
      <Fact name="role">{[told.role ?? 'none', ...statesTold(told)].join(', ')}</Fact>
      {told.description && (
        <Fact name="description">
          <VisibleText text={told.description} />
        </Fact>
      )}
      {told.value && (
        <Fact name="value, announced">
          <VisibleText text={told.value} />
        </Fact>
      )}
    </>
  );
}

/** The facts of all answers, by name. */
export function Facts({ asked }: { asked: AnswersAbout }) {
  const look = (state: string) => factsOf(asked.looks.find((one) => one.state === state));
  const [closed, filled] = [look('closed'), look('filled')];
  const parts = factsOf(asked.parts);
  const message = factsOf(asked.message);
  const told = factsOf(asked.accessibility);
  return (
    <dl className={styles.facts}>
      {closed && (
        <>
          <Fact name="type in effect">
            <VisibleText text={closed.typeReflected} empty="none" />
          </Fact>
          <Fact name="size">
            {closed.size ? sizeText(closed.size) : 'not known'}
            {parts?.sizeWithoutLimits && `, without its limits ${sizeText(parts.sizeWithoutLimits)}`}
          </Fact>
          {closed.drawnBy && (
            <Fact name="drawn by">its label; styles keep the control itself out of sight</Fact>
          )}
          {closed.font && <Fact name="font">{closed.font}</Fact>}
          {closed.contrast?.text && (
            <Fact name="contrast">
              {closed.contrast.text} : 1
              {closed.contrast.placeholder && `, of the placeholder ${closed.contrast.placeholder} : 1`}
            </Fact>
          )}
        </>
      )}
      {parts && <PartsList parts={parts} />}
      {told && <Announced told={told} />}
      {closed && (
        <Fact name="value">
          <Value look={closed} />
        </Fact>
      )}
      {filled && (
        <Fact name="value, filled">
          <Value look={filled} />
        </Fact>
      )}
      {filled?.sent && (
        <Fact name="sent, filled">
          <VisibleText text={filled.sent.join(' & ')} empty="nothing" />
        </Fact>
      )}
      {message && (
        <>
          <Fact name="tried">
            <VisibleText text={message.tried} />
          </Fact>
          <Fact name="validity">
            {message.willValidate ? message.flags.join(', ') || 'valid' : 'not checked'}
          </Fact>
          <Fact name="message">
            {message.message === null ? 'wording not known' : message.message || 'none'}
            {message.saysTitle === false && ' (without the author’s title)'}
          </Fact>
        </>
      )}
      {asked.looks.map(({ state, outcome }) =>
        outcome.status === 'answered' && outcome.facts.pseudoClasses ? (
          <Fact key={state} name={`in effect, ${state}`}>
            <span className="mono">{outcome.facts.pseudoClasses.join(' ')}</span>
            {outcome.facts.marks && outcome.facts.marks.length > 0 && (
              <> beside it: {outcome.facts.marks.map(({ by, text }) => `${by} “${text}”`).join(', ')}</>
            )}
          </Fact>
        ) : null,
      )}
    </dl>
  );
}

/** The value, and the text that is shown for it where that is another one. */
function Value({ look: { value, textShown } }: { look: LookFacts }) {
  return (
    <>
      <VisibleText text={value} />
      {textShown !== null && textShown !== value && (
        <>
          {' '}
          shown as <VisibleText text={textShown} />
        </>
      )}
    </>
  );
}

function PartsList({ parts }: { parts: PartsFacts }) {
  return (
    <>
      <Fact name="parts">
        {parts.parts.length === 0
          ? parts.lookedFor.includes('text box')
            ? 'none detected'
            : 'not told: that needs trusted clicks and keys'
          : parts.parts.map(({ part, how }) => (
              <div key={part}>
                {part}: <span className="soft">{how}</span>
              </div>
            ))}
      </Fact>
      {parts.shows && <Fact name="shows its value">{showsText[parts.shows]}</Fact>}
      {parts.order && (
        <Fact name="drawn as">
          {parts.order.join(', ')}
          {parts.clock && `, on a clock of ${parts.clock}`}
        </Fact>
      )}
    </>
  );
}

const showsText = {
  text: 'as text',
  picture: 'as a picture: it cannot be read off',
  nothing: 'not at all',
} as const;

function factsOf<Facts>(observation: { outcome: Outcome<Facts> } | undefined): Facts | null {
  return observation?.outcome.status === 'answered' ? observation.outcome.facts : null;
}

/** A name with what is shown for it, in a description list. */
export function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}
