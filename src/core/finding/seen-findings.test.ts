import { describe, expect, it } from 'vitest';
import { readForm } from '../form/read-form';
import { answersOf } from '../observation/answers';
import type { KeyboardFacts, Observation } from '../observation/observation';
import type { Provenance } from '../observation/provenance';
import { findTarget } from '../target/line-up';
import { targetId } from '../target/target';
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

const found = (observations: readonly Observation[], form: Parameters<typeof seenFindings>[0] = {}) =>
  seenFindings(form, lineUp, answersOf(observations), fields).map(({ says, targets }) => [
    says,
    ...targets.map((on) => `${on.name}: ${on.says.join(' ')}`),
  ]);

describe('findings of what an engine showed by itself', () => {
  it('are a field that the keyboard hides, once for all targets that hide it', () => {
    expect(
      found([keyboard('chromium', {}), keyboard('firefox', { height: { before: 960, with: 656 } })]),
    ).toEqual([
      [
        'Level: the field is out of sight once the keyboard is up.',
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
        'Remarks: its message reaches past the window.',
        'Firefox: It leaves the window at the bottom and the right.',
      ],
    ]);
    expect(found([bubble([])], ownPage)).toEqual([]);
    expect(found([bubble(['bottom'])])).toEqual([]);
  });
});
