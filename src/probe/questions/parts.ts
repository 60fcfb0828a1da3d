import { anotherValidValue, validTrial } from '@/core/document/trial-value';
import { type ControlPart, controlParts } from '@/core/html/control-part';
import { attribute, type Field, isDated } from '@/core/html/field';
import { isTypedInto } from '@/core/html/widget';
import type { Outcome } from '@/core/observation/outcome';
import type { DetectedPart, PartsFacts, Showing } from '@/core/questions/parts/facts';
import { meterRegionValues } from '@/core/standard/gauges';
import type { Box } from '../api/probe-api';
import { askDrawnOrder } from './drawn-order';
import { type Photographs, photograph } from './photograph';
import { inapplicable, probeField, type QuestionContext } from './question-context';

interface DrawnPart {
  readonly part: ControlPart;
  /** Kinds without it need no picture. */
  mayHave(field: Field): boolean;
  readonly pseudoElements: readonly string[];
}

/**
 * A part that an engine draws as a pseudo-element: taken out of sight for all fields at once, it changes the pictures
 * of those that have it. Each engine knows its own names and ignores the rules of the others.
 */
const drawnParts: readonly DrawnPart[] = [
  {
    part: 'picker button',
    mayHave: ({ kind, suggestions }) => isDated(kind) || suggestions !== null,
    pseudoElements: ['::-webkit-calendar-picker-indicator'],
  },
  {
    part: 'swatch',
    mayHave: ({ kind }) => kind === 'color',
    pseudoElements: ['::-webkit-color-swatch', '::-moz-color-swatch'],
  },
  {
    part: 'slider',
    mayHave: ({ kind }) => kind === 'range',
    pseudoElements: ['::-webkit-slider-thumb', '::-moz-range-thumb'],
  },
  {
    part: 'button',
    mayHave: ({ kind }) => kind === 'file',
    pseudoElements: ['::file-selector-button'],
  },
  {
    part: 'bar',
    mayHave: ({ kind }) => kind === 'progress' || kind === 'meter',
    pseudoElements: [
      '::-webkit-progress-bar',
      '::-webkit-meter-bar',
      '::-moz-progress-bar',
      '::-moz-meter-bar',
    ],
  },
];

/** Scroll bars that fade away by themselves would pass for the part that is hidden at that moment. */
const steady = 'textarea,select{overflow:hidden!important}';
const withoutText =
  '*,*::before,*::after,::-webkit-datetime-edit-fields-wrapper{color:transparent!important;-webkit-text-fill-color:transparent!important}';

/** Of what each control is made, told from what changes when something is done to it. */
export async function askParts(context: QuestionContext): Promise<void> {
  const { page, asking, answer } = context;
  const { fields } = asking;
  const found = fields.map((): DetectedPart[] => []);
  const note = (index: number, part: ControlPart, how: string) => {
    if (!found[index]?.some((one) => one.part === part)) found[index]?.push({ part, how });
  };

  const values = await showTwoValues(context);
  for (const { part, mayHave, pseudoElements } of drawnParts) {
    if (!fields.some(mayHave)) continue;
    const css = pseudoElements.map((name) => `${name}{visibility:hidden!important}`).join('');
    const { pictures: hidden } = await photograph(context, fields, values.first, steady + css, mayHave);
    for (const index of changed(values.drawn, hidden))
      note(
        index,
        part,
        `its picture changes when the engine’s own part ${pseudoElements.join(' or ')} is hidden`,
      );
  }
  for await (const field of context.oneByOne(fields)) {
    const index = fields.indexOf(field);
    for (const { part, how } of await partsByUse(context, field)) note(index, part, how);
    const shows = values.shows[index] ?? null;
    for (const { part, how } of partsByKind(context, field, shows)) note(index, part, how);
  }
  await page.probe('reset');
  const orders = await askDrawnOrder(context);
  const sizes = await page.probe('sizesWithoutLimits', fields.map(probeField));
  for (const [index, field] of fields.entries()) {
    const drawn = values.boxes[index] !== null;
    const detected = found[index] ?? [];
    const facts: PartsFacts = {
      parts: detected,
      lookedFor: controlParts.filter(
        (part) => isLookedFor(context, part) || detected.some((one) => one.part === part),
      ),
      shows: values.shows[index] ?? null,
      order: orders.get(field.id)?.order ?? null,
      clock: orders.get(field.id)?.clock ?? null,
      sizeWithoutLimits: sizes[index] ?? null,
    };
    const outcome: Outcome<PartsFacts> = drawn ? { status: 'answered', facts } : inapplicable('no room');
    answer(field.id, { question: 'parts', outcome });
  }
}

