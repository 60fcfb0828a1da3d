import { describe, expect, it } from 'vitest';
import { askRestriction } from '../../../tests/fixtures/ask-restriction';
import { told } from '../../../tests/fixtures/told-finding';
import type { FormId } from '../document/form-document';
import type { Guard } from '../guard/guard';
import { editingKeys } from '../guard/offered-guards';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import type { Provenance } from '../observation/provenance';
import { usualScript } from '../page/usual-scripts';
import type { KeyboardFacts } from '../questions/keyboard/facts';
import { type LookFacts, type LookObservation, lookNotAsked } from '../questions/look/facts';
import type { Observation } from '../questions/observation';
import type { TypingFacts } from '../questions/typing/facts';
import { answersOf } from '../run/answers';
import { findTarget } from '../target/line-up';
import { targetId } from '../target/target';
import { findingsOfRun } from './collect-findings';
import { seenFindings } from './seen-findings';

const { fields } = readForm(
  '<label>Level <input name=level></label><label>Remarks <input name=remarks></label>',
);
const [level, remarks] = fields.map(({ id }) => id);
const ids = ['chromium', 'firefox'].map(targetId);
const lineUp = { targets: ids.flatMap((id) => findTarget(id) ?? []), reference: targetId('chromium') };
const measured: Provenance = { mark: 'measured', engine: 'E', version: '1', protocol: 'P', unable: [] };
const ownPage = { page: { address: 'http://localhost:5173/', form: 0, steps: '' } };

function keyboard(target: string, facts: Partial<KeyboardFacts>, provenance = measured): Observation {
  if (!level) throw new Error('no field');
  return {
    field: level,
    target: targetId(target),
    at: '',
    provenance,
    question: 'keyboard',
    outcome: {
      status: 'answered',
      facts: {
        asked: null,
        layout: 'us',
        height: { before: 870, with: 566 },
        program: null,
        fieldInSight: false,
        tapped: null,
        picture: null,
        ...facts,
      },
    },
  };
}

function bubble(leaves: readonly ('bottom' | 'right')[]): Observation {
  if (!remarks) throw new Error('no field');
  return {
    field: remarks,
    target: targetId('firefox'),
    at: '',
    provenance: measured,
    question: 'bubble',
    outcome: {
      status: 'answered',
      facts: { tried: '', shown: true, popUp: null, leaves, showsTitle: null, picture: null },
    },
  };
}

/** Looks of a field at rest and with the focus, in Firefox. */
function looks(field: Field, focused: LookObservation['outcome'] | Partial<LookFacts>): Observation[] {
  const facts: LookFacts = { ...lookNotAsked, typeReflected: '', size: null, value: '', picture: null };
  const outcomes: Record<'closed' | 'focused', LookObservation['outcome']> = {
    closed: { status: 'answered', facts },
    focused: 'status' in focused ? focused : { status: 'answered', facts: { ...facts, ...focused } },
  };
  return (['closed', 'focused'] as const).map((state) => ({
    field: field.id,
    target: targetId('firefox'),
    at: '',
    provenance: measured,
    question: 'look',
    state,
    outcome: outcomes[state],
  }));
}

const found = (observations: readonly Observation[], form: Parameters<typeof seenFindings>[0] = {}) =>
  seenFindings(form, lineUp, answersOf(observations), fields)
    .map(told)
    .map(({ says, targets }) => [says, ...targets.map((on) => `${on.name}: ${on.says.join(' ')}`)]);

describe('findings of what an engine showed by itself', () => {
  it('are a field that the keyboard hides, once for all targets that hide it', () => {
    expect(
      found([keyboard('chromium', {}), keyboard('firefox', { height: { before: 960, with: 656 } })]),
    ).toEqual([
      [
        'Level: the on-screen keyboard covers the field.',
        'Chromium: The keyboard leaves 566 of 870 px, and the field is not in them.',
        'Firefox: The keyboard leaves 656 of 960 px, and the field is not in them.',
      ],
    ]);
  });
  it('are none while the field is seen, no keyboard is up, or the model alone says so', () => {
    expect(found([keyboard('chromium', { fieldInSight: true })])).toEqual([]);
    expect(found([keyboard('chromium', { height: { before: 870, with: 870 } })])).toEqual([]);
    expect(found([keyboard('chromium', {}, { mark: 'modelled', model: 'Ukko', source: '' })])).toEqual([]);
  });
  it('are what reaches past the window in a page of one’s own, and not where Ukko put the field', () => {
    expect(found([bubble(['bottom', 'right'])], ownPage)).toEqual([
      [
        'Remarks: the message bubble extends past the window.',
        'Firefox: It extends past the window on the bottom and right.',
      ],
    ]);
    expect(found([bubble([])], ownPage)).toEqual([]);
    expect(found([bubble(['bottom'])])).toEqual([]);
  });
});

