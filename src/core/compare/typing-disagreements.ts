import type { TypingFacts, TypingStep } from '../observation/observation';

/** Where two replays of one script part ways at one stroke. */
export interface Disagreement {
  readonly what: 'text' | 'value' | 'caret' | 'refused' | 'events';
  readonly text: string;
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
  if (model.text !== asked.text)
    found.push({
      what: 'text',
      text: `The model has the text “${model.text}”, the answer is “${asked.text}”.`,
    });
  else if (model.caret.start !== asked.caret.start || model.caret.end !== asked.caret.end)
    found.push({
      what: 'caret',
      text: `The model has the caret at ${model.caret.start}, the answer is ${asked.caret.start}.`,
    });
  if (model.value !== asked.value)
    found.push({
      what: 'value',
      text: `The model has the value “${model.value}”, the answer is “${asked.value}”.`,
    });
  if (model.refused !== asked.refused)
    found.push({
      what: 'refused',
      text: asked.refused ? 'The model lets this stroke pass.' : 'The model refuses this stroke.',
    });
  const [modelEvents, askedEvents] = [eventNames(model), eventNames(asked)];
  if (modelEvents !== askedEvents)
    found.push({ what: 'events', text: `The model raises ${modelEvents}; the answer is ${askedEvents}.` });
  return found;
}

function eventNames(step: TypingStep): string {
  return step.events.map((event) => event.type).join(', ') || 'nothing';
}
