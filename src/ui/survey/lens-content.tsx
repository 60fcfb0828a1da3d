'use client';

import type { ReactNode } from 'react';
import type { Lens, LensState } from '@/core/compare/lens';
import { statesOf } from '@/core/document/look-state';
import type { Field } from '@/core/html/field';
import { type Answers, answerTo } from '@/core/run/answers';
import type { TargetId } from '@/core/target/target';
import { AccessibilityContent } from './accessibility-content';
import { KeyboardContent } from './keyboard-content';
import { LookContent, MessageContent, OpeningContent } from './survey-cell';

interface Shown {
  readonly answers: Answers;
  readonly state: LensState;
  readonly field: Field;
  readonly target: TargetId;
}

/** What a cell shows of a target's answers about a field, by lens. */
const contents: { readonly [L in Lens]: (shown: Shown) => ReactNode } = {
  look: ({ answers, state, field: { id, kind, label }, target }) =>
    state === 'open' ? (
      <OpeningContent opening={answerTo(answers, 'opening', target, id)} label={label} />
    ) : (
      <LookContent
        look={answerTo(answers, 'look', target, id, state)}
        parts={answerTo(answers, 'parts', target, id)}
        label={label}
        isAsked={statesOf(kind).includes(state)}
      />
    ),
  message: ({ answers, field: { id, label }, target }) => (
    <MessageContent
      message={answerTo(answers, 'message', target, id)}
      bubble={answerTo(answers, 'bubble', target, id)}
      label={label}
    />
  ),
  keyboard: ({ answers, field, target }) => (
    <KeyboardContent known={answerTo(answers, 'keyboard', target, field.id)} field={field} target={target} />
  ),
  accessibility: ({ answers, field, target }) => (
    <AccessibilityContent told={answerTo(answers, 'accessibility', target, field.id)} />
  ),
};

export function LensContent({ lens, ...shown }: Shown & { readonly lens: Lens }) {
  return contents[lens](shown);
}
