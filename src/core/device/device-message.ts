import { array, mixed, number, object, string } from 'yup';
import type { Picture } from '../observation/picture';
import { pictureSchema } from '../observation/schema-parts';
import type { Observation } from '../questions/observation';
import { observationSchema } from '../questions/observation-schema';
import { fitted, type Misfit } from '../reading/misfit';
import { readJson } from '../reading/read-json';
import type { TargetId } from '../target/target';

/** What a device's page sends, over the network or in a file. */
export interface DeviceMessage {
  readonly format: 'ukko-device';
  readonly version: 1;
  /** Name and version in the browser's own words. */
  readonly browser: string;
  /** One by one from 0 on: a message that comes twice counts once. */
  readonly part: number;
  readonly observations: readonly Observation[];
  readonly pictures: readonly Picture[];
}

/** The target by which a device's page calls itself; whoever reads its answers knows better. */
export const unnamedDevice = 'device' as TargetId;

/** Longest file of answers that is read, bytes. */
export const maxDeviceFile = 64_000_000;
/** Longest message, bytes. */
export const maxDeviceMessage = 4_000_000;
/** Most answers in one message. */
const mostAnswers = 5000;

const schema = object({
  format: mixed<'ukko-device'>().oneOf(['ukko-device']).required(),
  version: mixed<1>().oneOf([1]).required(),
  browser: string().strict().required().max(200),
  part: number().strict().integer().min(0).max(100_000).required(),
  observations: array(observationSchema).strict().max(mostAnswers).defined(),
  pictures: array(pictureSchema).strict().max(mostAnswers).defined(),
})
  .strict()
  .noUnknown()
  .required();

/** Why answers of a device are left out. */
export type DeviceFault =
  /** They say of themselves that something was not captured on the device. */
  | { readonly code: 'not captured' }
  | { readonly code: 'no JSON' }
  | { readonly code: 'misfit'; readonly misfit: Misfit };

export type DeviceReading =
  | { readonly status: 'read'; readonly message: DeviceMessage }
  | { readonly status: 'fault'; readonly fault: DeviceFault };

/**
 * Checks what came from a device. Whatever it says of itself, its answers are captured ones: a device can give no others.
 */
export function readDeviceMessage(data: unknown): DeviceReading {
  const fitting = fitted(schema, data);
  if (fitting.status === 'misfit')
    return { status: 'fault', fault: { code: 'misfit', misfit: fitting.misfit } };
  const message = fitting.value as unknown as DeviceMessage;
  const other = message.observations.some(({ provenance }) => provenance.mark !== 'captured');
  return other ? { status: 'fault', fault: { code: 'not captured' } } : { status: 'read', message };
}

/** True for a file of a device's answers, whole or broken. */
export function isDeviceFile(content: string): boolean {
  return /"format"\s*:\s*"ukko-device"/.test(content.slice(0, 2000));
}

/** Reads a file of answers that was carried over. */
export function readDeviceFile(content: string): DeviceReading {
  try {
    return readDeviceMessage(readJson(content));
  } catch {
    return { status: 'fault', fault: { code: 'no JSON' } };
  }
}

/** The answers under the name that the person gave the device. */
export function answersOf({ observations }: DeviceMessage, target: TargetId): Observation[] {
  return observations.map((observation) => ({ ...observation, target }));
}
