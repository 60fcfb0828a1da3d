import { once } from 'node:events';
import { connect, type Socket } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';

/** A pointer of its own on a Wayland display: what a finger does, and no program that is packaged can. */
export interface WaylandPointer {
  /** Moves there and presses for a moment. @param x,y px from the top left of the display */
  tap(x: number, y: number): Promise<void>;
  close(): void;
}

/** Ids of this client’s objects, which have to be counted without a gap (Wayland Protocol Specification, “Wire Format”). */
const ids = { display: 1, registry: 2, callback: 3, manager: 4, pointer: 5 } as const;
const managerInterface = 'zwlr_virtual_pointer_manager_v1';
/** As the kernel's input events name the first button. */
const leftButton = 0x110;
/** How long a finger rests on a key, ms. */
const pressTime = 40;

/**
 * Connects to a display and makes a pointer, over the protocol wlr-virtual-pointer-unstable-v1. Throws when the display
 * is not there or knows no such pointers.
 *
 * @param path the display's socket
 * @param size of the display, px
 */
export async function waylandPointer(
  path: string,
  size: { readonly width: number; readonly height: number },
): Promise<WaylandPointer> {
  const socket = connect(path);
  await once(socket, 'connect');
  try {
    const name = await globalNamed(socket, managerInterface);
    socket.write(bind(name, managerInterface, ids.manager));
    // No seat: the display's first one.
    socket.write(message(ids.manager, 0, word(0), word(ids.pointer)));
  } catch (error) {
    socket.destroy();
    throw error;
  }
  const button = (state: 0 | 1) =>
    Buffer.concat([
      message(ids.pointer, 2, word(now()), word(leftButton), word(state)),
      message(ids.pointer, 4),
    ]);
  return {
    async tap(x, y) {
      const place = [x, y, size.width, size.height].map((one) => word(Math.round(one)));
      socket.write(Buffer.concat([message(ids.pointer, 1, word(now()), ...place), message(ids.pointer, 4)]));
      await wait(pressTime);
      socket.write(button(1));
      await wait(pressTime);
      socket.write(button(0));
    },
    close: () => socket.destroy(),
  };
}

function now(): number {
  return Date.now() % 2 ** 31;
}

function word(value: number): Buffer {
  const bytes = Buffer.alloc(4);
  bytes.writeUInt32LE(value >>> 0);
  return bytes;
}

/** Length with the final zero, the bytes, padded to words. */
function text(value: string): Buffer {
  const length = Buffer.byteLength(value) + 1;
  const bytes = Buffer.alloc(4 + Math.ceil(length / 4) * 4);
  bytes.writeUInt32LE(length);
  bytes.write(value, 4);
  return bytes;
}

function message(object: number, opcode: number, ...parameters: readonly Buffer[]): Buffer {
  const size = 8 + parameters.reduce((sum, { length }) => sum + length, 0);
  return Buffer.concat([word(object), word((size << 16) | opcode), ...parameters]);
}

function bind(name: number, interfaceName: string, id: number): Buffer {
  return message(ids.registry, 0, word(name), text(interfaceName), word(1), word(id));
}

/** Asks what the display offers, and finds one of it by its interface. */
async function globalNamed(socket: Socket, interfaceName: string): Promise<number> {
  socket.write(
    Buffer.concat([message(ids.display, 1, word(ids.registry)), message(ids.display, 0, word(ids.callback))]),
  );
  let heard = Buffer.alloc(0);
  for await (const part of socket.iterator({ destroyOnReturn: false })) {
    heard = Buffer.concat([heard, part as Buffer]);
    while (heard.length >= 8 && heard.length >= heard.readUInt16LE(6)) {
      const size = heard.readUInt16LE(6);
      const [object, body] = [heard.readUInt32LE(0), heard.subarray(8, size)];
      heard = heard.subarray(size);
      if (object === ids.callback) throw new Error('the display has no pointers of this sort');
      if (object !== ids.registry) continue;
      const length = body.readUInt32LE(4);
      if (body.toString('utf8', 8, 8 + length - 1) === interfaceName) return body.readUInt32LE(0);
    }
  }
  throw new Error('the display went away');
}
