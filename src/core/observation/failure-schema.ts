import { array, mixed, number, string } from 'yup';
import type { PageFault, StepFault } from '../document/page-fault';
import { byCode, type FieldsOf } from '../reading/coded-schema';
import { enginesFileFaultSchema, refusalSchema } from '../reading/refusal-schema';
import { named } from '../reading/schema-union';
import { unworkedCodes } from '../regexp/unworked';
import type { Failure } from './failure';

const said = (max = 5000) => string().strict().defined().max(max);
const seconds = () => number().strict().min(0).required();
const packages = () => array(said()).strict().max(50).defined();
const engine = { engine: said(200) };
const saying = { ...engine, said: said() };

const stepFields: FieldsOf<StepFault> = {
  'no step': { line: said() },
  'leaves the server': { path: said() },
  'too many steps': { most: seconds() },
};

const pageFault = named(
  'pageFault',
  byCode(() => pageFields),
);
const pageFields: FieldsOf<PageFault> = {
  'no address': {},
  'no http': {},
  'not listed': { origin: said() },
  step: { line: seconds(), fault: byCode(() => stepFields) },
  'empty answer': { address: said(), status: seconds() },
  'leads on': { address: said(), to: said(), fault: pageFault },
  'endless answer': { address: said(), says: said() },
  'late answer': { address: said(), within: seconds() },
  'nothing answers': { address: said() },
};

/** Why an answer failed, from a file or a stream. */
export const failureSchema = named(
  'failure',
  byCode(() => failureFields),
);
const failureFields: FieldsOf<Failure> = {
  'engine unknown': { name: said(200) },
  'engines file': { path: said(), fault: enginesFileFaultSchema },
  'engine missing': {
    ...engine,
    packages: packages(),
    variable: string().strict().nullable().defined().max(200),
  },
  'no engine here': { packages: packages() },
  'keyboard missing': { packages: packages() },
  'accessibility bus missing': { packages: packages() },
  'display missing': { packages: packages() },
  'endpoint silent': engine,
  'endpoint not held': engine,
  'no session': saying,
  'no start': saying,
  'phone no start': saying,
  'phone display no start': { said: said() },
  'phone display empty': {},
  'programs gone': engine,
  'no window': engine,
  silent: { ...engine, within: seconds() },
  'not loaded': { ...engine, within: seconds() },
  ended: engine,
  'page crashed': engine,
  'page left': engine,
  'script threw': saying,
  'protocol error': saying,
  covered: { field: said(), taps: seconds() },
  'kind withheld': {},
  'page fault': { fault: pageFault },
  'led away': { fault: pageFault },
  'form gone': {},
  'button gone': {},
  'button unseen': {},
  'step found nothing': { step: said(50), about: said(), within: seconds() },
  'probe not loaded': {},
  'server silent': {},
  'server away': {},
  cancelled: {},
  'keyboard cut short': {},
  'sending cut short': {},
  'sending cancelled': {},
  'page unread': {},
  'nothing sent': {},
  'server refused': { refusal: refusalSchema },
  'not worked out': {
    why: mixed()
      .oneOf([...unworkedCodes])
      .required(),
  },
  mistake: { said: said() },
  'asked twice': { because: failureSchema },
  'field never ends': { because: failureSchema },
  'form not filled': { because: failureSchema },
  older: { text: said() },
};
