import { expect, it } from 'vitest';
import { readForm } from '../html/read-form';
import { withoutEngineHabits } from './engine-habits';
import { fieldFinding, findingId } from './finding';

it('leaves out what engines do to every field, and nothing else', () => {
  const [field] = readForm('<input name=a>').fields;
  if (!field) throw new Error('no field');
  const habit = fieldFinding(field, {
    id: findingId('engines differ', field.id),
    claim: { code: 'engines differ', about: 'size', fields: ['A', 'B'], in: ['Firefox'] },
    harm: 'cosmetic',
    evidence: 'survey',
  });
  const other = fieldFinding(field, {
    id: findingId('not worked out', field.id),
    claim: { code: 'not worked out', reasons: [] },
    harm: 'cosmetic',
    evidence: 'rule',
  });
  expect(withoutEngineHabits([habit, other, habit])).toEqual([other]);
});
