import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { predict } from '@/core/model/predict';
import type { AccessibilityFacts, AccessibilityObservation } from '@/core/questions/accessibility/facts';
import { askingOf } from '@/core/questions/asking';
import type { Observation } from '@/core/questions/observation';
import { enginesAvailable } from '../fixtures/engines';
import { ask, browsers, ownTargets, profiles } from './asking-engines';

const here = await enginesAvailable();

const kinds = [
  ...['text', 'email', 'tel', 'url', 'search', 'password', 'number', 'range', 'checkbox', 'radio'],
  ...['date', 'time', 'month', 'color', 'file', 'submit', 'reset', 'button'],
].map((type) => `input type=${type}`);
const elements = [...kinds, 'textarea', 'select', 'meter', 'progress', 'output', 'button'];
const attributes = [
  ...['required', 'value=3', 'title="As written"', 'placeholder="Ada Holm"', 'aria-label="Depth of it"'],
  ...['aria-labelledby="away hidden"', 'aria-describedby=away', 'aria-required=true', 'aria-invalid=true'],
  ...[
    'aria-description="In metres"',
    'disabled',
    'readonly',
    'pattern=x',
    'role=searchbox',
    'role="odd spinbutton"',
  ],
  ...['hidden', 'aria-hidden=true', 'style="display:none"', 'maxlength=4'],
];

const inside: Readonly<Record<string, string>> = {
  select: '<option>Hesten<option selected>Lomholm</select>',
  textarea: '</textarea>',
  button: 'Go <b>on</b></button>',
  meter: '</meter>',
  progress: '</progress>',
  output: '7</output>',
};

/** A control with its name in one of the ways that pages have. */
function labelled(way: number, element: string, own: readonly string[], at: number): string {
  const [tag = ''] = element.split(' ');
  const control = `<${element} id=c${at} name=c${at} ${own.join(' ')}>${inside[tag] ?? ''}`;
  const ways = [
    control,
    `<label>Depth ${control}</label>`,
    `<label>Before ${control} after</label>`,
    `<label for=c${at}>By <i>for</i></label>${control}`,
    `<label for=c${at}>One</label> ${control} <label for=c${at}>two</label>`,
    `<label><span>Depth<br>in</span><span hidden>never</span> <img alt=metres src=x> ${control}</label>`,
  ];
  return `<p>${ways[way % ways.length]}</p>`;
}

/** UKKO_SEED makes another one up: what is told of forms that nobody has looked at before. */
function madeUpForm(): string {
  const one = fc.tuple(fc.nat(5), fc.constantFrom(...elements), fc.subarray(attributes, { maxLength: 3 }));
  const controls = fc.sample(one, { numRuns: 120, seed: Number(process.env.UKKO_SEED ?? 8) });
  return `<form><span id=away>Far <b>off</b></span><span id=hidden hidden>Out of sight</span>${controls
    .map(([way, element, own], at) => labelled(way, element, own, at))
    .join('')}</form>`;
}

const factsOf = (observations: readonly Observation[]) =>
  new Map(
    observations
      .filter((one): one is AccessibilityObservation => one.question === 'accessibility')
      .map(({ field, outcome }) => [field, outcome] as const),
  );

const tidy = (fact: unknown) => (typeof fact === 'string' ? fact.replace(/\s+/g, ' ').trim() : fact);

/** What the model says and the engine says otherwise; what either does not know is left out. */
function otherwise(modelled: AccessibilityFacts, measured: AccessibilityFacts): string[] {
  return (['role', 'name', 'description', 'required', 'invalid'] as const)
    .filter((fact) => modelled[fact] !== null && measured[fact] !== null)
    .filter((fact) => tidy(modelled[fact]) !== tidy(measured[fact]))
    .map((fact) => `${fact}: modelled ${modelled[fact]}, measured ${measured[fact]}`);
}

describe.skipIf(!here).each(ownTargets)('what $name tells assistive technology', (target) => {
  it('is told of every field as the model of it says, and nothing stays behind', async () => {
    const markup = madeUpForm();
    const asking = askingOf(markup, ['accessibility']);
    const { observations } = await ask(target, asking);
    const measured = factsOf(observations);
    expect(observations.filter(({ outcome }) => outcome.status === 'failed')).toEqual([]);
    expect(measured.size).toBe(asking.fields.length);
    const wrong = [...factsOf(predict(target.id, asking, ''))].flatMap(([field, predicted]) => {
      const seen = measured.get(field);
      if (predicted.status !== 'answered')
        return predicted.status === 'inapplicable' &&
          predicted.reason.code === 'not exposed' &&
          seen?.status === 'answered'
          ? [`${field} is told`]
          : [];
      if (seen?.status !== 'answered') return [`${field} is not told`];
      const found = otherwise(predicted.facts, seen.facts);
      const written = markup.split('<p>').find((part) => part.includes(`name=${field} `));
      return found.length > 0 ? [`${written}: ${found.join('; ')}`] : [];
    });
    expect(wrong).toEqual([]);
    expect(browsers()).toEqual([]);
    expect(profiles()).toEqual([]);
  });
});
