import { describe, expect, it } from 'vitest';
import { readForm } from '@/core/html/read-form';
import type { Picture, PictureId } from '@/core/observation/picture';
import { askingOf, planOf } from '@/core/questions/asking';
import type { Observation, PageQuestion } from '@/core/questions/observation';
import { targetId } from '@/core/target/target';
import type { AskablePage } from '../api/askable-page';
import type { Box, FieldFacts, ProbeApi } from '../api/probe-api';
import type { Act, Appeared, NoWindow } from '../api/window-on-display';
import { askTarget } from '../ask-page';

/** How one control of a made-up page behaves. */
interface Control {
  /** What its picture shows of the value; the whole of it unless told otherwise. */
  shows?: (value: string) => string;
  /** Its pseudo-elements that an engine would draw. */
  drawn?: readonly string[];
  /** What a click at these shares of its box does to the value. */
  click?: (along: number, down: number, value: string) => string;
  /** What a pressed key does to the value. */
  key?: (key: string, value: string) => string;
  /** Whether something opens by this act, within so many ms. */
  opens?: (act: 'middle' | 'end' | 'key', patience: number) => boolean;
  /** How long that takes, ms. */
  after?: number;
  /** Whether what opened is told from the page alone, look by look; else it is. */
  beyond?: readonly boolean[];
  reflected?: string;
  /** The page takes the focus away from it again, or never lets go of it. */
  focus?: 'taken away' | 'kept';
}

const width = 100;
const height = 20;
const top = (ordinal: number) => ordinal * 40;

