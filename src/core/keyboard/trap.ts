import type { Guard } from '../guard/guard';
import { patternsOf } from '../guard/patterns-of';
import { holds } from '../guard/rule';
import { attribute, type Field } from '../html/field';
import type { Habits } from '../model/deviations/habits';
import { neededTexts } from '../pattern/needed-text';
import { patternTable } from '../pattern/pattern-table';

import type { Pattern } from '../regexp/pattern';
import { quickReplay } from '../replay/quick-replay';
import { judgeFor } from '../rules/judge';
import { graphemes } from '../script/graphemes';
import type { Keyboard } from './keyboard';
import { expectedTexts, type RuledField } from './ruled-field';
import { missingFrom } from './taps';
import { writableWith } from './writable-characters';

/**
 * What proves that a valid value cannot be entered on the keyboard that comes up: no spelling that the rule accepts can be typed on it, or
 * a value that people have to give cannot. A character that the rule merely allows is not missing.
 */
export interface Trap {
  /** Characters that they need and no key brings, through all layers. */
  readonly missing: readonly string[];
  /** The shortest of them. */
  readonly value: string;
}

export interface TrapQuestion {
  readonly ruled: RuledField;
  readonly habits: Pick<Habits, 'deviations' | 'typing'>;
  /** What may stand between the whole part of a number and its decimals where the person lives. */
  readonly separators: readonly string[];
}

/**
 * Whether the keyboard is a trap: by the field's whole rule, not by its kind alone. A value counts as typed when what the
 * guards make of the keys that there are comes to it, so that a separator that a mask puts in need not be on the keyboard.
 */
export function trapOf(question: TrapQuestion, keyboard: Keyboard): Trap | null {
  const { characters, has: isThere } = writableWith(keyboard, question.separators);
  const untypable = neededValues(question, characters, isThere).filter(
    (value) => !canType(value, question, isThere),
  );
  const [value] = untypable.sort((a, b) => a.length - b.length || (a < b ? -1 : 1));
  if (value === undefined) return null;
  const missing = untypable.flatMap((one) => graphemes(one).filter((character) => !isThere(character)));
  return { missing: [...new Set(missing)].slice(0, 12), value };
}

/** Values that people have to give, that the rule accepts, and that need a character which is not there. */
function neededValues(
  question: TrapQuestion,
  keyboard: ReadonlySet<string>,
  isThere: (character: string) => boolean,
): string[] {
  const { ruled, habits } = question;
  const { field, guards } = ruled;
  // An app holds its own field to the same rule.
  const { judge } = judgeFor(field, guards, { ...habits, typing: { ...habits.typing, tells: 'DOM events' } });
  const typed = quickReplay(field, guards, { ...habits, typing: { ...habits.typing, keys: 'hardware' } });
  const isAccepted = (value: string) =>
    value !== '' && judge(value).verdict === 'accepted' && typed(value).text === value;
  const lacks = (value: string) => graphemes(value).some((character) => !isThere(character));
  const candidates = [
    ...expectedTexts(ruled),
    ...ownValues(field),
    ...guardValues(guards, keyboard),
    ...patternsOf(field, guards)
      .filter(({ match }) => match === 'whole')
      .flatMap((pattern) => patternValues(pattern, keyboard, isThere, isAccepted)),
  ];
  return [...new Set(candidates)].filter((value) => lacks(value) && isAccepted(value));
}

function patternValues(
  pattern: Pattern,
  keyboard: ReadonlySet<string>,
  isThere: (character: string) => boolean,
  isAccepted: (value: string) => boolean,
): string[] {
  const rule = patternTable(pattern);
  return rule.status === 'known' ? neededTexts(rule.table, keyboard, isThere, isAccepted) : [];
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

/** Texts that guards ask for. */
function guardValues(guards: readonly Guard[], keyboard: ReadonlySet<string>): string[] {
  return guards.flatMap((guard): string[] => {
    if (!guard.on) return [];
    switch (guard.kind) {
      case 'allow':
        // Where the keyboard has one of them, the others are merely allowed.
        return [...keyboard].some((key) => holds(guard, key))
          ? []
          : [...graphemes(guard.set.own), 'a', 'A', '1'];
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
  { ruled: { field, guards }, habits, separators }: TrapQuestion,
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
  return comes || (field.kind === 'number' && separators.some((sign) => isOn(value.replace('.', sign))));
}

function asSet(text: string, isThere: (character: string) => boolean): ReadonlySet<string> {
  return new Set(graphemes(text).filter(isThere));
}
