import { proxy } from 'comlink';
import { type DeviceMessage, maxDeviceMessage, unnamedDevice } from '@/core/device/device-message';
import { firstTapped, handTyped } from '@/core/device/hand-typing';
import { type Field, takesKeys, tellsSelection } from '@/core/html/field';
import { pageUnderTest } from '@/core/html/page-under-test';
import type { Picture } from '@/core/observation/picture';
import type { Captured } from '@/core/observation/provenance';
import { askingOf } from '@/core/questions/asking';
import { type KeyboardFacts, untold } from '@/core/questions/keyboard/facts';
import { type Observation, observationKey } from '@/core/questions/observation';
import type { HandApi, HandNews } from './api/hand-api';
import { browserName, capture, connectFrame, type FillFrame } from './capture';
import { aliveEvery, type DeviceData, deviceIds } from './device-data';
import { probeField } from './questions/question-context';

/** How long a keyboard may take to come up, ms. */
const keyboardTime = 700;
/** Answers that come close together go out together, ms. */
const sendEvery = 400;

const element = (id: string) => document.getElementById(id) as HTMLElement;
const data = JSON.parse(element(deviceIds.data).textContent ?? '') as DeviceData;
const browser = browserName();
const byHand: Captured = { mark: 'captured', browser, events: 'trusted' };

const all = new Map<string, Observation>();
const shots = new Map<string, Picture>();
/** An answer with the pictures that it names. */
interface Waiting {
  readonly observation: Observation;
  readonly pictures: readonly Picture[];
}
let waiting: readonly Waiting[] = [];
let part = 0;
let isRefused = false;

function say(text: string): void {
  element(deviceIds.state).textContent = text;
}

function keep(observation: Observation, pictures: readonly Picture[] = []): void {
  all.set(observationKey(observation), observation);
  for (const one of pictures) shots.set(one.id, one);
  // An earlier answer to the same question that has not gone out is out of date.
  const others = waiting.filter((one) => observationKey(one.observation) !== observationKey(observation));
  waiting = [...others, { observation, pictures }];
}

/** As many of those that wait as one message may hold; at least one. */
function nextToGo(): readonly Waiting[] {
  let length = 0;
  const count = waiting.findIndex((one, at) => {
    length += JSON.stringify(one).length;
    return at > 0 && length > maxDeviceMessage / 2;
  });
  return count === -1 ? waiting : waiting.slice(0, count);
}

function messageOf(observations: readonly Observation[], pictures: readonly Picture[]): DeviceMessage {
  return { format: 'ukko-device', version: 1, browser, part, observations, pictures };
}

/** Sends what waits. What could not be sent waits on; nothing is lost as long as the page is open. */
async function send(): Promise<void> {
  if (!data.answers || isRefused) return;
  const going = nextToGo();
  const message = messageOf(
    going.map(({ observation }) => observation),
    going.flatMap(({ pictures }) => pictures),
  );
  try {
    const response = await fetch(data.answers.path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-ukko-visit': data.answers.visit },
      body: JSON.stringify(message),
    });
    // What was not taken now will not be taken the next time either; the file has it.
    waiting = waiting.filter((one) => !going.includes(one));
    if (response.ok) part++;
    else {
      isRefused = response.status === 410;
      say(`${(await response.text()).slice(0, 300)} What was answered is kept here: save it as a file.`);
    }
  } catch {
    say(
      'Ukko does not answer. What was answered is kept here; it is sent when Ukko is back, or save it as a file.',
    );
  }
}

async function sendForEver(): Promise<void> {
  let sentAt = 0;
  for (;;) {
    await new Promise((resolve) => setTimeout(resolve, sendEvery));
    const isDue = Date.now() - sentAt >= aliveEvery;
    if (waiting.length === 0 && !isDue) continue;
    sentAt = Date.now();
    await send();
  }
}

