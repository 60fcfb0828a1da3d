import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { findProgram } from '../process/find-program';
import { endSupervised, startSupervised, supervise } from '../process/supervised-process';
import { untilThere } from '../process/until';

/** The platform's accessibility bus (AT-SPI 2), one of its own for each browser; see https://docs.gtk.org/atspi2/. */
export interface AccessibilityBus {
  /** D-Bus address. */
  readonly address: string;
  /** What makes a program speak on it. */
  readonly env: Readonly<Record<string, string>>;
  close(): Promise<void>;
}

interface BusPrograms {
  readonly bus: string;
  readonly registry: string;
}

/** Debian packages that bring them. */
export const busPackages = ['dbus', 'at-spi2-core'] as const;

/** The programs that a bus is made of; null where one is not on this machine. */
async function findBusPrograms(): Promise<BusPrograms | null> {
  const [bus, registry] = await Promise.all([
    findProgram('UKKO_DBUS_DAEMON', ['dbus-daemon']),
    findProgram('UKKO_AT_SPI_REGISTRY', [
      '/usr/libexec/at-spi2-registryd',
      '/usr/lib/at-spi2-core/at-spi2-registryd',
      '/usr/lib/at-spi2-registryd',
    ]),
  ]);
  return bus === null || registry === null ? null : { bus, registry };
}

/** A bus of its own; null where it cannot be had on this machine. */
export async function accessibilityBus(): Promise<AccessibilityBus | null> {
  const programs = await findBusPrograms();
  return programs && startAccessibilityBus(programs);
}

/** Starts a bus of its own. Throws when it does not start; nothing stays behind then. */
async function startAccessibilityBus(programs: BusPrograms): Promise<AccessibilityBus> {
  const home = await supervise(programs.bus);
  const socket = join(home.folder, 'bus');
  const address = `unix:path=${socket}`;
  const rules = join(home.folder, 'bus.conf');
  await writeFile(rules, configuration(address));
  const daemon = startSupervised(home, [`--config-file=${rules}`, '--nofork', '--nopidfile']);
  const own = { AT_SPI_BUS_ADDRESS: address };
  const registering = await supervise(programs.registry, { ...own, DBUS_SESSION_BUS_ADDRESS: address });
  let registry: ReturnType<typeof startSupervised> | null = null;
  const close = async () => {
    await endSupervised(registry, registering);
    await endSupervised(daemon, home);
  };
  try {
    await untilThere(socket);
    registry = startSupervised(registering, []);
  } catch (error) {
    await close();
    throw error;
  }
  return { address, env: { ...own, NO_AT_BRIDGE: '0', GNOME_ACCESSIBILITY: '1' }, close };
}

/** Whoever can reach its socket may do everything on it: it is in a folder of ours, and goes with the browser. */
function configuration(address: string): string {
  return `<!DOCTYPE busconfig PUBLIC "-//freedesktop//DTD D-Bus Bus Configuration 1.0//EN" "http://www.freedesktop.org/standards/dbus/1.0/busconfig.dtd">
<busconfig>
  <type>accessibility</type>
  <listen>${address}</listen>
  <auth>EXTERNAL</auth>
  <policy context="default">
    <allow send_destination="*" eavesdrop="true"/>
    <allow eavesdrop="true"/>
    <allow own="*"/>
  </policy>
</busconfig>
`;
}