/** A page without an engine: it answers the probe from data, so that what a question makes of its answers can be held. */
function madeUpPage(markup: string, controls: Record<string, Control>, window: 'there' | NoWindow = 'there') {
  const { fields } = readForm(markup);
  const names = fields.map(({ id }) => id as string);
  const values = names.map(() => '');
  let css = '';
  let focused = -1;
  let bubbleTitle = true;
  const acts: string[] = [];
  const looks = new Map(names.map((name, ordinal) => [ordinal, [...(controls[name]?.beyond ?? [])]]));
  const at = (ordinal: number) => controls[names[ordinal] ?? ''] ?? {};
  const box = (ordinal: number): Box => ({ x: 0, y: top(ordinal), width, height });
  const facts = (ordinal: number): FieldFacts => ({
    typeReflected: at(ordinal).reflected ?? fields[ordinal]?.kind ?? '',
    box: box(ordinal),
    size: { width, height },
    value: values[ordinal] ?? '',
    willValidate: true,
    flags: [],
    message: '',
    sent: [],
    font: null,
    contrast: null,
    pseudoClasses: [],
    marks: [],
    isThere: true,
    isDrawnByLabel: false,
  });
  const ordinalOf = (field: { ordinals: readonly number[] }) => field.ordinals[0] ?? -1;
  const api: Partial<ProbeApi> = {
    reset: () => {
      values.fill('');
      focused = -1;
      bubbleTitle = true;
    },
    fill: (asked, given) =>
      asked.forEach((field, index) => {
        const value = given[index];
        if (value !== null && value !== undefined) values[ordinalOf(field)] = value;
      }),
    focus: (field) => {
      focused = ordinalOf(field);
      return true;
    },
    hasFocus: (field) => {
      const { focus } = at(ordinalOf(field));
      return focus === undefined ? focused === ordinalOf(field) : focus === 'kept';
    },
    textsShown: (asked) => asked.map(() => null),
    attemptToSend: () => undefined,
    disable: () => undefined,
    describe: (asked) => asked.map((field) => facts(ordinalOf(field))),
    controlBoxes: (asked) => asked.map((field) => box(ordinalOf(field))),
    valueOf: (field) => values[ordinalOf(field)] ?? '',
    documentBox: () => ({ x: 0, y: 0, width: 800, height: 2000 }),
    restyle: (rules) => {
      css = rules ?? '';
    },
    sizesWithoutLimits: (asked) => asked.map(() => null),
    bringIntoSight: (field) => box(ordinalOf(field)),
    placeInViewport: (field) => box(ordinalOf(field)),
    placesInViewport: ({ ordinals }) => ordinals.map(box),
    insideInViewport: (field) => box(ordinalOf(field)),
    rememberOverlays: () => undefined,
    rememberFields: () => undefined,
    fieldsCame: () => [],
    report: (_, withTitle) => {
      bubbleTitle = withTitle;
    },
    readsRightToLeft: () => false,
    speaksRightToLeft: () => false,
  };
  const picture = (ordinal: number): Picture => {
    const control = at(ordinal);
    const value = values[ordinal] ?? '';
    const shown = control.shows ? control.shows(value) : value;
    const text = css.includes('color:transparent') && !control.shows ? '' : shown;
    const parts = (control.drawn ?? []).filter((name) => !css.includes(`${name}{visibility:hidden`));
    return { id: `${ordinal}:${text}:${parts}` as PictureId, width, height, data: text };
  };
  const page: AskablePage = {
    probe: async (method, ...parameters) => {
      const call = api[method] as ((...given: unknown[]) => never) | undefined;
      if (!call) throw new Error(`${method} is not made up`);
      return call(...parameters);
    },
    reload: async () => undefined,
    chooseFiles: null,
    hasKeyboard: true,
    toClipboard: async () => ({ code: 'no clipboard program' }),
    keyDown: async () => undefined,
    keyUp: async () => undefined,
    press: async (key) => {
      const change = at(focused).key;
      if (change) values[focused] = change(key, values[focused] ?? '');
    },
    pictures: async (boxes) =>
      boxes.map((one) => (one ? picture(Math.round((one.y + one.height / 2 - height / 2) / 40)) : null)),
    // A picture's data is its text; where two texts differ is where the pictures do.
    changeBetween: (a, b) => {
      const differ = [...a.data].flatMap((character, index) => (character === b.data[index] ? [] : [index]));
      const [first, last] = [differ[0], differ.at(-1)];
      return first === undefined || last === undefined
        ? null
        : { x: first, y: 0, width: last - first + 1, height: 1 };
    },
    click: async (x, y) => {
      const ordinal = Math.floor(y / 40);
      const change = at(ordinal).click;
      if (change) values[ordinal] = change(x / width, (y - top(ordinal)) / height, values[ordinal] ?? '');
    },
    accessibility: async () => ({
      status: 'inapplicable',
      reason: { code: 'page sees no accessibility tree' },
    }),
    window: async () =>
      window === 'there'
        ? {
            status: 'there',
            viewport: { width: 800, height: 600 },
            appearing: async (control: Box, act: Act, patience: number): Promise<Appeared | null> => {
              const ordinal = Math.round(control.y / 40);
              if (act.kind === 'call') {
                await act.call();
                const extra = bubbleTitle && names[ordinal] === 'titled' ? 20 : 0;
                return appeared(`bubble ${ordinal} ${extra}`, { ...control, y: 590, height: 30 + extra });
              }
              const name = act.kind === 'key' ? 'key' : act.x > control.x + width * 0.8 ? 'end' : 'middle';
              acts.push(`${names[ordinal]} ${name}`);
              return at(ordinal).opens?.(name, patience)
                ? appeared(`open ${ordinal}`, { ...control, y: 100, height: 90 }, at(ordinal).after)
                : null;
            },
            beyondPage: async (control: Box) => {
              const ordinal = Math.round(control.y / 40);
              const isBeyond = looks.get(ordinal)?.shift() ?? true;
              return isBeyond
                ? appeared(`open ${ordinal}`, { ...control, y: 100, height: 90 }, at(ordinal).after)
                : null;
            },
            press: async () => undefined,
            dismiss: async () => undefined,
          }
        : window,
    drawsFocus: true,
    stopwatch: () => () => 0,
  };
  return { page, acts };
}

function appeared(id: string, box: Box, after = 100): Appeared {
  return { picture: { id: id as PictureId, width: 1, height: 1, data: '' }, box, after };
}

async function ask(
  markup: string,
  questions: readonly PageQuestion[],
  page: AskablePage,
): Promise<Observation[]> {
  const asking = askingOf(markup, questions);
  const observations: Observation[] = [];
  const provenance = { mark: 'captured', browser: 'made up', events: 'trusted' } as const;
  const { ended } = await askTarget(
    targetId('made-up'),
    asking,
    (work) => work(page, provenance, null),
    provenance,
    (message) => {
      if (message.type === 'observation') observations.push(message.observation);
    },
    new AbortController().signal,
  );
  expect(ended).toBe('finished');
  expect(observations).toHaveLength(planOf(asking).length);
  return observations;
}

