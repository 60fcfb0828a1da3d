import { expose } from 'comlink';
import { type FrameApi, frameGreeting, frameReady } from '../api/frame-api';
import type { ProbeApi } from '../api/probe-api';
import { drawCopy } from './drawn-copy';
import { probedPage } from './probed-page';

/** Puts a page into this frame. A document made by DOMParser has scripting off, and the frame's policy forbids all but this script. */
export function loadIntoFrame(html: string): void {
  const page = new DOMParser().parseFromString(html, 'text/html');
  document.documentElement.lang = page.documentElement.lang;
  document.documentElement.dir = page.documentElement.dir;
  document.documentElement.className = page.documentElement.className;
  document.head.replaceChildren(...page.head.childNodes);
  // A frame of another origin may not take the focus by itself; the attribute comes back once it cannot try.
  const focusing = Array.from(page.querySelectorAll('[autofocus]'));
  for (const element of focusing) element.removeAttribute('autofocus');
  document.body.replaceWith(page.body);
  for (const element of focusing) element.setAttribute('autofocus', '');
}

export const frameApi: FrameApi = {
  load(html) {
    loadIntoFrame(html);
    probedPage.settle();
  },
  call: (method, parameters) => {
    const asked = probedPage[method] as (...given: typeof parameters) => ReturnType<ProbeApi[typeof method]>;
    return asked(...parameters);
  },
  draw: drawCopy,
};

/** Waits for the window around this frame to greet it, and answers over the port that comes with that. */
export function startFrame(api: object): void {
  const greet = (event: MessageEvent) => {
    const [port] = event.ports;
    if (event.source !== window.parent || event.data !== frameGreeting || !port) return;
    window.removeEventListener('message', greet);
    expose(api, port);
  };
  window.addEventListener('message', greet);
  window.parent.postMessage(frameReady, '*');
}
