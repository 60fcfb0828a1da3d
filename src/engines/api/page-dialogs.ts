import type { Page } from 'puppeteer-core';

/** A page that opens a window by script gets one that nobody sees. */
const unseenWindow = `() => {
  const shown = { closed: false, opener: window, document: document.implementation.createHTMLDocument(''), location: { href: 'about:blank' } };
  for (const name of ['focus', 'blur', 'postMessage', 'addEventListener', 'removeEventListener', 'print']) shown[name] = () => undefined;
  shown.location.assign = shown.location.replace = () => undefined;
  shown.close = () => { shown.closed = true; };
  return shown;
}`;

/**
 * What a page under test asks in dialogs (HTML Standard, "User prompts") is answered with OK, as most people answer it: nobody is there
 * to press a button, and until one is pressed nothing else in the page answers. It is answered within the page, before a dialog comes
 * up: on the display it would pass for what a field opens. Nothing is printed, no window comes to lie over the page, and it does not
 * fill the display, either.
 */
export const okWithin = `window.alert = () => undefined; window.confirm = () => true; window.prompt = (_, text) => String(text ?? ''); window.print = () => undefined; window.open = ${unseenWindow}; Element.prototype.requestFullscreen = async () => undefined;`;

/** The same for what comes up all the same, as before a page is left. */
export const promptCapability = { unhandledPromptBehavior: 'accept' } as const;

/** Pages that keep quiet already: a browser's one page is asked again and again. */
const quiet = new WeakSet<Page>();

/** Keeps dialogs and windows of a page's own away from what is asked of it, from its next loading on. */
export async function keepQuiet(page: Page): Promise<void> {
  if (quiet.has(page)) return;
  quiet.add(page);
  await page.evaluateOnNewDocument(okWithin);
  page.on('dialog', (dialog) => {
    // A page that goes away takes its dialogs with it.
    void dialog.accept(dialog.defaultValue()).catch(() => undefined);
  });
  // A window that a link opens lies over it, and has the focus.
  page.on('popup', (opened) => {
    void (async () => {
      await opened?.close();
      await page.bringToFront();
    })().catch(() => undefined);
  });
}
