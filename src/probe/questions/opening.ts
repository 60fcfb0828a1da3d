import { validTrial } from '@/core/document/trial-value';
import { type Field, hasAttribute, isDated } from '@/core/html/field';
import { widgetRoleOf } from '@/core/html/widget';
import type { Outcome } from '@/core/observation/outcome';
import type { OpeningFacts } from '@/core/questions/opening/facts';
import { leavesOf } from '../api/leaves';
import type { Box } from '../api/probe-api';
import type { Act, Appeared, WindowOnDisplay } from '../api/window-on-display';
import { inapplicable, probeField, type QuestionContext } from './question-context';

/** Something that a person does to open a field, and what it is called. */
interface Gesture {
  readonly name: string;
  /** The field has the focus already, as after the gesture before. */
  readonly focused?: true;
  act(inside: Box, rightToLeft: boolean): Act;
}

const inTheMiddle: Gesture = {
  name: 'a click in the middle',
  act: ({ x, y, width, height }) => ({ kind: 'click', x: x + width / 2, y: y + height / 2 }),
};
/** Where engines put their buttons: so many CSS px from the end, within border and padding, whatever these are. */
const atTheEnd: Gesture = {
  name: 'a click at its end',
  act: ({ x, y, width, height }, rightToLeft) => ({
    kind: 'click',
    x: rightToLeft ? x + 8 : x + width - 8,
    y: y + height / 2,
  }),
};
/** Some engines turn their dates around with their own language, in a page that reads the other way. */
const atTheStart: Gesture = {
  name: 'a click at its start',
  act: (inside, rightToLeft) => atTheEnd.act(inside, !rightToLeft),
};
const againInTheMiddle: Gesture = { ...inTheMiddle, name: 'a second click', focused: true };
const byKeyboard: Gesture = {
  name: 'Alt+ArrowDown',
  focused: true,
  act: () => ({ kind: 'key', key: 'alt+Down' }),
};
const arrowDown: Gesture = {
  name: 'ArrowDown',
  focused: true,
  act: () => ({ kind: 'key', key: 'Down' }),
};

const picking: readonly Gesture[] = [inTheMiddle, atTheEnd, byKeyboard];
const pickingTurned: readonly Gesture[] = [inTheMiddle, atTheEnd, atTheStart, byKeyboard];
const suggesting: readonly Gesture[] = [inTheMiddle, againInTheMiddle, arrowDown];

/** At a text box or a widget whose list scripts of a page open (ARIA Authoring Practices, "combobox"): by either key. */
const listing: readonly Gesture[] = [inTheMiddle, byKeyboard, arrowDown];

/** How long what is opened may take to come, ms: engines open theirs at once, and scripts of a page after what they wait for. */
const [ofEngines, ofScripts] = [350, 900] as const;

/** What opens when a person tries to open a field, on a real display. */
export async function askOpening(context: QuestionContext): Promise<void> {
  for await (const field of context.oneByOne(context.asking.fields))
    context.answer(field.id, { question: 'opening', outcome: await openingOf(context, field) });
  await context.page.probe('reset');
}

async function openingOf(context: QuestionContext, field: Field): Promise<Outcome<OpeningFacts>> {
  const gestures = isListOfPage(context, field)
    ? listing
    : gesturesFor(field, context.speaksRightToLeft ? pickingTurned : picking);
  if (!gestures) return inapplicable('nothing opens');
  const window = await context.page.window();
  if (window.status !== 'there') return window;
  const patience = context.asking.page ? ofScripts : ofEngines;
  const first = await firstThatOpens(context, field, window, gestures, patience);
  if (!first) return inapplicable('no room');
  // On a busy machine what an earlier gesture opens may come later than it was waited for.
  const isLate = first.opened !== null && first.tried.length > 1 && first.opened.after > patience / 2;
  const again = isLate
    ? await firstThatOpens(context, field, window, gestures, lateTimes * first.opened.after)
    : null;
  const { opened, tried, fieldsInside } = again?.opened ? again : first;
  if (!opened)
    return { status: 'answered', facts: { opened: null, tried, popUp: null, leaves: [], picture: null } };
  const gesture = tried.at(-1) ?? '';
  context.picture(opened.picture);
  context.openings.set(field.id, gesture);
  const { width, height } = opened.box;
  return {
    status: 'answered',
    facts: {
      opened: gesture,
      tried,
      popUp: { width, height },
      leaves: leavesOf(opened.box, window.viewport),
      picture: opened.picture.id,
      ...(fieldsInside.length > 0 && { fieldsInside }),
    },
  };
}

/** How much longer is waited where something came late. */
const lateTimes = 4;

/** What came of the gestures, in their order, until one of them opened something. */
interface Tried {
  readonly opened: Appeared | null;
  /** The last of them is the one that did. */
  readonly tried: readonly string[];
  readonly fieldsInside: readonly string[];
}

