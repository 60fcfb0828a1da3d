import { mixed, object, string } from 'yup';
import { type Certainty, certainties } from './known';

export const knownSchema = object({
  source: string().strict().required().max(500),
  sure: mixed<Certainty>()
    .oneOf([...certainties])
    .required(),
})
  .strict()
  .noUnknown();
