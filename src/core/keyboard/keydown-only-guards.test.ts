import { describe, expect, it } from 'vitest';
import type { Guard, GuardStage } from '../guard/guard';
import { pageOf } from '../html/page-controls';
import { readForm } from '../html/read-form';
import { habitsOf } from '../model/deviations/habits';
import type { TappedEvent } from '../questions/keyboard/facts';
import { bypassTable } from '../replay/bypass';
import { targetId } from '../target/target';
import { keydownOnlyGuards } from './keydown-only-guards';
import { unheardKey } from './unheard-key';

const markup = '<form><input name=a></form>';

const digitsAt = (stage: GuardStage, on = true): Guard => ({
  kind: 'allow',
  id: 'g',
  on,
  stage,
  set: { classes: ['ASCII digits'], own: '' },
  keys: ['Backspace', 'Delete', 'Enter', 'Tab', 'ArrowLeft', 'Home', 'Shortcut'],
});

function deaf(stage: GuardStage, on = true) {
  const [field] = readForm(markup).fields;
  const [desk, phone] = ['chromium', 'blink-phone'].map((id) => habitsOf(targetId(id)));
  if (!field || !desk || !phone) throw new Error('no habits');
  const guard = digitsAt(stage, on);
  const rows = bypassTable(
    field,
    [guard],
    [],
    (route) => (route === 'soft keys' ? phone : desk),
    pageOf(markup),
    new Date(),
  );
  return keydownOnlyGuards(rows.map((row) => ({ ...row, guard })));
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

describe('a key that a finger really tapped', () => {
  const event = (by: string, type: TappedEvent['type'], key: string | null = null): TappedEvent => ({
    by,
    type,
    key,
    inputType: null,
    data: null,
    value: '',
  });
  const pressedAlone = [event('q', 'keypress', 'q'), event('q', 'input')];
  const erased = [event('Backspace', 'keydown', 'Backspace'), event('Backspace', 'input')];
  const nameless = [event('q', 'keydown', 'Unidentified'), event('q', 'input')];
  const named = [event('q', 'keydown', 'q'), event('q', 'input')];

  it.each([
    ['a press without a keydown', pressedAlone, ['keypress', 'input']],
    ['a keydown without a name', nameless, ['keydown', 'input']],
  ])('is not told to a filter on keys by %s', (_, tapped, heard) => {
    expect(unheardKey([digitsAt('key')], [...erased, ...tapped])).toMatchObject({ key: 'q', heard });
  });
  it('is told by a keydown of its name, to one that looks at the text in any way', () => {
    expect(unheardKey([digitsAt('key')], [...named, ...erased])).toBeNull();
    expect(unheardKey([digitsAt('after input'), digitsAt('key', false)], pressedAlone)).toBeNull();
    expect(unheardKey([digitsAt('key')], null)).toBeNull();
  });
});
