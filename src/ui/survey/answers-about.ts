import { statesOf } from '@/core/document/look-state';
import type { Field } from '@/core/html/field';
import type { AccessibilityObservation } from '@/core/questions/accessibility/facts';
import type { BubbleObservation } from '@/core/questions/bubble/facts';
import type { LookObservation } from '@/core/questions/look/facts';
import type { MessageObservation } from '@/core/questions/message/facts';
import type { OpeningObservation } from '@/core/questions/opening/facts';
import type { PartsObservation } from '@/core/questions/parts/facts';
import { type Answers, answerTo } from '@/core/run/answers';
import type { TargetId } from '@/core/target/target';

/** All that one target answered about one field. */
export interface AnswersAbout {
  readonly looks: readonly LookObservation[];
  readonly message: MessageObservation | undefined;
  readonly opening: OpeningObservation | undefined;
  readonly bubble: BubbleObservation | undefined;
  readonly parts: PartsObservation | undefined;
  readonly accessibility: AccessibilityObservation | undefined;
}

export function answersAbout(answers: Answers, target: TargetId, { id, kind }: Field): AnswersAbout {
  return {
    looks: statesOf(kind).flatMap((state) => answerTo(answers, 'look', target, id, state) ?? []),
    message: answerTo(answers, 'message', target, id),
    opening: answerTo(answers, 'opening', target, id),
    bubble: answerTo(answers, 'bubble', target, id),
    parts: answerTo(answers, 'parts', target, id),
    accessibility: answerTo(answers, 'accessibility', target, id),
  };
}
