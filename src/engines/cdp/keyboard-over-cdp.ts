import type { CDPSession, KeyInput, Page } from 'puppeteer-core';
import type { PageKeyboard } from '../puppeteer/puppeteer-engine';

/** Named keys, and characters on a keyboard of the United States, of both of which the protocol's library knows the codes. */
const known = /^(?:[\x20-\x7e]|[A-Z][A-Za-z0-9]+)$/;

/**
 * The keyboard of a page over the Chrome DevTools Protocol ("Input.dispatchKeyEvent"). A character that is on no such keyboard is a key
 * of its own here too, which brings it in.
 */
export function keyboardOverCdp(page: Page): PageKeyboard {
  let session: Promise<CDPSession> | null = null;
  const dispatch = async (type: 'keyDown' | 'keyUp', key: string) => {
    session ??= page.createCDPSession();
    const text = type === 'keyDown' ? { text: key, unmodifiedText: key } : {};
    await (await session).send('Input.dispatchKeyEvent', { type, key, ...text });
  };
  const down = (key: KeyInput) => (known.test(key) ? page.keyboard.down(key) : dispatch('keyDown', key));
  const up = (key: KeyInput) => (known.test(key) ? page.keyboard.up(key) : dispatch('keyUp', key));
  return {
    down,
    up,
    async press(key) {
      await down(key);
      await up(key);
    },
  };
}
