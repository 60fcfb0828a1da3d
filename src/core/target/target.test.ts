import { describe, expect, it } from 'vitest';
import { demoForms } from '../demo/demo-forms';
import { readForm } from '../form/read-form';
import { habitsOf } from './habits';
import { defaultLineUp, findTarget, targetName, targets } from './line-up';
import { engineNames, targetId } from './target';

describe('targets', () => {
  it('have names of their own, and say what their answers are worth', () => {
    expect(new Set(targets.map((target) => target.id)).size).toBe(targets.length);
    expect(new Set(targets.map((target) => target.name)).size).toBe(targets.length);
    for (const { note } of targets) expect(note).toMatch(/^[A-Z].{30,}\.$/);
  });

  it('hold every engine that can be driven, once', () => {
    const driven = targets.flatMap((target) => (target.ask === 'engine' ? [target.engine] : []));
    expect(driven).toEqual([...engineNames]);
  });

  it('include one to speak for itself wherever the model alone answers', () => {
    for (const target of targets) if (target.ask === 'model') expect(habitsOf(target.id)).not.toBeNull();
  });

  it('have a reference among them', () => {
    expect(defaultLineUp.targets).toContain(defaultLineUp.reference);
    expect(defaultLineUp.targets.every((id) => findTarget(id) !== null)).toBe(true);
  });

  it('of a later version are called by their id', () => {
    expect(targetName(targetId('servo'))).toBe('servo');
    expect(habitsOf(targetId('constructor'))).toBeNull();
  });
});

describe('habits', () => {
  const kinds = new Set(demoForms.flatMap((form) => readForm(form.markup).fields.map((field) => field.kind)));
  kinds.delete('hidden');

  it.each(targets.filter((target) => habitsOf(target.id)))(
    'of $name know the parts of every kind that is drawn, and where that is known from',
    ({ id }) => {
      const habits = habitsOf(id);
      for (const kind of kinds) expect(habits?.parts[kind], kind).toBeDefined();
      expect(habits?.source.length).toBeGreaterThan(20);
    },
  );
});