const fillFrame: FillFrame = (frame) => {
  // The code of the frame holds no end tag of a script: the bundle sees to that.
  frame.srcdoc = `<!doctype html><html><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"></head><body><script nonce="${data.nonce}">${data.frame}</script></body></html>`;
};

/** Kinds in effect, sizes, messages: what a script can find out without a person. */
async function askByScript(fields: number): Promise<void> {
  say(`Asking this browser about ${fields} fields…`);
  const asking = askingOf(data.markup, ['look', 'message', 'parts']);
  const pictures: Picture[] = [];
  await capture(
    unnamedDevice,
    asking,
    (message) => {
      if (message.type === 'picture') pictures.push(message.picture);
      if (message.type === 'observation') keep(message.observation, pictures.splice(0));
    },
    new AbortController().signal,
    { fill: fillFrame },
  );
}

/** Height of what is visible now, and the tallest that it was, CSS px. */
const visible = () => Math.round(window.visualViewport?.height ?? window.innerHeight);
let tallest = visible();

function inSight(frame: HTMLIFrameElement, box: HandNews['box']): boolean {
  const { top } = frame.getBoundingClientRect();
  const from = window.visualViewport?.offsetTop ?? 0;
  return top + box.y >= from && top + box.y + box.height <= from + visible();
}

/** The form itself, to be typed into: what the page sees of that, and what the keyboard leaves of the page. */
async function listenToHand(typed: readonly Field[]): Promise<void> {
  const frame = document.createElement('iframe');
  frame.style.cssText = 'display:block;width:100%;border:0;background:#fff';
  const api = await connectFrame<HandApi>(
    frame,
    fillFrame,
    new AbortController().signal,
    element(deviceIds.form),
  );
  const heard = (news: HandNews) => {
    const field = typed[news.field];
    if (!field) return;
    // The keyboard comes up after the focus, and goes after it has left.
    if (news.state === 'focused') setTimeout(() => tell(field, news, frame), keyboardTime);
    else tell(field, news, frame);
  };
  const height = await api.watch(pageUnderTest(data.markup), typed.map(probeField), proxy(heard));
  frame.style.height = `${Math.max(300, height)}px`;
}

const lowest = new Map<string, { with: number; inSight: boolean }>();

function tell(field: Field, { turns, box, state }: HandNews, frame: HTMLIFrameElement): void {
  const facts = handTyped(turns, !tellsSelection(field.kind));
  const now = { with: visible(), inSight: inSight(frame, box) };
  const before = lowest.get(field.id);
  const low = state === 'left' && before ? before : now;
  lowest.set(field.id, low);
  const asked = { field: field.id, target: unnamedDevice, provenance: byHand, at: new Date().toISOString() };
  keep({ ...asked, question: 'typing', outcome: { status: 'answered', facts } });
  const keyboard: KeyboardFacts = {
    asked: untold,
    layout: untold,
    height: { before: tallest, with: low.with },
    program: null,
    fieldInSight: low.inSight,
    tapped: firstTapped(facts),
    picture: null,
  };
  keep({ ...asked, question: 'keyboard', outcome: { status: 'answered', facts: keyboard } });
  say(`${field.label}: ${facts.steps.length} strokes kept.`);
}

function save(): void {
  const text = JSON.stringify({ ...messageOf([...all.values()], [...shots.values()]), part: 0 });
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  link.download = 'device-answers.json';
  link.click();
}

async function start(): Promise<void> {
  window.visualViewport?.addEventListener('resize', () => {
    tallest = Math.max(tallest, visible());
  });
  element(deviceIds.save).addEventListener('click', save);
  const { fields } = askingOf(data.markup, []);
  void sendForEver();
  await askByScript(fields.length);
  await listenToHand(fields.filter(({ kind }) => takesKeys(kind)));
  say('Now tap the fields below and type into them as you would.');
}

start().catch((error: unknown) => say(`This browser could not be asked: ${String(error)}`));