describe('findings of where the focus is', () => {
  const foundIn = (markup: string, ...[focused]: [Parameters<typeof looks>[1]]) => {
    const [field] = readForm(markup).fields;
    if (!field) throw new Error(markup);
    return seenFindings({}, lineUp, answersOf(looks(field, focused)), [field])
      .map(told)
      .map(({ says, harm }) => [says, harm]);
  };
  const none = { status: 'inapplicable', reason: { code: 'no focus' } } as const;
  const photos = '<label>Photos <input type=file name=photos></label>';

  it('are a field that takes none, unless it is disabled or shows alone', () => {
    expect(foundIn(photos, none)).toEqual([
      ['Photos: the field cannot be reached by keyboard.', 'cannot enter a valid value'],
    ]);
    expect(foundIn('<label>Photos <input type=file disabled></label>', none)).toEqual([]);
    expect(foundIn('<label>Tide <meter></meter></label>', none)).toEqual([]);
    // A library's own, behind what it draws.
    expect(foundIn('<select name=tide aria-hidden=true tabindex=-1></select>', none)).toEqual([]);
    expect(foundIn(photos, { status: 'inapplicable', reason: { code: 'no room' } })).toEqual([]);
  });
  it('are a field that shows it nowhere, unless a caret does', () => {
    expect(foundIn(photos, { focusUnseen: true })).toEqual([
      ['Photos: nothing shows that the field has focus.', 'person misled'],
    ]);
    expect(foundIn(photos, {})).toEqual([]);
    expect(foundIn('<select name=tide aria-hidden=true></select>', { focusUnseen: true })).toEqual([]);
    expect(foundIn('<label>Observer <input></label>', { focusUnseen: true })).toEqual([]);
  });
});

describe('findings of a widget in a page of one’s own', () => {
  const slider = '<div role=slider tabindex=0 aria-label="Sea state"></div>';
  const fieldOf = (markup: string) => {
    const [field] = readForm(markup).fields;
    if (!field) throw new Error(markup);
    return field;
  };
  /** What its value is after each key of the usual script and after it is left. */
  const typed = (
    markup: string,
    values: readonly string[],
    changes: Partial<TypingFacts> = {},
  ): Observation => {
    const field = fieldOf(markup);
    const script = usualScript(field) ?? [];
    const steps = script.map((_, at) => ({
      text: '',
      caret: { start: 0, end: 0 },
      value: values[at] ?? values.at(-1) ?? '',
      events: [{ ...keydown, value: '' }],
      guard: null,
      refused: null,
    }));
    const facts = { script, guards: [], followed: true, steps, rounds: { asked: 3, alike: 3 }, ...changes };
    const outcome = { status: 'answered', facts } as const;
    return {
      field: field.id,
      target: targetId('firefox'),
      at: '',
      provenance: measured,
      question: 'typing',
      outcome,
    };
  };
  const keydown = {
    type: 'keydown',
    key: 'ArrowUp',
    code: 'ArrowUp',
    inputType: null,
    data: null,
    trusted: true,
    prevented: false,
  } as const;
  const stuckIn = (
    markup: string,
    values: readonly string[],
    form = ownPage,
    changes?: Partial<TypingFacts>,
  ) =>
    seenFindings(form, lineUp, answersOf([typed(markup, values, changes)]), [fieldOf(markup)]).map(
      ({ claim, harm, targets }) => [claim, harm, targets[0]?.proofs],
    );
  const keys = ['ArrowUp', 'ArrowDown', 'ArrowRight', 'ArrowLeft', 'Home', 'End'];

  it('are a value that no key changes', () => {
    expect(stuckIn(slider, ['3'])).toEqual([
      [
        { code: 'seen', sight: 'keys change nothing' },
        'person misled',
        [{ code: 'value unchanged', keys, value: '3' }],
      ],
    ]);
    expect(stuckIn(slider.replace('slider', 'spinbutton'), ['3'])).toHaveLength(1);
  });

  it.each([
    ['one key changes it', slider, ['3', '2', '3'], ownPage, {}],
    ['the last key changes it', slider, ['3', '3', '3', '3', '3', '9', '9'], ownPage, {}],
    ['its scripts are not there', slider, ['3'], {}, {}],
    ['it cannot be set', slider.replace('role', 'aria-disabled=true role'), ['3'], ownPage, {}],
    ['it is to be read', slider.replace('role', 'aria-readonly=true role'), ['3'], ownPage, {}],
    ['it does not count', '<div role=combobox tabindex=0></div>', [''], ownPage, {}],
    ['it was not the same each time', slider, ['3'], ownPage, { rounds: { asked: 3, alike: 2 } }],
    ['not all keys were pressed', slider, ['3'], ownPage, { steps: [] }],
  ])('are none where %s', (_, markup, values, form, changes) => {
    expect(stuckIn(markup, values, form as typeof ownPage, changes)).toEqual([]);
  });

  it('are that it takes no focus, in words of its own', () => {
    const none = { status: 'inapplicable', reason: { code: 'no focus' } } as const;
    const unreached = (markup: string, form: Parameters<typeof seenFindings>[0]) =>
      seenFindings(form, lineUp, answersOf(looks(fieldOf(markup), none)), [fieldOf(markup)]).map(
        ({ claim }) => claim,
      );
    expect(unreached(slider, ownPage)).toEqual([{ code: 'seen', sight: 'widget not by keyboard' }]);
    expect(unreached(slider, {})).toEqual([]);
    expect(unreached(slider.replace('role', 'aria-disabled=true role'), ownPage)).toEqual([]);
  });

  it('are focus that nothing shows, unless it has a caret', () => {
    const unseen = (markup: string) =>
      seenFindings(ownPage, lineUp, answersOf(looks(fieldOf(markup), { focusUnseen: true })), [
        fieldOf(markup),
      ]);
    expect(unseen(slider).map(({ claim }) => claim)).toEqual([{ code: 'seen', sight: 'focus not shown' }]);
    expect(unseen('<div contenteditable></div>')).toEqual([]);
  });
});

