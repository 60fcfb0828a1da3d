import { attributeText } from '../html/edit-markup';
import { attribute, type Field, type FieldKind } from '../html/field';

export const planNames = ['leave it', 'hint and pattern', 'selects', 'scripted picker'] as const;
/** What is done for targets that do not know the kind of a field. */
export type PlanName = (typeof planNames)[number];

/** How a plan changes a field's control, and what a person then does. */
export interface FallbackPlan {
  readonly name: PlanName;
  /** Attributes that the control gets besides its own. */
  readonly attributes: Readonly<Record<string, string>>;
  /** Markup that stands in place of the control; null when the control stays. */
  readonly replacement: string | null;
  /** The picker script runs for this control; it loads nothing where the kind is known. */
  readonly scripted: boolean;
  /** What a person types, one text for each control of the plan, as its looks suggest. */
  readonly typed: readonly string[];
  /** The value that a person picks where the kind is known. */
  readonly picked: string;
}

interface KindFormat {
  /** How people write it who are told nothing. */
  readonly natural: string;
  /** The microsyntax of the standard, as a hint and as a pattern, and an example. */
  readonly hint: string;
  readonly pattern: string;
  readonly example: string;
}

const formats: Readonly<Partial<Record<FieldKind, KindFormat>>> = {
  date: {
    natural: '14.3.2026',
    hint: 'YYYY-MM-DD',
    pattern: '[0-9]{4}-[0-9]{2}-[0-9]{2}',
    example: '2026-03-14',
  },
  month: {
    natural: 'March 2026',
    hint: 'YYYY-MM',
    pattern: '[0-9]{4}-[0-9]{2}',
    example: '2026-03',
  },
  week: {
    natural: 'week 11',
    hint: 'YYYY-Www',
    pattern: '[0-9]{4}-W[0-9]{2}',
    example: '2026-W11',
  },
  time: {
    natural: '6.45 pm',
    hint: 'HH:MM',
    pattern: '[0-9]{2}:[0-9]{2}',
    example: '18:45',
  },
  'datetime-local': {
    natural: '14.3.2026 18:45',
    hint: 'YYYY-MM-DDTHH:MM',
    pattern: '[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2}',
    example: '2026-03-14T18:45',
  },
  number: {
    natural: '3,25',
    hint: '3.25',
    pattern: '-?[0-9]+([.][0-9]+)?',
    example: '3.25',
  },
  range: { natural: '4', hint: '4', pattern: '-?[0-9]+([.][0-9]+)?', example: '4' },
  color: {
    natural: 'teal',
    hint: '#2f6f73',
    pattern: '#[0-9a-fA-F]{6}',
    example: '#2f6f73',
  },
};

/** The plans worth weighing for a field; none for kinds that every target has had from the beginning. */
export function plansFor(field: Field): FallbackPlan[] {
  const format = formats[field.kind];
  if (!format || field.controls[0].element !== 'input') return [];
  const plans: FallbackPlan[] = [
    {
      name: 'leave it',
      attributes: {},
      replacement: null,
      scripted: false,
      typed: [format.natural],
      picked: format.example,
    },
    {
      name: 'hint and pattern',
      attributes: {
        placeholder: format.hint,
        title: `As in ${format.example}`,
        pattern: format.pattern,
        inputmode: 'text',
      },
      replacement: null,
      scripted: false,
      typed: [format.example],
      picked: format.example,
    },
  ];
  const selects = selectsFor(field);
  if (selects)
    plans.push({
      name: 'selects',
      attributes: {},
      replacement: selects.markup,
      scripted: false,
      typed: selects.typed,
      picked: format.example,
    });
  if (field.kind === 'date')
    plans.push({
      name: 'scripted picker',
      attributes: {},
      replacement: null,
      scripted: true,
      typed: ['14.03.2026'],
      picked: format.example,
    });
  return plans;
}

function selectsFor({ kind, name, label }: Field): { markup: string; typed: readonly string[] } | null {
  const numbers = (from: number, to: number, digits: number) =>
    Array.from({ length: to - from + 1 }, (_, index) => String(from + index).padStart(digits, '0'));
  const parts: Partial<Record<FieldKind, readonly (readonly [string, readonly string[], string])[]>> = {
    date: [
      ['day', numbers(1, 31, 2), '14'],
      ['month', numbers(1, 12, 2), '03'],
      ['year', numbers(2020, 2030, 4), '2026'],
    ],
    month: [
      ['month', numbers(1, 12, 2), '03'],
      ['year', numbers(2020, 2030, 4), '2026'],
    ],
    time: [
      ['hour', numbers(0, 23, 2), '18'],
      ['minute', numbers(0, 59, 2), '45'],
    ],
  };
  const selects = parts[kind];
  if (!selects) return null;
  const markup = selects
    .map(([part, values]) => {
      const own = `${attributeText('name', `${name}-${part}`)} ${attributeText('aria-label', `${label}, ${part}`)}`;
      return `<select ${own}><option value="">${part}</option>${values.map((value) => `<option>${value}</option>`).join('')}</select>`;
    })
    .join(' ');
  return { markup, typed: selects.map(([, , value]) => value) };
}

/** The control of a field as a plan writes it, for a person to copy. */
export function planMarkup(field: Field, plan: FallbackPlan): string {
  if (plan.replacement !== null) return plan.replacement;
  const [control] = field.controls;
  const own = control.attributes
    .filter(({ name }) => !Object.hasOwn(plan.attributes, name))
    .map(({ name, value }) => attributeText(name, value));
  const added = Object.entries(plan.attributes).map(([name, value]) => attributeText(name, value));
  const script = plan.scripted && attribute(control, 'data-picker') === null ? ['data-picker'] : [];
  return `<input ${[...own, ...added, ...script].join(' ')}>`;
}