type FactsOf<Q extends PageQuestion> = Extract<Observation, { question: Q }>['outcome'] extends infer O
  ? O extends { facts: infer F }
    ? F
    : never
  : never;

function factsOf<Q extends PageQuestion>(
  list: readonly Observation[],
  question: Q,
  field: string,
): FactsOf<Q> {
  const found = list.find((o) => o.question === question && o.field === field);
  if (found?.outcome.status !== 'answered')
    throw new Error(`${question} of ${field}: ${JSON.stringify(found)}`);
  return found.outcome.facts as FactsOf<Q>;
}

describe('what opens', () => {
  const markup =
    '<input type=date name=button><input type=date name=anywhere><input type=date name=keys><input type=date name=never><input type=date name=styled><input type=date name=lingers><input type=date name=undrawn><input type=date name=late><input name=list list=l><datalist id=l><option>a</datalist><input name=plain>';
  const controls: Record<string, Control> = {
    button: { opens: (act) => act === 'end' },
    anywhere: { opens: () => true },
    keys: { opens: (act) => act === 'key' },
    styled: { opens: (act) => act === 'middle', beyond: [false, false] },
    lingers: { opens: (act) => act === 'middle', beyond: [false, true, true] },
    undrawn: { opens: (act) => act === 'middle', beyond: [false, true, false] },
    late: { opens: (act, patience) => act === 'key' || (act === 'end' && patience > 500), after: 300 },
    list: { opens: (act) => act === 'key' },
  };

  it('is what the first of several gestures opens, and they are tried no further', async () => {
    const { page, acts } = madeUpPage(markup, controls);
    const list = await ask(markup, ['opening'], page);
    const opened = (field: string) => factsOf(list, 'opening', field).opened;
    expect(['button', 'anywhere', 'keys', 'never', 'list'].map(opened)).toEqual([
      'a click at its end',
      'a click in the middle',
      'Alt+ArrowDown',
      null,
      'ArrowDown',
    ]);
    expect(factsOf(list, 'opening', 'never').tried).toHaveLength(3);
    // What its styles bring out beside it, when it has the focus, has not opened.
    for (const field of ['styled', 'undrawn'])
      expect(factsOf(list, 'opening', field)).toMatchObject({ opened: null, picture: null });
    expect(opened('lingers')).toBe('a click in the middle');
    // What came late by a key may come by a click, when that is waited for.
    expect(factsOf(list, 'opening', 'late')).toMatchObject({
      opened: 'a click at its end',
      tried: ['a click in the middle', 'a click at its end'],
    });
    expect(acts.filter((act) => act.startsWith('anywhere'))).toEqual(['anywhere middle']);
    expect(list.find(({ field }) => field === 'plain')?.outcome.status).toBe('inapplicable');
    expect(factsOf(list, 'opening', 'button')).toMatchObject({ popUp: { width, height: 90 }, leaves: [] });
  });

  it('is not known without a window, and why is handed on', async () => {
    const none: readonly NoWindow[] = [
      { status: 'failed', failure: { code: 'display missing', packages: ['xvfb'] } },
      { status: 'inapplicable', reason: { code: 'remote display' } },
    ];
    for (const window of none) {
      const { page } = madeUpPage(markup, controls, window);
      const list = await ask(markup, ['opening', 'bubble'], page);
      expect(list.find(({ field }) => field === 'button')?.outcome).toEqual(window);
    }
  });
});

describe('a bubble', () => {
  it('is shown, is measured against the window, and tells whether the title is in it', async () => {
    const markup =
      '<input name=titled pattern="[A-Z]{3}" title=Capitals><input name=other pattern="[A-Z]{3}" title=Capitals><input name=plain required><input name=free>';
    const { page } = madeUpPage(markup, {});
    const list = await ask(markup, ['bubble'], page);
    expect(factsOf(list, 'bubble', 'titled')).toMatchObject({
      shown: true,
      showsTitle: true,
      leaves: ['bottom'],
    });
    expect(factsOf(list, 'bubble', 'other').showsTitle).toBe(false);
    expect(factsOf(list, 'bubble', 'plain').showsTitle).toBeNull();
    expect(list.find(({ field }) => field === 'free')?.outcome.status).toBe('inapplicable');
  });
});

