import type { AddressFault } from '@/core/document/page-fault';

/**
 * What stands between a page of the developer's own and every other address than those that may be opened. Where the page itself is led
 * is always seen to before the request goes out; what it asks for besides (pictures, scripts, sockets, frames), where the person wants
 * it held.
 */
export interface Gate {
  /** Why an address may not be asked for; null when it may, or when nothing of it leaves the browser. */
  fault(address: string): AddressFault | null;
  /** Whether all that the page asks for is held, and not only where it is led. */
  readonly holdsAll: boolean;
  /** A proxy on this machine that lets nothing through but what may be asked for, as `host:port`. This machine is asked past it. */
  readonly proxy: string;
  close(): Promise<void>;
}
