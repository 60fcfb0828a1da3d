import { describe, expect, it } from 'vitest';
import { demoForms } from '../demo/demo-forms';
import { readForm } from '../html/read-form';
import { habitsOf, isNativeField } from '../model/deviations/habits';
import { defaultLineUp, findTarget, targetIn, targetName, targets } from './line-up';
import { engineNames, type Target, targetId } from './target';
import { lineUpSchema, withheldSchema } from './target-schema';
import { launchKey, plainVariant, type Variant, variantText } from './variant';
import { withhold } from './withheld';
import { withheldTargets } from './withheld-targets';

describe('targets', () => {
  it('have names of their own, and say what their answers are worth', () => {
    expect(new Set(targets.map((target) => target.id)).size).toBe(targets.length);
    expect(new Set(targets.map((target) => target.name)).size).toBe(targets.length);
    for (const { note } of targets) expect(note).toMatch(/^[A-Z].{30,}\.$/);
  });

  it('hold every engine that can be driven, once as it is', () => {
    const driven = targets.flatMap((target) =>
      target.ask === 'engine' && !target.withheld && variantText(target.variant) === ''
        ? [target.engine]
        : [],
    );
    expect(driven).toEqual([...engineNames]);
  });

  it('are told apart in words by how they are set up', () => {
    const variant: Variant = { language: 'ar', scheme: 'dark', zoom: 2, width: 360, scripts: false };
    expect(variantText(variant)).toBe('Arabic, dark, 200 %, narrow, scripts off');
    expect(launchKey(variant)).not.toBe(launchKey(plainVariant));
    expect(launchKey({ ...plainVariant, width: 360, scripts: false })).toBe(launchKey(plainVariant));
  });

  it('that lack something say where that is known from, and there are at least four', () => {
    expect(withheldTargets.length).toBeGreaterThanOrEqual(4);
    for (const { withheld } of withheldTargets) {
      expect(withheld?.kinds.length).toBeGreaterThan(0);
      expect(withheld?.source).toMatch(/\d{4}|HTML 4/);
      expect(withheldSchema.isValidSync(withheld, { strict: true })).toBe(true);
    }
  });

  it('include one to speak for itself wherever the model alone answers', () => {
    for (const target of targets) if (target.ask === 'model') expect(habitsOf(target.id)).not.toBeNull();
  });

  it('have a reference among them', () => {
    expect(targetIn(defaultLineUp, defaultLineUp.reference)).not.toBeNull();
    expect(defaultLineUp.targets.every(({ id }) => findTarget(id) !== null)).toBe(true);
    expect(lineUpSchema.isValidSync(defaultLineUp, { strict: true })).toBe(true);
  });

  it('of a later version are called by their id', () => {
    expect(targetName(defaultLineUp, targetId('servo'))).toBe('servo');
    expect(habitsOf(targetId('constructor'))).toBeNull();
  });
});

describe('withholding', () => {
  const dates = { kinds: ['date'], attributes: ['required', 'min'], source: '' } as const;

  it('makes kinds and attributes unknown and leaves all else as it was', () => {
    const markup = '<!-- date --><label>On <input TYPE="date" required min=2026-01-01 value=x></label>';
    expect(withhold(markup, dates)).toBe(
      '<!-- date --><label>On <input type="withheld-date" data-withheld-required data-withheld-min="2026-01-01" value=x></label>',
    );
  });
  it('lets the author’s selectors follow, and nothing outside of styles', () => {
    const markup =
      '<style>[type=date], [type="date" i] { x: y } [required]{} [type=dateish]{}</style><p>[type=date]</p><input type=text>';
    expect(withhold(markup, dates)).toBe(
      '<style>[type=withheld-date], [type="withheld-date" i] { x: y } [data-withheld-required]{} [type=dateish]{}</style><p>[type=date]</p><input type=text>',
    );
  });
  it('leaves a text box where a kind was, in the same place, in every demo form', () => {
    const kinds = (markup: string) => readForm(markup).fields.map((field) => field.kind);
    for (const { markup } of demoForms)
      for (const { withheld } of withheldTargets) {
        if (!withheld) continue;
        const before = kinds(markup);
        const expected = before.map((kind) => (withheld.kinds.some((one) => one === kind) ? 'text' : kind));
        expect(kinds(withhold(markup, withheld))).toEqual(expected);
      }
  });
  it('is done once: what is withheld already stays so', () => {
    const [demo] = demoForms;
    const once = withhold(demo?.markup ?? '', dates);
    expect(withhold(once, dates)).toBe(once);
  });
});

const isBrowser = ({ id }: Target) => {
  const habits = habitsOf(id);
  return habits !== null && !isNativeField(habits);
};

describe('habits', () => {
  const kinds = new Set(demoForms.flatMap((form) => readForm(form.markup).fields.map((field) => field.kind)));
  kinds.delete('hidden');

  it.each(targets.filter((target) => isBrowser(target)))(
    'of $name know the parts of every kind that is drawn, and where that is known from',
    ({ id }) => {
      const habits = habitsOf(id);
      for (const kind of kinds) expect(habits?.parts[kind], kind).toBeDefined();
      expect(habits?.source.length).toBeGreaterThan(20);
    },
  );
});