describe('the parts of a control', () => {
  const markup =
    '<input type=number name=level value=3><input type=range name=sea max=9><input type=search name=find><input type=color name=colour><input type=password name=pin><input type=date name=day><input name=text>';
  const type = (key: string, value: string) => value + key;
  const controls: Record<string, Control> = {
    level: {
      key: type,
      click: (along, down, value) => (along > 0.8 ? String(Number(value) + (down < 0.5 ? 1 : -1)) : value),
    },
    sea: { shows: (value) => `thumb at ${value}`, click: (along) => String(Math.round(along * 9)) },
    find: { key: type, click: (along, _, value) => (along > 0.8 ? '' : value) },
    colour: { shows: (value) => `swatch ${value}`, drawn: ['::-webkit-color-swatch'] },
    pin: { key: type, shows: (value) => '•'.repeat(value.length) },
    day: { key: type, opens: (act) => act === 'end' },
    text: { key: type },
  };

  it('are told from what clicks, keys and hidden pseudo-elements do', async () => {
    const { page } = madeUpPage(markup, controls);
    const list = await ask(markup, ['parts', 'opening'], page);
    const parts = (field: string) => factsOf(list, 'parts', field).parts.map(({ part }) => part);
    expect(Object.fromEntries(Object.keys(controls).map((name) => [name, parts(name)]))).toEqual({
      level: ['spin button', 'text box'],
      sea: ['slider'],
      find: ['clear button', 'text box'],
      colour: ['swatch'],
      pin: ['text box'],
      day: ['text box', 'picker button'],
      text: ['text box'],
    });
    expect(factsOf(list, 'parts', 'colour').parts[0]?.how).toContain('::-webkit-color-swatch');
  });

  it('tell whether the value can be read off', async () => {
    const { page } = madeUpPage(markup, controls);
    const list = await ask(markup, ['parts'], page);
    const shows = (field: string) => factsOf(list, 'parts', field).shows;
    expect(['level', 'sea', 'colour', 'pin'].map(shows)).toEqual(['text', 'picture', 'picture', 'nothing']);
  });

  it('that need an opening to be told are not looked for without it', async () => {
    const { page } = madeUpPage(markup, controls);
    const day = factsOf(await ask(markup, ['parts'], page), 'parts', 'day');
    expect(day.lookedFor).not.toContain('picker button');
    expect(day.lookedFor).toContain('swatch');
  });
});

describe('the order of a date', () => {
  const markup =
    '<input type=date name=a><input type=date name=b><input type=time name=t><input type=time name=u>';
  const split = (value: string) => value.split('-');
  const hours = (value: string) => Number(value.slice(0, 2));
  const controls: Record<string, Control> = {
    a: { shows: (value) => split(value).reverse().join('.') },
    b: { shows: (value) => value },
    t: {
      shows: (value) =>
        `${String(hours(value) % 12).padStart(2, '0')}${value.slice(2)} ${hours(value) < 12 ? 'AM' : 'PM'}`,
    },
    u: { shows: (value) => value },
  };
  it('is where each part’s picture changes, and the clock what twelve hours change', async () => {
    const { page } = madeUpPage(markup, controls);
    const list = await ask(markup, ['parts'], page);
    expect(factsOf(list, 'parts', 'a').order).toEqual(['day', 'month', 'year']);
    expect(factsOf(list, 'parts', 'b').order).toEqual(['year', 'month', 'day']);
    expect(factsOf(list, 'parts', 't')).toMatchObject({ order: ['hour', 'minute'], clock: '12 hours' });
    expect(factsOf(list, 'parts', 'u')).toMatchObject({ order: ['hour', 'minute'], clock: '24 hours' });
  });
});

describe('how a field looks with the focus', () => {
  it('is unseen where it looks the same without, and not told where the page moves the focus by itself', async () => {
    const markup = '<input name=same><input name=robbed><input name=held>';
    const { page } = madeUpPage(markup, { robbed: { focus: 'taken away' }, held: { focus: 'kept' } });
    const focused = (await ask(markup, ['look'], page)).filter(
      (one) => one.question === 'look' && one.state === 'focused',
    );
    const told = focused.map(({ field, outcome }) => [
      field,
      outcome.status === 'answered' && 'focusUnseen' in outcome.facts ? 'unseen' : outcome.status,
    ]);
    expect(told).toEqual([
      ['same', 'unseen'],
      ['robbed', 'inapplicable'],
      ['held', 'answered'],
    ]);
  });
});
