import type { Guard } from '../guard/guard';
import { type Field, tellsSelection } from '../html/field';
import type { PageControls } from '../html/page-controls';
import type { TypingFacts, TypingStep } from '../questions/typing/facts';
import type { Script, Stroke } from '../script/stroke';
import { keptParts } from '../structural-sharing';
import { engineDeviations } from './deviations/engine-deviations';
import type { TypedAt } from './deviations/habits';
import type { RaisedEvent } from './typing/event-log';
import { placeIn } from './typing/typing-place';
import { Typist } from './typing/typist';

/**
 * Types a script into a field as a target with these habits would: focus by script, unless the script begins with a
 * focus of its own, then one stroke after another. Follows UI Events and Input Events for the order of events.
 *
 * @param page the controls and forms around it; a field alone is in no form, and Enter sends nothing
 */
export function typeScript(
  field: Field,
  script: Script,
  guards: readonly Guard[],
  habits: TypedAt,
  page?: PageControls,
): TypingFacts {
  return scriptTyping(field, guards, habits, page)(script);
}

/**
 * Types one script after another, each into the field as it was at first, as `typeScript` does. A script that goes on where
 * the one before ended is not typed again from its beginning: steps that both have are the very same.
 */
export function scriptTyping(
  field: Field,
  guards: readonly Guard[],
  habits: TypedAt,
  page: PageControls = { controls: field.controls, forms: [] },
): (script: Script) => TypingFacts {
  const { ordinal } = field.controls[0];
  const deviations = engineDeviations[habits.deviations];
  let typist: Typist | null = null;
  let typed: { readonly script: Script; readonly steps: readonly TypingStep[] } = { script: [], steps: [] };
  return (script) => {
    if (!typist || typed.script.length === 0 || !goesOn(typed.script, script)) {
      const place = placeIn(page, ({ control }) => control.ordinal === ordinal, deviations);
      if (!place) throw new Error(`The page has no control ${ordinal}.`);
      typist = new Typist(place, habits.typing, deviations, guards, habits.now);
      typed = { script: [], steps: [] };
      if (script[0]?.kind !== 'focus') typist.focus('script');
    }
    const by = typist;
    const more = script.slice(typed.script.length).map((stroke) => typeStroke(by, stroke));
    typed = { script, steps: [...typed.steps, ...more] };
    return { script, guards, followed: !tellsSelection(field.kind), steps: typed.steps };
  };
}

function goesOn(before: Script, script: Script): boolean {
  const kept = keptParts(before, script);
  return before.every((stroke, at) => kept[at] === stroke);
}

function typeStroke(typist: Typist, stroke: Stroke): TypingStep {
  const { refused, guard, rewrittenBy, endless } = typist.stroke(stroke);
  const { text, caret, value } = typist.control;
  return {
    text,
    caret,
    value,
    refused,
    guard,
    ...(rewrittenBy.length > 0 && { rewrittenBy }),
    ...(endless !== null && { endless }),
    events: typist.takeEvents().map(asRecord),
  };
}

function asRecord({ on: _, ...record }: RaisedEvent): TypingStep['events'][number] {
  return record;
}
