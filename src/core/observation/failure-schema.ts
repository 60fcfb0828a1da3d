import { lazy, mixed, number, string } from 'yup';
import type { PageFault, StepFault } from '../document/page-fault';
import { unworkedCodes } from '../regexp/unworked';
import { byCode, type FieldsOf } from './coded-schema';
import type { Failure } from './failure';

const said = (max = 5000) => string().strict().defined().max(max);
const seconds = () => number().strict().min(0).required();
const packages = () => mixed<readonly string[]>().required().test('list of names', areNames);
const engine = { engine: said(200) };
const saying = { ...engine, said: said() };
const because = () => lazy((value: unknown) => byCode(value, failureFields));

function areNames(value: unknown): boolean {
  return Array.isArray(value) && value.length <= 50 && value.every((one) => typeof one === 'string');
}

const stepFields: FieldsOf<StepFault> = {
  'no step': { line: said() },
  'leaves the server': { path: said() },
  'too many steps': { most: seconds() },
};

const pageFields: FieldsOf<PageFault> = {
  'no address': {},
  'no http': {},
  'not listed': { origin: said() },
  step: { line: seconds(), fault: lazy((value: unknown) => byCode(value, stepFields)) },
  'empty answer': { address: said(), status: seconds() },
  'leads on': { address: said(), to: said(), fault: lazy((value: unknown) => byCode(value, pageFields)) },
  'endless answer': { address: said(), says: said() },
  'late answer': { address: said(), within: seconds() },
  'nothing answers': { address: said() },
};
const pageFault = () => lazy((value: unknown) => byCode(value, pageFields));

const failureFields: FieldsOf<Failure> = {
  'engine unknown': { name: said(200) },
  'engines file': { says: said() },
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
  'page fault': { fault: pageFault() },
  'led away': { fault: pageFault() },
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
  'server refused': { says: said() },
  'not worked out': {
    why: mixed()
      .oneOf([...unworkedCodes])
      .required(),
  },
  mistake: { said: said() },
  'asked twice': { because: because() },
  'field never ends': { because: because() },
  'form not filled': { because: because() },
  older: { text: said() },
};

/** Why an answer failed, from a file or a stream. */
export const failureSchema = lazy((value: unknown) => byCode(value, failureFields));
