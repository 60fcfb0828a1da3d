import { object, string } from 'yup';
import { limits } from '../document/form-document';
import { type QuestionReading, readQuestion } from '../reading/read-question';

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

export function readDeviceRequest(data: unknown): QuestionReading<DeviceRequest> {
  return readQuestion(schema, data, 'device page');
}