/** @returns null where there is no room for the field */
async function firstThatOpens(
  context: QuestionContext,
  field: Field,
  window: WindowOnDisplay,
  gestures: readonly Gesture[],
  patience: number,
): Promise<Tried | null> {
  const { page } = context;
  const isList = isListOfPage(context, field);
  const tried: string[] = [];
  for (const gesture of gestures) {
    const control = await prepare(context, field, gesture);
    const inside = await page.probe('insideInViewport', probeField(field));
    if (!control || !inside) return null;
    tried.push(gesture.name);
    const scrolled = await scrollOf(context, field);
    if (context.asking.page) await page.probe('rememberFields');
    const act = gesture.act(inside, context.rightToLeft);
    const appeared = await window.appearing(control, act, patience);
    const isExpanded = isList && (await page.probe('entryState', probeField(field))).list?.isOpen;
    const fieldsInside = context.asking.page && appeared ? await page.probe('fieldsCame') : [];
    const isScrolled = Math.abs((await scrollOf(context, field)) - scrolled) > 1;
    await window.dismiss();
    // A key that scrolled the page opened nothing.
    if (!appeared || isScrolled) continue;
    const opened = isExpanded ? appeared : await whatOpened(context, field, window, appeared);
    if (opened) return { opened, tried, fieldsInside };
  }
  return { opened: null, tried, fieldsInside: [] };
}

/** Whether scripts of a page open a list at this widget. */
function isListOfPage({ asking }: QuestionContext, { controls }: Field): boolean {
  return asking.page !== null && widgetRoleOf(controls[0]) === 'combobox';
}

/**
 * On a busy machine what opened may still be there when the page is looked at without it, and would pass for the page's own; or the
 * page is not drawn yet, and its own would pass for what opened. Where a first look finds nothing beyond the page, what two looks of three
 * agree on is told.
 */
async function whatOpened(
  context: QuestionContext,
  field: Field,
  window: WindowOnDisplay,
  appeared: Appeared,
): Promise<Appeared | null> {
  const opened = await beyondFocus(context, field, window, appeared);
  // In a page of one's own another Escape closes what the field is in.
  if (opened || context.asking.page) return opened;
  const again = await afterEscape(context, field, window, appeared);
  return again && afterEscape(context, field, window, appeared);
}

async function afterEscape(
  context: QuestionContext,
  field: Field,
  window: WindowOnDisplay,
  appeared: Appeared,
): Promise<Appeared | null> {
  await window.dismiss();
  return beyondFocus(context, field, window, appeared);
}

/** What styles bring out beside a field that has the focus has not opened; what scripts of a page of one's own lay over it has. */
async function beyondFocus(
  context: QuestionContext,
  field: Field,
  window: WindowOnDisplay,
  appeared: Appeared,
): Promise<Appeared | null> {
  const { page, asking } = context;
  const probed = probeField(field);
  await makeReady(context, field);
  if (asking.page) await page.probe('rememberOverlays');
  await page.probe('focus', probed);
  const control = await page.probe('bringIntoSight', probed);
  const beyond = control && (await window.beyondPage(control));
  if (beyond || !asking.page) return beyond;
  return (await page.probe('overlayCame')) ? appeared : null;
}

/** How far down the page is scrolled, CSS px; styles may move a field that has the focus, and that is no scrolling. */
async function scrollOf({ page }: QuestionContext, field: Field): Promise<number> {
  const probed = probeField(field);
  const inViewport = await page.probe('placeInViewport', probed);
  const [inDocument] = await page.probe('controlBoxes', [probed]);
  return inDocument && inViewport ? inDocument.y - inViewport.y : 0;
}

function gesturesFor(field: Field, picking: readonly Gesture[]): readonly Gesture[] | null {
  if (isDated(field.kind) || field.kind === 'color') return picking;
  if (field.kind === 'select') return hasAttribute(field.controls[0], 'multiple') ? null : picking;
  return field.suggestions ? suggesting : null;
}

/**
 * The field in sight, without focus, and filled where what opens shows the value; a list of suggestions shows all of
 * them for an empty field only. A gesture that needs the focus gets it from the one before.
 */
async function prepare(context: QuestionContext, field: Field, gesture: Gesture): Promise<Box | null> {
  const probed = probeField(field);
  if (gesture.focused) await context.page.probe('focus', probed);
  else await makeReady(context, field);
  return context.page.probe('bringIntoSight', probed);
}

async function makeReady({ page }: QuestionContext, field: Field): Promise<void> {
  await page.probe('reset');
  const trial = field.suggestions ? null : validTrial(field);
  if (trial?.status === 'value') await page.probe('fill', [probeField(field)], [trial.value]);
}
