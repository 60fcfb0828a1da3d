import { get as getPlain } from 'node:http';
import { get as getSecure } from 'node:https';

/** What a dev server gave out. */
export interface Given {
  readonly status: number;
  readonly type: string;
  /** Where it leads instead; null: nowhere else. */
  readonly location: string | null;
  readonly text: string;
}

/**
 * Asks a dev server for an address, without following where it leads. A certificate that it signed itself is taken, as the engines
 * take it: only addresses that may be opened come here.
 * @throws whatever keeps it from being had, and when `signal` aborts
 */
export function givenOut(address: URL, signal: AbortSignal): Promise<Given> {
  return new Promise((resolve, reject) => {
    const request =
      address.protocol === 'https:'
        ? getSecure(address, { signal, rejectUnauthorized: false })
        : getPlain(address, { signal });
    request.on('error', reject);
    request.on('response', (response) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
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
