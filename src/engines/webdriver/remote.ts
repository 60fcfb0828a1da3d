import { firstLine } from '../api/deadline';
import { type Engine, EngineLost } from '../api/engine';
import type { RemoteEndpoint } from '../network/engines-file';
import { openSession, webDriverProtocol } from './webdriver-session';

const noWindow = {
  status: 'inapplicable',
  reason: { code: 'remote display' },
} as const;

/** An engine behind a W3C WebDriver endpoint that somebody else started. */
export function remoteEngine({ name, title, address, capabilities, pagesFrom }: RemoteEndpoint): Engine {
  return {
    name,
    title,
    protocol: webDriverProtocol,
    pagesFrom,
    wordsPackages: {},
    async find() {
      const ready = await status(address);
      if (ready) return { status: 'found', path: address, version: null };
      return { status: 'missing', failure: { code: 'endpoint silent', engine: title } };
    },
    async launch(path, _variant, { gate } = {}) {
      if (gate?.holdsAll)
        throw new EngineLost({ code: 'endpoint not held', engine: title }, { isSettled: true });
      let there = true;
      const end = async () => {
        there = false;
      };
      try {
        return await openSession({
          title,
          address: path,
          capabilities,
          display: noWindow,
          folder: null,
          isThere: () => there,
          end,
        });
      } catch (error) {
        throw new EngineLost({ code: 'no session', engine: title, said: firstLine(error) });
      }
    },
  };
}

async function status(address: string): Promise<boolean> {
  try {
    const url = `${address.replace(/\/$/, '')}/status`;
    const response = await fetch(url, { signal: AbortSignal.timeout(3000) });
    return response.ok;
  } catch {
    return false;
  }
}
