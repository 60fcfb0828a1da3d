import type { Guard } from '../guard/guard';
import { patternsOf } from '../guard/patterns-of';
import { attribute, type Field } from '../html/field';
import type { Habits } from '../model/deviations/habits';
import { patternTable } from '../pattern/pattern-table';
import { wordsWith } from '../pattern/words-with';
import { quickReplay } from '../replay/quick-replay';
import { judgeFor } from '../rules/judge';
import { graphemes } from '../script/graphemes';
import { charactersOf, type Keyboard } from './keyboard';
import { hasEmoji } from './keyboards';
import { expectedTexts, type RuledField } from './ruled-field';
import { missingFrom } from './taps';

/** Values that the field's rule accepts and that cannot be typed on the keyboard that comes up. */
export interface Trap {
  /** Characters that they need and no key brings, through all layers. */
  readonly missing: readonly string[];
  /** The shortest of them. */
  readonly value: string;
}

export interface TrapQuestion {
  readonly ruled: RuledField;
  readonly habits: Pick<Habits, 'deviations' | 'typing'>;
  /** What stands between the whole part of a number and its decimals where the person lives. */
  readonly separator: string;
}

/** Most values that are tried for each keyboard. */
const most = 40;

/**
 * Whether the keyboard is a trap: by the field's whole rule, not by its kind alone. A value counts as typed when what the
 * guards make of the keys that there are comes to it, so that a separator that a mask puts in need not be on the keyboard.
 */
export function trapOf(question: TrapQuestion, keyboard: Keyboard): Trap | null {
  const there = charactersOf(keyboard);
  const emoji = hasEmoji(keyboard);
  const isThere = (character: string) => there.has(character) || (emoji && isEmoji(character));
  const untypable = acceptedValues(question, isThere).filter((value) => !canType(value, question, isThere));
  const [value] = untypable.sort((a, b) => a.length - b.length || (a < b ? -1 : 1));
  if (value === undefined) return null;
  const missing = untypable.flatMap((one) => graphemes(one).filter((character) => !isThere(character)));
  return { missing: [...new Set(missing)].slice(0, 12), value };
}

function isEmoji(character: string): boolean {
  return /^\p{Emoji_Presentation}/u.test(character);
}

/** Values that need a character which is not there, and that the rule accepts. */
function acceptedValues(question: TrapQuestion, isThere: (character: string) => boolean): string[] {
  const { ruled, habits } = question;
  const { field, guards } = ruled;
  // An app holds its own field to the same rule.
  const { judge } = judgeFor(field, guards, { ...habits, typing: { ...habits.typing, tells: 'DOM events' } });
  const typed = quickReplay(field, guards, { ...habits, typing: { ...habits.typing, keys: 'hardware' } });
  const lacks = (value: string) => graphemes(value).some((character) => !isThere(character));
  const candidates = [
    ...expectedTexts(ruled),
    ...ownValues(field),
    ...guardValues(guards),
    ...patternValues(question, isThere),
  ];
  return [...new Set(candidates)].filter(
    (value) =>
      value !== '' && lacks(value) && judge(value).verdict === 'accepted' && typed(value).text === value,
  );
}

function patternValues(
  { ruled: { field, guards } }: TrapQuestion,
  isThere: (character: string) => boolean,
): string[] {
  const whole = patternsOf(field, guards).filter(({ match }) => match === 'whole');
  return whole.flatMap((pattern) => {
    const rule = patternTable(pattern);
    return rule.status === 'known' ? wordsWith(rule.table, (character) => !isThere(character), most) : [];
  });
}

/** Values that the kind and the limits themselves ask for. */
function ownValues(field: Field): string[] {
  switch (field.kind) {
    case 'number':
      return numberValues(field);
    case 'email':
      return ['a@b', 'a@b.c', 'a+b@c.d'];
    case 'url':
      return ['a:', 'https://a.b/c'];
    default:
      return [];
  }
}

function numberValues({ controls: [control] }: Field): string[] {
  const limit = (name: string) => Number.parseFloat(attribute(control, name) ?? '');
  const [min, max, given] = [limit('min'), limit('max'), attribute(control, 'step') ?? '1'];
  const step = given.toLowerCase() === 'any' ? 0.5 : Number.parseFloat(given) || 1;
  const base = Number.isNaN(min) ? 0 : min;
  const near = [-3, -2, -1, 0, 1, 2, 3].flatMap((count) => [base + count * step, count, count * step]);
  const all = [...near, min, max, max - step, 10 * step, base + 10 * step].filter(
    (value) => !Number.isNaN(value),
  );
  return all.map((value) => String(Number(value.toPrecision(12)))).filter((text) => !text.includes('e'));
}

/** One character of each sort that a guard lets stand, and a text that a mask is filled with. */
function guardValues(guards: readonly Guard[]): string[] {
  return guards.flatMap((guard): string[] => {
    if (!guard.on) return [];
    switch (guard.kind) {
      case 'allow':
        return [...graphemes(guard.set.own), 'a', 'A', '1'];
      case 'words':
        return guard.sense === 'one of' ? [...guard.words] : [];
      case 'mask':
        return [
          guard.mask.replace(/\\(.)|[0AX]/g, (place, fixed: string) => fixed ?? (place === '0' ? '1' : 'A')),
        ];
      case 'date':
        return [guard.format.replace(/d+/, '14').replace(/m+/, '03').replace(/y+/, '2026')];
      default:
        return [];
    }
  });
}

/** The value is typed as it is, without what is not on the keyboard, or in small letters; guards may do the rest. */
function canType(
  value: string,
  { ruled: { field, guards }, habits, separator }: TrapQuestion,
  isThere: (character: string) => boolean,
): boolean {
  const typed = quickReplay(field, guards, habits);
  const without = graphemes(value).filter(isThere).join('');
  const all = new Set([
    value,
    without,
    value.toLowerCase(),
    graphemes(value.toLowerCase()).filter(isThere).join(''),
  ]);
  const isOn = (text: string) => missingFrom(text, asSet(text, isThere)).length === 0;
  const comes = [...all].some((text) => isOn(text) && typed(text).text === value);
  // A number field reads the separator of the person's own language.
  return comes || (field.kind === 'number' && isOn(value.replace('.', separator)));
}

function asSet(text: string, isThere: (character: string) => boolean): ReadonlySet<string> {
  return new Set(graphemes(text).filter(isThere));
}
