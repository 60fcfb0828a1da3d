import { type Remote, wrap } from 'comlink';
import { pageUnderTest } from '@/core/html/page-under-test';
import { type Picture, pictureBytes, pictureId } from '@/core/observation/picture';
import type { Captured } from '@/core/observation/provenance';
import type { Asking } from '@/core/questions/asking';
import type { EmitSweepMessage } from '@/core/sweep/sweep-message';
import type { TargetId } from '@/core/target/target';
import type { AskablePage } from './api/askable-page';
import { type FrameApi, type FramePicture, frameGreeting, frameReady } from './api/frame-api';
import { takeKeysFrom } from './api/pressed-key';
import { askTarget } from './ask-page';
import { PageLost } from './page-lost';

/** Where the server gives out the probe page. */
const framePath = '/probe';
/** Longest wait for the frame, ms. */
const frameTimeout = 10_000;

/** How a window comes by a frame and the page in it. */
export interface HowToCapture {
  readonly fill: FillFrame;
  /** The page that shows a form, see `pageUnderTest`. */
  pageOf(markup: string): string | Promise<string>;
}

/**
 * The capturing observer: asks this very browser, in a sandboxed frame with an origin of its own. Runs in a window.
 * The frame takes the focus while it is asked, and hands out the keys that the person presses meanwhile; afterwards the
 * focus is back where it was.
 */
export async function capture(
  target: TargetId,
  asking: Asking,
  emit: EmitSweepMessage,
  signal: AbortSignal,
  { fill = byAddress, pageOf = pageUnderTest }: Partial<HowToCapture> = {},
): Promise<void> {
  const provenance: Captured = { mark: 'captured', browser: browserName(), events: 'script-made' };
  await askTarget(
    target,
    asking,
    async (work) => {
      const focused = document.activeElement;
      const frame = hiddenFrame();
      const over = new AbortController();
      takeKeysFrom(frame, focused, over.signal);
      try {
        const api = await connectFrame<FrameApi>(frame, fill, signal);
        const page = framePage(api, await pageOf(asking.markup));
        await page.reload();
        await work(page, provenance, null);
      } finally {
        over.abort();
        frame.remove();
        if (focused instanceof HTMLElement) focused.focus({ preventScroll: true });
      }
    },
    provenance,
    emit,
    signal,
  );
}

/** Name and version from the user agent's own words; nothing is guessed beyond them. */
export function browserName(agent: string = navigator.userAgent): string {
  const found =
    /(?:Firefox|Edg|OPR)\/[\d.]+/.exec(agent) ??
    /(?:HeadlessChrome|Chrome)\/[\d.]+/.exec(agent) ??
    /Version\/[\d.]+(?= .*Safari)/.exec(agent);
  return found
    ? found[0].replace('/', ' ').replace('HeadlessChrome', 'Chrome').replace('Version', 'Safari')
    : 'this browser';
}

/** Says where the document of a frame comes from. */
export type FillFrame = (frame: HTMLIFrameElement) => void;
const byAddress: FillFrame = (frame) => {
  frame.src = framePath;
};

function hiddenFrame(): HTMLIFrameElement {
  const frame = document.createElement('iframe');
  frame.tabIndex = -1;
  frame.setAttribute('aria-hidden', 'true');
  // Out of sight but laid out: a frame that is not displayed measures nothing.
  frame.style.cssText = 'position:fixed;left:-10000px;top:0;width:800px;height:600px;border:0';
  return frame;
}

/** Puts a frame of an origin of its own into the document, with a page under test to come, and reaches what it answers. */
export function connectFrame<Api>(
  frame: HTMLIFrameElement,
  fill: FillFrame,
  signal: AbortSignal,
  into: HTMLElement = document.body,
): Promise<Remote<Api>> {
  // Forms are allowed for the attempt to send, which browsers else stop before they check anything; the frame's own
  // policy lets no form go anywhere.
  frame.setAttribute('sandbox', 'allow-scripts allow-forms');
  frame.title = 'Page under test';
  fill(frame);
  into.append(frame);
  return new Promise((resolve, reject) => {
    const stop = new AbortController();
    const give = (settle: () => void) => {
      stop.abort();
      clearTimeout(timer);
      settle();
    };
    const timer = setTimeout(
      () => give(() => reject(new PageLost({ code: 'probe not loaded' }))),
      frameTimeout,
    );
    signal.addEventListener('abort', () => give(() => reject(signal.reason)), { signal: stop.signal });
    const hear = (event: MessageEvent) => {
      if (event.source !== frame.contentWindow || event.data !== frameReady) return;
      const { port1, port2 } = new MessageChannel();
      frame.contentWindow?.postMessage(frameGreeting, '*', [port2]);
      give(() => resolve(wrap<Api>(port1)));
    };
    window.addEventListener('message', hear, { signal: stop.signal });
  });
}

const noWindow = {
  status: 'inapplicable',
  reason: { code: 'page sees no windows' },
} as const;

function clock(): () => number {
  const begin = performance.now();
  return () => performance.now() - begin;
}

function framePage(api: Remote<FrameApi>, html: string): AskablePage {
  const probe: AskablePage['probe'] = (method, ...parameters) =>
    api.call(method, parameters) as Promise<never>;
  return {
    probe,
    drawsFocus: false,
    stopwatch: clock,
    changeBetween: () => null,
    click: null,
    chooseFiles: null,
    window: async () => noWindow,
    accessibility: async () => ({
      status: 'inapplicable',
      reason: { code: 'page sees no accessibility tree' },
    }),
    reload: () => api.load(html),
    press: (key) => probe('strike', { kind: 'key', key }),
    keyDown: (key) => probe('strike', { kind: 'key', key }),
    keyUp: async () => undefined,
    hasKeyboard: false,
    toClipboard: async () => ({ code: 'page has no clipboard' }),
    pictures: async (boxes, size) => {
      const drawn = await api.draw(boxes, size);
      return drawn.map((one) => (one ? asPicture(one) : null));
    },
  };
}

function asPicture(drawn: FramePicture): Picture {
  return { id: pictureId(pictureBytes(drawn)), ...drawn };
}
