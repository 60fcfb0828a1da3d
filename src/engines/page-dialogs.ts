import type { Page } from 'puppeteer-core';

/**
 * What a page under test asks in dialogs (HTML Standard, "User prompts") is answered with OK, as most people answer it: nobody is there
 * to press a button, and until one is pressed nothing else in the page answers. Over WebDriver a capability says the same.
 */
export const promptCapability = { unhandledPromptBehavior: 'accept' } as const;

/** The same within the page, for engines in which a dialog that a script or a key brings up ends that command. */
export const okWithin =
  "window.alert = () => undefined; window.confirm = () => true; window.prompt = (_, text) => String(text ?? '');";

export function answerDialogs(page: Page): void {
  page.removeAllListeners('dialog');
  page.on('dialog', (dialog) => {
    // A page that goes away takes its dialogs with it.
    void dialog.accept(dialog.defaultValue()).catch(() => undefined);
  });
}
