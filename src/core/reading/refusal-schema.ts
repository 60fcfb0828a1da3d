import { array, mixed, number, string } from 'yup';
import { byCode, type FieldsOf } from './coded-schema';
import type { EnginesFileFault } from './file-fault';
import { type Misfit, schemaRules } from './misfit';
import type { Refusal } from './refusal';
import { questionNames, type SweepFault } from './request-fault';
import { named } from './schema-union';

const text = () => string().strict().defined().max(5000);
const count = () => number().strict().min(0).required();
const one = (values: readonly string[]) => mixed().oneOf([...values]);
const texts = () => array(text()).strict().max(1000).defined();
const measured = one(['characters', 'entries', 'number']).required();

/** What of something brought does not fit its schema. */
const misfitSchema = named(
  'misfit',
  byCode(() => misfitFields),
);
const path = { path: text() };
const misfitFields: FieldsOf<Misfit> = {
  missing: path,
  'other type': { ...path, wanted: text() },
  'not listed': { ...path, values: texts() },
  'too much': { ...path, of: measured, most: number().strict().required() },
  'too little': { ...path, of: measured, least: number().strict().required() },
  'no whole number': path,
  'unknown entries': { ...path, names: texts() },
  refused: { ...path, rule: one(schemaRules).nullable().defined() },
};

/** Why the server's configuration file cannot be used. */
export const enginesFileFaultSchema = byCode(() => enginesFileFields);
const enginesFileFields: FieldsOf<EnginesFileFault> = {
  'no JSON': {},
  misfit: { misfit: misfitSchema },
  'two endpoints': { name: text() },
};

const sweepFields: FieldsOf<SweepFault> = {
  'no markup': {},
  'markup too long': { most: count() },
  'no fields': {},
  'too many fields': { fields: count(), most: count() },
  misfit: { misfit: misfitSchema },
  'two targets': {},
};

/** Why the server refused, from a file or from the server. */
export const refusalSchema = byCode(() => refusalFields);
const refusalFields: FieldsOf<Refusal> = {
  'other host': {},
  'other site': {},
  'body too large': {},
  'body no JSON': {},
  'question misfit': { question: one(questionNames).required(), misfit: misfitSchema },
  'no sweep': { fault: byCode(() => sweepFields) },
  'field unknown': {},
  'page not read': {},
  'page cut short': {},
  'sweeps full': { most: count() },
  'devices full': { most: count() },
  'server gone': {},
  'no room': {},
  'page not confirmed': { address: text() },
  'device at other host': {},
  'device guesses': {},
  'device code unknown': {},
  'device link used': {},
  'device not visiting': {},
  'device opened again': {},
  'device sent too much at once': { most: count() },
  'device sent too much': { most: count() },
  'sender shut out': { wrong: count(), sender: text() },
  'listening ended': { wrong: count(), senders: count() },
  'device file': {},
};
