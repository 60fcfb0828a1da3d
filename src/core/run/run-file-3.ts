import { isJsonObject, type JsonObject } from '../json-object';
import type { ReasonCode, Unmade, UnmadeCode, Unsent, UnsentCode } from '../observation/reason';

/** What version 3 said where a question had no answer. */
const reasons: ReadonlyMap<string, ReasonCode> = new Map([
  ['A hidden field is not drawn.', 'not drawn'],
  ['The field takes no room in the page.', 'no room'],
  ['The button takes no room in the page.', 'no room'],
  ['The field is not in the page.', 'not in page'],
  ['The field does not take focus.', 'no focus'],
  ['The page takes the focus away from it again.', 'focus taken away'],
  ['Nothing opens for this kind of field.', 'nothing opens'],
  ['No key does anything to this kind of field.', 'no keys'],
  ['The field has no script.', 'no script'],
  ['The field has no name, so nothing of it is ever sent.', 'no name'],
  ['A field outside of browsers draws, checks and sends in its app’s own way.', 'native field'],
  ['A script cannot choose a file.', 'no file by script'],
  ['Nothing can be entered here.', 'nothing to enter'],
  ['No text was found that its constraints accept.', 'no valid text'],
  ['Its constraints refuse nothing.', 'nothing invalid'],
  ['The meter has no such region.', 'no such region'],
  ['The list has no option to choose.', 'no option'],
  ['A page cannot see what a browser opens over it.', 'page sees no windows'],
  ['A page cannot type into itself as a person does.', 'page presses no keys'],
  ['A page cannot press its own buttons as a person does.', 'page presses no buttons'],
  ['A page cannot be sent from within Ukko.', 'page submits nothing'],
  ['The model draws nothing; only a real engine opens something.', 'model draws nothing'],
  ['The model does not know of what it is made.', 'model knows no parts'],
  ['The model knows neither the styles nor the scripts of a page.', 'model knows no page'],
  [
    'The display of a remote engine is not at hand, so what opens over the page cannot be seen.',
    'remote display',
  ],
]);

/** What it said where nothing was sent; the address and the protocol stand in the middle of some. */
const unsent: readonly (readonly [says: RegExp, code: UnsentCode])[] = [
  [/^Nothing was sent, and no field was in the way\.$/, 'no request'],
  [/^The form has no field of one line of text\.$/, 'no line of text'],
  [/^The button belongs to no form\.$/, 'no form'],
  [/^What was pressed sends no form\.$/, 'no submit button'],
  [/^The method is dialog: /, 'dialog'],
  [/^The action [\s\S]* is no address\.$/, 'no address'],
  [/^An action that begins with \S* asks no server\.$/, 'no server'],
];
const policy = /^The page's policy lets forms be sent to ([\s\S]*) alone \(form-action\)/;

/** What it said where a stroke was not made. */
const unmade: readonly (readonly [says: RegExp, code: UnmadeCode])[] = [
  [/^This kind of field does not let a script set its caret; /, 'caret not settable'],
  [/^A driver has no input method: /, 'no input method'],
  [/^Nothing here can make a .* for real: /, 'no such route'],
  [/^What stands before the field decides where Tab comes from; /, 'tab from outside'],
  [/^The field cannot be clicked\.$/, 'not clickable'],
  [/^Pasting needs a clipboard: /, 'no clipboard program'],
  [/^The clipboard of the display does not take the text\.$/, 'clipboard refuses'],
  [/^A page may not write to the clipboard by itself\.$/, 'page has no clipboard'],
  [/^Pop-ups and bubbles need a display without a monitor: /, 'no display'],
  [/^The display of a remote engine is not at hand, /, 'remote display'],
];

/** A run as version 3 wrote it, in the shape of version 4: why there is no answer was a sentence. What has another shape is handed on as it is. */
export function runFromVersion3(run: JsonObject): JsonObject {
  const { observations } = run;
  return Array.isArray(observations)
    ? { ...run, observations: observations.map(observationFromVersion3) }
    : run;
}

export function observationFromVersion3(observation: unknown): unknown {
  if (!isJsonObject(observation)) return observation;
  const { outcome, question, provenance } = observation;
  return {
    ...observation,
    ...(isJsonObject(provenance) && { provenance: provenanceFrom(provenance) }),
    ...(isJsonObject(outcome) && { outcome: outcomeFrom(outcome, String(question), provenance) }),
  };
}

function provenanceFrom({ unable, ...provenance }: JsonObject): JsonObject {
  if (!Array.isArray(unable)) return unable === undefined ? provenance : { ...provenance, unable };
  const carried = unable.map((text: unknown) => (typeof text === 'string' ? { code: 'older', text } : text));
  return { ...provenance, unable: carried };
}

function outcomeFrom(outcome: JsonObject, question: string, provenance: unknown): JsonObject {
  const { status, reason, facts } = outcome;
  if (status === 'inapplicable' && typeof reason === 'string')
    return { ...outcome, reason: reasonFrom(reason) };
  if (status === 'failed' && typeof reason === 'string')
    return { status, failure: { code: 'older', text: reason } };
  const read = factsFrom.get(question);
  return read && isJsonObject(facts) ? { ...outcome, facts: read(facts, provenance) } : outcome;
}

type ReadFacts = (facts: JsonObject, provenance: unknown) => JsonObject;

/** The questions whose facts are others than they were. */
const factsFrom: ReadonlyMap<string, ReadFacts> = new Map<string, ReadFacts>([
  [
    'submission',
    (facts) => ({
      ...facts,
      asIs: sendingFrom(facts.asIs),
      filled: sendingFrom(facts.filled),
      ...(isJsonObject(facts.others) && {
        others: Object.fromEntries(
          Object.entries(facts.others).map(([way, sending]) => [way, sendingFrom(sending)]),
        ),
      }),
    }),
  ],
  [
    'typing',
    (facts) =>
      typeof facts.stoppedBy === 'string' ? { ...facts, stoppedBy: unmadeFrom(facts.stoppedBy) } : facts,
  ],
  // There was one keyboard that could be asked.
  [
    'keyboard',
    (facts, provenance) => ({
      program: isJsonObject(provenance) && provenance.mark === 'measured' ? 'squeekboard' : null,
      ...facts,
    }),
  ],
]);

function reasonFrom(text: string): JsonObject {
  const code = reasons.get(text);
  return code ? { code } : { code: 'older', text };
}

function sendingFrom(sending: unknown): unknown {
  return isJsonObject(sending) && sending.status === 'nothing' && typeof sending.why === 'string'
    ? { ...sending, why: unsentFrom(sending.why) }
    : sending;
}

function unsentFrom(text: string): Unsent {
  const [, allowed] = policy.exec(text) ?? [];
  if (allowed !== undefined) return { code: 'policy', allowed };
  const [, code] = unsent.find(([says]) => says.test(text)) ?? [];
  return code ? { code } : { code: 'older', text };
}

function unmadeFrom(text: string): Unmade {
  const [, code] = unmade.find(([says]) => says.test(text)) ?? [];
  return code ? { code } : { code: 'older', text };
}
