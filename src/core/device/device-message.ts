import { array, mixed, number, object, string, ValidationError } from 'yup';
import type { Picture } from '../observation/picture';
import { pictureSchema } from '../observation/schema-parts';
import type { Observation } from '../questions/observation';
import { observationSchema } from '../questions/observation-schema';
import { readJson } from '../read-json';
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

export type DeviceReading =
  | { readonly status: 'read'; readonly message: DeviceMessage }
  | { readonly status: 'fault'; readonly text: string };

/**
 * Checks what came from a device. Whatever it says of itself, its answers are captured ones: a device can give no others.
 */
export function readDeviceMessage(data: unknown): DeviceReading {
  try {
    const message = schema.validateSync(data) as unknown as DeviceMessage;
    const other = message.observations.find(({ provenance }) => provenance.mark !== 'captured');
    if (other) return fault('it says that something was not captured on the device');
    return { status: 'read', message };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return fault(error.errors[0]?.replaceAll('\n', ' ').slice(0, 200) ?? 'its shape is another');
  }
}

function fault(why: string): DeviceReading {
  return {
    status: 'fault',
    text: `What the device sent cannot be read: ${why}. It was left out; all that came before is kept.`,
  };
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
    return fault('the file is cut off or was changed');
  }
}

/** The answers under the name that the person gave the device. */
export function answersOf({ observations }: DeviceMessage, target: TargetId): Observation[] {
  return observations.map((observation) => ({ ...observation, target }));
}
