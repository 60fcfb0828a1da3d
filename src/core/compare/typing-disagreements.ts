import type { TypingFacts, TypingStep } from '../questions/typing/facts';

/** Where the replay of a model and an answer part ways at one stroke. Its sentence is made in `words/`. */
export type Disagreement =
  | Sides<'text' | 'value', string>
  /** UTF-16 code units before it. */
  | Sides<'caret', number>
  | Sides<'refused', TypingStep['refused']>
  /** Types of the events, in their order. */
  | Sides<'events', readonly string[]>;

interface Sides<What extends string, Value> {
  readonly what: What;
  readonly model: Value;
  readonly asked: Value;
}

/** True when both replays are of the same script under the same guards; only then can they be compared. */
export function sameTask(a: TypingFacts, b: Pick<TypingFacts, 'script' | 'guards'>): boolean {
  return JSON.stringify([a.script, a.guards]) === JSON.stringify([b.script, b.guards]);
}

/** How a measured or captured replay differs from the model's, stroke by stroke; empty lists where they agree. */
export function typingDisagreements(model: TypingFacts, asked: TypingFacts): Disagreement[][] {
  return asked.steps.map((step, index) => {
    const predicted = model.steps[index];
    return predicted ? stepDisagreements(predicted, step) : [];
  });
}

function stepDisagreements(model: TypingStep, asked: TypingStep): Disagreement[] {
  const found: Disagreement[] = [];
  if (model.text !== asked.text) found.push({ what: 'text', model: model.text, asked: asked.text });
  else if (model.caret.start !== asked.caret.start || model.caret.end !== asked.caret.end)
    found.push({ what: 'caret', model: model.caret.start, asked: asked.caret.start });
  if (model.value !== asked.value) found.push({ what: 'value', model: model.value, asked: asked.value });
  if (model.refused !== asked.refused)
    found.push({ what: 'refused', model: model.refused, asked: asked.refused });
  const [events, askedEvents] = [typesOf(model), typesOf(asked)];
  if (events.join() !== askedEvents.join()) found.push({ what: 'events', model: events, asked: askedEvents });
  return found;
}

function typesOf(step: TypingStep): string[] {
  return step.events.map((event) => event.type);
}
