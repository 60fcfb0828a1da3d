import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';

/** Starts a server on a free port. @returns its address, without a slash at the end */
export function startListening(server: Server, host: string): Promise<string> {
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
