import { get as getPlain } from 'node:http';
import { get as getSecure } from 'node:https';
import type { LookupFunction } from 'node:net';

/** What a dev server gave out. */
export interface Given {
  readonly status: number;
  readonly type: string;
  /** Where it leads instead; null: nowhere else. */
  readonly location: string | null;
  readonly text: string;
}

/** Browsers take every name under localhost for this machine (RFC 6761, section 6.3); not every system does. */
const thisMachine: LookupFunction = (_, { all }, tell) => {
  const addresses = [
    { address: '127.0.0.1', family: 4 },
    { address: '::1', family: 6 },
  ];
  if (all) tell(null, addresses);
  else tell(null, '127.0.0.1', 4);
};

/** Bytes of one answer that are read. */
const mostBytes = 5_000_000;

/** What a server gives out does not end within what is read. */
export class TooLarge extends Error {
  constructor() {
    super(`more than ${mostBytes / 1_000_000} MB came`);
  }
}

/**
 * Asks a dev server for an address, without following where it leads. A certificate that it signed itself is taken, as the engines
 * take it: only addresses that may be opened come here.
 * @throws whatever keeps it from being had, and when `signal` aborts
 */
export function givenOut(address: URL, signal: AbortSignal): Promise<Given> {
  return new Promise((resolve, reject) => {
    const asked = { signal, ...(address.hostname.endsWith('.localhost') && { lookup: thisMachine }) };
    const request =
      address.protocol === 'https:'
        ? getSecure(address, { ...asked, rejectUnauthorized: false })
        : getPlain(address, asked);
    request.on('error', reject);
    request.on('response', (response) => {
      const parts: Buffer[] = [];
      let size = 0;
      response.on('data', (part: Buffer) => {
        size += part.length;
        // Enough to know that it answers, and more than a page of fields is: the rest is not waited for.
        if (size > mostBytes) request.destroy(new TooLarge());
        else parts.push(part);
      });
      response.on('error', reject);
      response.on('end', () =>
        resolve({
          status: response.statusCode ?? 0,
          type: response.headers['content-type'] ?? '',
          location: response.headers.location ?? null,
          text: Buffer.concat(parts).toString('utf8'),
        }),
      );
    });
  });
}