describe('a filter on keys', () => {
  const guard: Guard = {
    kind: 'allow',
    id: 'g',
    on: true,
    stage: 'key',
    set: { classes: ['ASCII digits'], own: '' },
    keys: [...editingKeys],
  };
  const event = (type: 'keydown' | 'keypress' | 'input') => ({
    by: 'q',
    type,
    key: 'q',
    inputType: null,
    data: null,
    value: 'q',
  });
  const foundOf = (tapped: KeyboardFacts['tapped']) => {
    if (!level) throw new Error('no field');
    const form = {
      id: 'a' as FormId,
      name: 'A',
      markup: '<label>Level <input name=level></label>',
      typing: { [level]: { script: '', guards: [guard] } },
    };
    const observations = [keyboard('chromium', { tapped, fieldInSight: true })];
    return findingsOfRun(
      { form, lineUp, observations },
      { language: 'en-US', corrections: [] },
      askRestriction,
    ).filter(({ claim }) => claim.code === 'guard bypassed');
  };

  it('that a real keyboard tells of no key has that beside what the model says', () => {
    expect(foundOf([event('keypress'), event('input')])).toMatchObject([
      {
        marks: ['modelled', 'measured'],
        targets: [
          {
            name: 'Chromium',
            mark: 'measured',
            proofs: [{ code: 'key unheard', key: 'q', heard: ['keypress', 'input'] }],
          },
        ],
      },
    ]);
  });
  it('that it does tell is bypassed in the model alone', () => {
    expect(foundOf([event('keydown'), event('input')])).toMatchObject([{ marks: ['modelled'], targets: [] }]);
  });
});

describe('the layout of the real keyboard that came up', () => {
  const trapsOn = (markup: string, layout: KeyboardFacts['layout']) => {
    const fields = readForm(markup).fields;
    const form = { id: 'a' as FormId, name: 'A', markup, typing: {} };
    const answers = fields.map(({ id }) => ({
      ...keyboard('chromium', { layout, fieldInSight: true }),
      field: id,
    }));
    return findingsOfRun(
      { form, lineUp, observations: answers },
      { language: 'en-US', corrections: [] },
      askRestriction,
    )
      .filter(({ claim }) => claim.code === 'keyboard lacks')
      .map(told)
      .map(({ says, targets, change }) => ({
        says,
        on: targets.map((on) => `${on.name} ${on.mark}`),
        change,
      }));
  };
  const decimal = '<label>Level <input type=number name=level min=0 max=9 step=0.01></label>';

  it('is a trap where it lacks what the rule accepts, whatever the model’s phones bring up', () => {
    expect(trapsOn(decimal, 'number/us')).toEqual([
      {
        says: 'Level: the on-screen keyboard has no key for “.”, so the accepted value “0.1” cannot be typed.',
        on: ['Chromium measured'],
        change: null,
      },
    ]);
    expect(trapsOn(decimal, 'us')).toEqual([]);
  });
  it('joins the phones that lack the same', () => {
    const code = '<label>Code <input name=code type=tel pattern="[0-9]a" title="as 4a"></label>';
    expect(trapsOn(code, 'number/us').map(({ on }) => on)).toEqual([
      ['Android-like phone modelled', 'iOS-like phone modelled', 'Chromium measured'],
    ]);
  });
  it.each(['untold', null, 'terminal/us'])(
    'tells of nothing when it is %j: nobody knows its keys',
    (layout) => {
      expect(trapsOn(decimal, layout)).toEqual([]);
    },
  );
});