const byClick: readonly ControlPart[] = ['spin button', 'slider', 'clear button', 'text box', 'text area'];
/** Some engines draw these where no style can take them away; that something opens tells of them then. */
const byOpening: readonly ControlPart[] = ['picker button', 'list'];

function isLookedFor({ page, asking }: QuestionContext, part: ControlPart): boolean {
  if (byClick.includes(part)) return page.click !== null;
  return !byOpening.includes(part) || (page.click !== null && asking.questions.includes('opening'));
}

interface TwoValues {
  readonly first: readonly (string | null)[];
  readonly boxes: readonly (Box | null)[];
  readonly drawn: Photographs['pictures'];
  readonly shows: readonly (Showing | null)[];
}

/**
 * What a field shows of its value: two values give two pictures or they do not; with its text made invisible they
 * still do, or it was the text alone.
 */
async function showTwoValues(context: QuestionContext): Promise<TwoValues> {
  const { fields } = context.asking;
  const pairs = fields.map(twoValuesOf);
  const first = pairs.map((pair) => pair?.[0] ?? null);
  const second = pairs.map((pair) => pair?.[1] ?? null);
  const { boxes, pictures: drawn } = await photograph(context, fields, first, steady);
  const { pictures: other } = await photograph(context, fields, second, steady);
  const { pictures: bare } = await photograph(context, fields, first, steady + withoutText);
  const { pictures: otherBare } = await photograph(context, fields, second, steady + withoutText);
  const [differ, differBare] = [new Set(changed(drawn, other)), new Set(changed(bare, otherBare))];
  const shows = fields.map((_, index): Showing | null => {
    if (!drawn[index] || !pairs[index]) return null;
    if (differBare.has(index)) return 'picture';
    return differ.has(index) ? 'text' : 'nothing';
  });
  return { first, boxes, drawn, shows };
}

function twoValuesOf(field: Field): readonly [string, string] | null {
  // Editable content has more than its text that changes with it: marks of the spelling, and its own height.
  if (field.kind === 'widget') return null;
  if (field.kind === 'meter') {
    const { optimal, suboptimal } = meterRegionValues(field.controls[0]);
    return [String(optimal ?? 0), String(suboptimal ?? (optimal ?? 0) / 2)];
  }
  if (field.kind === 'progress') {
    const max = Number.parseFloat(attribute(field.controls[0], 'max') ?? '') || 1;
    return [String(max * 0.2), String(max * 0.65)];
  }
  const trial = validTrial(field);
  const other = trial.status === 'value' ? anotherValidValue(field, trial.value) : null;
  return trial.status === 'value' && other !== null ? [trial.value, other] : null;
}

/** Indices of the pictures that differ. */
function changed(before: Photographs['pictures'], after: Photographs['pictures']): number[] {
  return before.flatMap((picture, index) => {
    const other = after[index];
    return picture && other && picture.id !== other.id ? [index] : [];
  });
}

