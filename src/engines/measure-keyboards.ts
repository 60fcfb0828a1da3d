import type { OwnPage } from '@/core/document/own-page';
import type { Field } from '@/core/html/field';
import { pageUnderTest } from '@/core/html/page-under-test';
import { readForm } from '@/core/html/read-form';
import type { KeyboardAnswer, KeyboardQuestion, PhoneEngine } from '@/core/keyboard/keyboard-question';
import { type TargetId, targetId } from '@/core/target/target';
import { probeBundle } from '@/probe/bundle';
import { EngineLost } from './api/engine';
import { onceMore } from './api/once-more';
import { engines } from './engines';
import { openGate } from './network/gate';
import { startPageServer } from './network/page-server';
import { probeWithin, stepsBefore } from './own-page';
import { type PhoneBrowser, phoneBrowsers } from './phone/phone-browser';
import { findPhonePrograms, type PhoneScreen, startPhoneScreen } from './phone/phone-screen';
import { type ShownPage, shownAt, type Tapped, tapField } from './phone/shown-page';
import { PictureShelf } from './picture/picture-shelf';

/**
 * The observer of on-screen keyboards: taps every field of a form on a phone-sized display and says which keyboard came up. Everything that it started is gone
 * when it returns or throws. Throws `EngineLost` when the engine or the keyboard cannot be had.
 *
 * @param wanted the fields that are asked about
 * @param onAnswer is told each answer as it comes
 * @param signal ends it; what was answered until then has been told
 */
export async function measureKeyboards(
  name: PhoneEngine,
  { markup, page }: Pick<KeyboardQuestion, 'markup' | 'page'>,
  wanted: (field: Field) => boolean,
  onAnswer: (answer: KeyboardAnswer) => void = () => undefined,
  signal?: AbortSignal,
): Promise<KeyboardAnswer[]> {
  const engine = engines[name];
  const [found, phone] = await Promise.all([engine.find(), findPhonePrograms()]);
  if (found.status === 'missing') throw new EngineLost(found.failure, { isSettled: true });
  if (phone.status === 'missing') throw new EngineLost(phone.failure, { isSettled: true });
  signal?.throwIfAborted();
  const gate = page && (await openGate(page));
  const server = await startPageServer();
  try {
    const address = page ? page.address : server.add(pageUnderTest(markup));
    const screen = await onceMore(() => startPhoneScreen(phone.programs), signal);
    const start = () => phoneBrowsers[name](found.path, screen.env, gate);
    const asked = { address, markup, page, target: targetId(name), engine: engine.title };
    return await measuredOn(screen, start, asked, wanted, onAnswer, signal);
  } finally {
    await server.close();
    await gate?.close();
  }
}

interface Asked extends Pick<KeyboardQuestion, 'markup' | 'page'> {
  readonly address: string;
  readonly target: TargetId;
  /** The engine's title. */
  readonly engine: string;
}

function answerOf(
  { target, engine }: Asked,
  field: Field,
  version: string,
  { facts, picture }: Tapped,
): KeyboardAnswer {
  const protocol = 'a finger, on a phone-sized display with a real on-screen keyboard';
  return {
    observation: {
      field: field.id,
      target,
      provenance: { mark: 'measured', engine, version, protocol, unable: [] },
      at: new Date().toISOString(),
      question: 'keyboard',
      outcome: { status: 'answered', facts },
    },
    picture,
  };
}

/** Taps the fields on a display, which is gone in the end. */
async function measuredOn(
  screen: PhoneScreen,
  start: () => Promise<PhoneBrowser>,
  asked: Asked,
  wanted: (field: Field) => boolean,
  onAnswer: (answer: KeyboardAnswer) => void,
  signal: AbortSignal | undefined,
): Promise<KeyboardAnswer[]> {
  const { address, markup, page } = asked;
  let shown: ShownPage | null = null;
  let hidden: Promise<void> = Promise.resolve();
  const hide = () => {
    const { browser } = shown ?? {};
    shown = null;
    hidden = hidden.then(() => browser?.close());
    return hidden;
  };
  const stop = () => void hide();
  signal?.addEventListener('abort', stop, { once: true });
  try {
    const { fields } = readForm(markup);
    const arrive = (browser: PhoneBrowser) => (page ? arriveAt(browser, page, fields) : withProbe(browser));
    const show = () => shownAt(start(), address, screen, arrive);
    const answers: KeyboardAnswer[] = [];
    const shelf = new PictureShelf();
    const ofField = async (field: Field) => {
      signal?.throwIfAborted();
      shown ??= await show();
      try {
        // A browser that came up after nobody waited any more.
        signal?.throwIfAborted();
        return answerOf(asked, field, shown.browser.version, await tapField(field, screen, shown, shelf));
      } catch (error) {
        // Whatever it was, what is asked next is asked of another browser.
        await hide();
        throw error;
      }
    };
    for (const field of fields.filter(wanted)) {
      const answer = await onceMore(() => ofField(field), signal);
      answers.push(answer);
      onAnswer(answer);
    }
    return answers;
  } finally {
    signal?.removeEventListener('abort', stop);
    await hide();
    await screen.close();
  }
}

/** In a page that is made for the form, all of it is the form under test. */
async function withProbe(browser: PhoneBrowser): Promise<void> {
  const { code } = await probeBundle('probe');
  await browser.evaluate(`(() => { ${code}; return true; })()`);
}

/** Does the steps before the form of an own page, and makes that form the one under test. */
async function arriveAt(browser: PhoneBrowser, page: OwnPage, fields: readonly Field[]): Promise<void> {
  const { code } = await probeBundle('probe');
  const evaluate = (expression: string) => browser.evaluate(expression);
  await stepsBefore(page, { form: page.form, fields })(evaluate);
  await evaluate(`(() => { ${probeWithin(page, fields, code)} return true; })()`);
}
