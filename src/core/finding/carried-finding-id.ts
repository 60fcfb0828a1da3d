import type { FaultCode } from '../fault/fault';
import type { ActionKeyTrouble } from '../keyboard/action-key';
import { readJson } from '../reading/read-json';
import { carriedRuleName } from './carried-rule-name';
import { type Decision, type FindingId, findingId } from './finding';

type Carried = readonly [code: FaultCode, ...about: string[]];

const same = (code: FaultCode) => (): Carried => [code];

const about =
  (code: FaultCode, sentence: RegExp) =>
  (text: string): Carried | null => {
    const [, what] = sentence.exec(text) ?? [];
    return what === undefined ? null : [code, what];
  };

const either =
  (...readers: readonly ((text: string) => Carried | null)[]) =>
  (text: string): Carried | null =>
    readers.reduce<Carried | null>((found, read) => found ?? read(text), null);

const where =
  (code: FaultCode, sentence: RegExp) =>
  (text: string): Carried | null =>
    sentence.test(text) ? [code] : null;

/**
 * Version 0.1 made ids of the rule, the field, and the sentence without the field's label: by rule, what its sentences said. What
 * cannot be told from a sentence, because the label stood in the value too, is null.
 */
const sentences: Readonly<Record<string, (text: string) => Carried | null>> = {
  'no way to send': same('no way to send'),
  'no name': same('no name'),
  'no label': either(where('label without words', /^The |whoever/), same('no label')),
  'label for nothing': either(
    about('label for nothing', /^A label is for “([\s\S]*)”, and no field has that id\.$/),
    (text) => (text === 'A label is tied to nothing.' ? ['label for nothing', ''] : null),
  ),
  'duplicate id': about('duplicate id', /^The id “([\s\S]*)” is there twice/),
  'focus asked for twice': same('focus asked for twice'),
  'radio button alone': same('radio button alone'),
  'choices without a question': same('choices without a question'),
  'hint as value': about('hint as value', / is filled with “([\s\S]*)”, which a person must delete first\.$/),
  'default refused': either(
    about('default thrown away', / starts with “([\s\S]*)”, which its kind throws away\.$/),
    about('default refused', / starts with “([\s\S]*)”, which its own constraints refuse/),
  ),
  'example refused': about('example refused', / shows the example “([\s\S]*)”, which it refuses itself\.$/),
  'min above max': same('min above max'),
  'beyond its gauge': same('beyond its gauge'),
  pattern: either(
    where('pattern does not compile', / does not compile, so browsers ignore it: /),
    where('pattern accepts nothing', / also accepts nothing\.$/),
    where('pattern without a hint', / nowhere says what it wants\.$/),
  ),
  'limit not shown': (text) => {
    const [, limits] = / has ([a-z ]+), and shows that nowhere/.exec(text) ?? [];
    return limits === undefined ? null : ['limit not shown', ...limits.split(' and ')];
  },
  'attribute ignored': about('attribute ignored', /^(\S+) does nothing on /),
  'unknown type': about('unknown type', /^There is no input type “([\s\S]*)”: /),
  'code as number': either(where('number to dial', / is a number to dial, /), same('code as number')),
  suggestions: either(
    about('list not there', / names the list “([\s\S]*)”, which is not there\.$/),
    about('suggestion refused', / refuses what its own list offers: “([\s\S]*)”\.$/),
  ),
  autocomplete: same('autocomplete'),
  'slider without readout': same('slider without readout'),
  'keypad lacks a character': about('keypad lacks a character', / takes “([\s\S]*?)”, and the keypad that /),
  'filter on keys': about('filter on keys', / hangs on (\S+): /),
  'picker over picker': same('picker over picker'),
  'buttons alike': same('buttons alike'),
};

const troubles: ReadonlyMap<string, ActionKeyTrouble> = new Map([
  [
    'This keyboard has no key to go on with: the person has to tap beside the field to get rid of it.',
    'no action key',
  ],
  ['The action key puts a newline, and the form has no button that sends it.', 'newline only'],
]);

/** The id that a finding of version 0.1 has now; ids of today, and those of which it cannot be told, stay as they are. */
export function carriedFindingId(id: FindingId): FindingId {
  const parts = partsOf(id);
  const carried =
    parts[0] === 'markup' ? ofMarkup(parts) : parts[0] === 'guard' ? ofGuard(parts) : ofActionKey(parts);
  return carried ? findingId(...carried) : id;
}

function ofMarkup([, rule = '', field = '', text, ...rest]: readonly string[]): readonly string[] | null {
  if (text === undefined || rest.length > 0 || !Object.hasOwn(sentences, rule)) return null;
  const carried = sentences[rule]?.(text);
  return carried ? ['markup', carried[0], field, ...carried.slice(1)] : null;
}

/** What got past a guard or was blocked by it was found by the guard's name. */
function ofGuard([, found = '', field = '', name = '', stage, ...rest]: readonly string[]):
  | readonly string[]
  | null {
  if (stage === undefined || rest.length > 0 || (found !== 'past' && found !== 'blocks')) return null;
  const rule = carriedRuleName(name);
  return rule && ['guard', found, field, ...rule, stage];
}

function ofActionKey([source, field = '', trouble = '']: readonly string[]): readonly string[] | null {
  const code = source === 'action key' ? troubles.get(trouble) : undefined;
  return code ? ['action key', field, code] : null;
}

/** Decisions with the ids that their findings have now, the latest last: of two on what is one finding now, that one holds. */
export function carriedDecisions<One extends Pick<Decision, 'finding' | 'at'>>(
  decisions: readonly One[],
): One[] {
  return decisions
    .map((decision) => ({ ...decision, finding: carriedFindingId(decision.finding) }))
    .sort((one, other) => (one.at < other.at ? -1 : one.at > other.at ? 1 : 0));
}

function partsOf(id: FindingId): string[] {
  let parts: unknown;
  try {
    parts = readJson(id);
  } catch {
    return [];
  }
  return Array.isArray(parts) && parts.every((part) => typeof part === 'string') ? parts : [];
}
