import { expect, it } from 'vitest';
import { pageOf } from '../form/page-controls';
import { readForm } from '../form/read-form';
import type { Guard, GuardStage } from '../guard/guard';
import { bypassTable } from '../replay/bypass';
import { habitsOf } from '../target/habits';
import { targetId } from '../target/target';
import { deafGuards } from './ears';

const markup = '<form><input name=a></form>';

function deaf(stage: GuardStage, on = true) {
  const [field] = readForm(markup).fields;
  const [desk, phone] = ['chromium', 'blink-phone'].map((id) => habitsOf(targetId(id)));
  if (!field || !desk || !phone) throw new Error('no habits');
  const guard: Guard = {
    kind: 'allow',
    id: 'g',
    on,
    stage,
    set: { classes: ['ASCII digits'], own: '' },
    keys: ['Backspace', 'Delete', 'Enter', 'Tab', 'ArrowLeft', 'Home', 'Shortcut'],
  };
  const rows = bypassTable(
    field,
    [guard],
    [],
    (route) => (route === 'soft keys' ? phone : desk),
    pageOf(markup),
  );
  return deafGuards(rows.map((row) => ({ ...row, guard })));
}

it('a filter on keys hears nothing of soft keys, and the script that shows it is given', () => {
  const [found] = deaf('key');
  expect(found?.past).toContain('soft keys');
  expect(found?.script).toMatch(/^soft "/);
});

it('one that looks at the text hears them', () => {
  expect(deaf('after input')).toEqual([]);
});

it('one that is switched off is not told of', () => {
  expect(deaf('key', false)).toEqual([]);
});
