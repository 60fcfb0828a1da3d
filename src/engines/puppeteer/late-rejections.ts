import { ProtocolError } from 'puppeteer-core';

let isOn = false;

/**
 * Lets go of what the protocol's library still asks of a browser that has ended, a window that was just coming for one: it tells nobody,
 * and what nobody hears of would end this program, with every answer that it holds. Who asked knows by then that the browser has ended.
 */
export function letGoOfLateRejections(): void {
  if (isOn) return;
  isOn = true;
  process.on('unhandledRejection', (reason) => {
    if (!(reason instanceof ProtocolError)) throw reason;
  });
}
