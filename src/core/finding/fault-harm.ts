import type { Harm } from './finding';

/** What each rule about markup means for the person who fills the form in. */
const faultHarms: Readonly<Record<string, readonly [harm: Harm, why: string]>> = {
  'no way to send': ['value lost', 'The person fills it in and cannot send it.'],
  'no name': ['value lost', 'What the person enters is never sent.'],
  'no label': [
    'person misled',
    'Whoever does not see the page hears no name for the field, and a tap on its words does nothing.',
  ],
  'label for nothing': [
    'person misled',
    'A tap on the words does nothing, and the field that is meant has no name.',
  ],
  'duplicate id': ['person misled', 'Labels, hints and scripts reach the first of the two alone.'],
  'focus asked for twice': ['person misled', 'Where the person starts differs from browser to browser.'],
  'radio button alone': ['wrong value sent', 'Several can be chosen at once, and none can be taken back.'],
  'choices without a question': [
    'person misled',
    'Whoever does not see the page hears the choices, and not what is asked.',
  ],
  'hint as value': [
    'wrong value sent',
    'The person has to delete it first, or it is sent as if it had been entered.',
  ],
  'default refused': [
    'cannot enter a valid value',
    'The form cannot be sent as it is opened, and the person did nothing wrong.',
  ],
  'example refused': ['person misled', 'Whoever writes it as it is shown is refused.'],
  'min above max': ['cannot enter a valid value', 'No value lies between the limits.'],
  'beyond its gauge': ['person misled', 'The gauge shows another amount than the one that is meant.'],
  'limit not shown': ['person misled', 'The person learns of the limit only when the form is refused.'],
  'attribute ignored': ['person misled', 'A limit that is written is not in effect.'],
  'unknown type': ['person misled', 'Browsers show a plain text box.'],
  'code as number': [
    'wrong value sent',
    'Leading zeros go, large numbers are rounded, and the wheel of the mouse changes it.',
  ],
  suggestions: ['person misled', 'The suggestions never come up.'],
  autocomplete: ['person misled', 'Browsers and password managers do not fill it in.'],
  'slider without readout': ['person misled', 'The person cannot see which value is set.'],
  'keypad lacks a character': [
    'cannot enter a valid value',
    'The keyboard of a phone has no key for what the field wants.',
  ],
  'filter on keys': [
    'cannot enter a valid value',
    'Phone keyboards, paste and dictation do not go by keys: the filter misses or blocks them.',
  ],
  'picker over picker': ['person misled', 'Two pickers open over each other.'],
  'buttons alike': ['wrong value sent', 'Nobody can tell which of the two sends what.'],
};

/** What the rule about patterns says, by its words. */
const patternHarms: readonly (readonly [words: RegExp, harm: Harm, why: string])[] = [
  [/nowhere says/, 'person misled', 'The person learns what is wanted only when the form is refused.'],
  [/does not compile/, 'wrong value sent', 'Most browsers ignore the rule and let everything through.'],
  [/accepts nothing/, 'wrong value sent', 'The rule lets an empty entry through.'],
];

/** What a fault means for the person, by its rule and, where a rule has several faults, by what it says. */
export function faultHarm(rule: string, text: string): readonly [harm: Harm, why: string] {
  const pattern = rule === 'pattern' ? patternHarms.find(([words]) => words.test(text)) : undefined;
  if (pattern) return [pattern[1], pattern[2]];
  return (
    faultHarms[rule] ?? [
      'cannot enter a valid value',
      'The rule means something else than it seems to: values are refused or let through that should not be.',
    ]
  );
}
