import { object, string, ValidationError } from 'yup';
import { limits } from '../form/form-document';

/** A form that a real device is to be given. */
export interface DeviceRequest {
  /** Its name, for people. */
  readonly form: string;
  readonly markup: string;
}

const schema = object({
  form: string().strict().required().max(200),
  markup: string().strict().required().max(limits.markup),
})
  .strict()
  .noUnknown()
  .required();

export function readDeviceRequest(
  data: unknown,
):
  | { readonly status: 'read'; readonly request: DeviceRequest }
  | { readonly status: 'fault'; readonly text: string } {
  try {
    return { status: 'read', request: schema.validateSync(data) };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      status: 'fault',
      text: `The form cannot be given to a device: ${error.errors[0] ?? 'its shape is another'}.`,
    };
  }
}
