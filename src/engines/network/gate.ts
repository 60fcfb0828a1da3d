import type { Server as HttpServer } from 'node:http';
import { RequestError, Server } from 'proxy-chain';
import { type OwnPage, pageAddressFault } from '@/core/document/own-page';
import type { AddressFault } from '@/core/document/page-fault';
import { pageFaultText } from '@/core/words/page-fault-words';
import type { Gate } from '../api/gate';
import { readEnginesFile } from './engines-file';
import { ownServer } from './local-server';

/** Addresses that browsers ask past the proxy, as proxies are told. */
export const pastTheGate = ['localhost', '*.localhost', '127.0.0.1', '[::1]'] as const;

/** The origins of other machines that the server's configuration lists. */
export async function pageOrigins(): Promise<readonly string[]> {
  const file = await readEnginesFile();
  return file.status === 'read' ? file.pages : [];
}

const overNetwork: Readonly<Record<string, string>> = {
  'http:': 'http:',
  'https:': 'https:',
  'ws:': 'http:',
  'wss:': 'https:',
  'ftp:': 'ftp:',
};

/** Why an address may not be asked for by anything in a page, its sockets included. */
function requestFault(address: string, origins: readonly string[]): AddressFault | null {
  if (!URL.canParse(address)) return null;
  const scheme = new URL(address).protocol;
  const alike = overNetwork[scheme];
  return alike ? pageAddressFault(alike + address.trim().slice(scheme.length), origins) : null;
}

export async function openGate({ held = false }: Pick<OwnPage, 'held'>): Promise<Gate> {
  const origins = await pageOrigins();
  /** Hosts to which a page was led: what is shown in its place asks them for an icon. */
  const ledTo = new Set<string>();
  const proxy = new Server({
    host: '127.0.0.1',
    port: 0,
    prepareRequestFunction: ({ request, hostname, port, isHttp }) => {
      const at = `${hostname.includes(':') ? `[${hostname}]` : hostname}:${port}`;
      // Of a tunnel only the host is known, and not what goes through it.
      const asked = isHttp ? [request.url ?? ''] : [`http://${at}/`, `https://${at}/`];
      const faults = asked.flatMap((one) => requestFault(one, origins) ?? []);
      const [fault] = faults;
      const mayPass = fault === undefined || faults.length < asked.length;
      if (mayPass) return { requestAuthentication: false };
      if (isHttp && request.headers['sec-fetch-dest'] === 'document') ledTo.add(at);
      if (held || ledTo.has(at)) throw new RequestError(pageFaultText(fault), 403);
      return { requestAuthentication: false };
    },
  });
  ownServer(proxy.server as HttpServer);
  await proxy.listen();
  return {
    fault: (address) => requestFault(address, origins),
    holdsAll: held,
    proxy: `127.0.0.1:${proxy.port}`,
    close: () => proxy.close(true),
  };
}
