import type { Gate } from '../api/gate';
import { pastTheGate } from './gate';

/** The same addresses for those who take every name that ends so. */
const bySuffix = pastTheGate.map((one) => one.replace(/^\*/, ''));

/** What makes a browser ask everything but this machine through a proxy. */
export interface ThroughProxy {
  readonly parameters: readonly string[];
  readonly preferences: Readonly<Record<string, string | number | boolean>>;
}

/** By the name under which puppeteer launches it; the proxy is `host:port`. */
export const throughProxy: Readonly<Record<'chrome' | 'firefox', (proxy: string) => ThroughProxy>> = {
  chrome: (proxy) => ({
    parameters: [
      `--proxy-server=http://${proxy}`,
      // First all that it asks past a proxy by itself is taken away: more than this machine is among it.
      `--proxy-bypass-list=<-loopback>;${pastTheGate.join(';')}`,
      '--force-webrtc-ip-handling-policy=disable_non_proxied_udp',
    ],
    preferences: {},
  }),
  firefox: (proxy) => {
    const [host = '', port = ''] = proxy.split(':');
    return {
      parameters: [],
      preferences: {
        'network.proxy.type': 1,
        'network.proxy.http': host,
        'network.proxy.http_port': Number(port),
        'network.proxy.ssl': host,
        'network.proxy.ssl_port': Number(port),
        'network.proxy.allow_hijacking_localhost': true,
        'network.proxy.no_proxies_on': bySuffix.join(', '),
        'network.dns.disablePrefetch': true,
        'media.peerconnection.enabled': false,
      },
    };
  },
};

/**
 * What makes WebKitGTK ask everything but this machine through a proxy. It is told by its environment: told by its driver, as W3C
 * WebDriver has it, one start in four of WebKitGTK 2.50 ends in a crash.
 */
export function proxyEnvironment({ proxy }: Gate): Record<string, string> {
  const address = `http://${proxy}`;
  return { http_proxy: address, https_proxy: address, no_proxy: bySuffix.join(','), ftp_proxy: address };
}
