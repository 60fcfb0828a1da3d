import type { HandTurn } from '@/core/device/hand-typing';
import { domEvents } from '@/core/observation/event-record';
import type { HandApi, HandNews } from '../api/hand-api';
import type { ProbeField } from '../api/probe-api';
import { fieldsOfDocument } from './page-fields';
import { Recorder, type TypedElement } from './recorder';
import { frameApi, loadIntoFrame, startFrame } from './start-frame';

const handApi: HandApi = {
  ...frameApi,
  watch(html, fields, heard) {
    loadIntoFrame(html);
    const all = fieldsOfDocument();
    fields.forEach((field, index) => {
      const element = all[field.ordinals[0] ?? -1];
      if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement)
        watchField(element, field, (news) => heard({ ...news, field: index }));
    });
    return document.documentElement.scrollHeight;
  },
};

/** Tells, whenever a task in which something was heard has ended, all that was heard since the field got the focus. */
function watchField(
  element: TypedElement,
  { kind }: ProbeField,
  tell: (news: Omit<HandNews, 'field'>) => void,
): void {
  let turns: HandTurn[] = [];
  let waiting = false;
  // Whoever types fast presses a key before the last one was taken: heard before the recorder, which then begins anew.
  for (const type of ['keydown', 'paste', 'drop'])
    element.addEventListener(type, () => {
      if (waiting) take();
    });
  const recorder = new Recorder(element, kind, []);
  const take = () => {
    waiting = false;
    const { events, text, caret, value } = recorder.take();
    if (events.length === 0) return;
    if (events.some(({ type }) => type === 'focus')) turns = [];
    turns.push({ events, text, caret, value });
    const { x, y, width, height } = element.getBoundingClientRect();
    const left = events.at(-1)?.type === 'blur';
    tell({ state: left ? 'left' : 'focused', turns, box: { x, y, width, height } });
  };
  for (const type of domEvents)
    element.addEventListener(type, () => {
      if (!waiting) setTimeout(take);
      waiting = true;
    });
}

startFrame(handApi);