/** What a trusted key or click does to the value. */
async function partsByUse(context: QuestionContext, field: Field): Promise<DetectedPart[]> {
  const { page } = context;
  const parts: DetectedPart[] = [];
  if (page.click === null) return parts;
  const trial = validTrial(field);
  if (trial.status === 'value') {
    for (const use of uses) {
      if (!use.kinds.includes(field.kind) || parts.some(({ part }) => part === use.part)) continue;
      const value = await valueAfter(context, field, trial.value, use.at);
      if (value !== null && use.tells(trial.value, value)) parts.push({ part: use.part, how: use.how });
    }
  }
  if (isTypedInto(field) || isDated(field.kind)) {
    await page.probe('reset');
    if (isDated(field.kind) && trial.status === 'value')
      await page.probe('fill', [probeField(field)], [trial.value]);
    const before = await page.probe('valueOf', probeField(field));
    const focused = await page.probe('focus', probeField(field));
    if (focused) await page.press('5');
    if (focused && (await page.probe('valueOf', probeField(field))) !== before)
      parts.push({ part: 'text box', how: 'a key that was pressed changed the value' });
  }
  return parts;
}

interface Use {
  readonly part: ControlPart;
  readonly kinds: readonly Field['kind'][];
  readonly how: string;
  /** Where to click within border and padding: shares of the width, from the start of the line, and of the height; `inset` CSS px from the end. */
  readonly at: { readonly along: number; readonly inset: number; readonly down: number };
  tells(before: string, after: string): boolean;
}

const uses: readonly Use[] = [
  {
    part: 'spin button',
    kinds: ['number'],
    how: 'a click on the upper half of its end stepped the value',
    at: { along: 1, inset: 6, down: 0.3 },
    tells: (before, after) => after !== '' && Number(after) > Number(before),
  },
  {
    part: 'spin button',
    kinds: ['number'],
    how: 'a click on the lower half of its end stepped the value',
    at: { along: 1, inset: 6, down: 0.7 },
    tells: (before, after) => after !== '' && Number(after) < Number(before),
  },
  {
    part: 'slider',
    kinds: ['range'],
    how: 'a click at nine tenths of its length moved the value there',
    at: { along: 0.9, inset: 0, down: 0.5 },
    tells: (before, after) => after !== '' && Number(after) > Number(before),
  },
  {
    part: 'clear button',
    kinds: ['search'],
    how: 'a click at its end emptied it',
    at: { along: 1, inset: 7, down: 0.5 },
    tells: (before, after) => before !== '' && after === '',
  },
];

async function valueAfter(
  context: QuestionContext,
  field: Field,
  value: string,
  at: Use['at'],
): Promise<string | null> {
  const { page, rightToLeft } = context;
  const probed = probeField(field);
  await page.probe('reset');
  await page.probe('fill', [probed], [value]);
  await page.probe('focus', probed);
  await page.probe('bringIntoSight', probed);
  const inside = await page.probe('insideInViewport', probed);
  if (!inside || !page.click) return null;
  const along = inside.width * at.along - at.inset;
  const x = rightToLeft ? inside.x + inside.width - along : inside.x + along;
  await page.click(Math.round(x), Math.round(inside.y + inside.height * at.down));
  return page.probe('valueOf', probed);
}

/** What is told from answers that are there already. */
function partsByKind(context: QuestionContext, field: Field, shows: Showing | null): DetectedPart[] {
  const opened = context.openings.get(field.id);
  const parts: DetectedPart[] = [];
  if (opened === 'a click at its end' || opened === 'a click at its start')
    parts.push({
      part: 'picker button',
      how: `${opened} opened something, one in the middle did not`,
    });
  if (opened && (field.kind === 'select' || field.suggestions))
    parts.push({ part: 'list', how: `${opened} opened one` });
  if (field.kind === 'checkbox' && shows === 'picture')
    parts.push({ part: 'check mark', how: 'its picture is another one when it is checked' });
  if ((field.kind === 'meter' || field.kind === 'progress') && shows === 'picture')
    parts.push({ part: 'bar', how: 'its picture is another one for another value' });
  if (field.kind === 'radio' && shows === 'picture')
    parts.push({ part: 'radio mark', how: 'its picture is another one when it is checked' });
  return parts;
}
