import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';

declare global {
  var ukkoServers: WeakSet<Server> | undefined;
}

/** One set for the process: Next bundles the start of the server and its routes apart, each with a copy of this module. */
globalThis.ukkoServers ??= new WeakSet();
const own = globalThis.ukkoServers;

/** Whether Ukko itself started a server, as for pages under test, and not whoever serves the app. */
export function isOwnServer(server: Server): boolean {
  return own.has(server);
}

/** Makes a server one of Ukko's own, which whoever guards the app leaves alone. */
export function ownServer(server: Server): void {
  own.add(server);
}

/** Starts a server on a free port. @returns its address, without a slash at the end */
export function startListening(server: Server, host: string): Promise<string> {
  ownServer(server);
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(0, host, () => {
      const name = host.includes(':') ? `[${host}]` : host;
      resolve(`http://${name}:${(server.address() as AddressInfo).port}`);
    });
  });
}

/** Ends a server and every connection to it. */
export function stopListening(server: Server): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => resolve());
    server.closeAllConnections();
  });
}
