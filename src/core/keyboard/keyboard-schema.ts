import { array, lazy, mixed, number, object, string, ValidationError } from 'yup';
import { type Keyboard, layerNamed, leadsTo, reachableLayers } from './keyboard';
import { type Certainty, certainties } from './known';

export const knownSchema = object({
  source: string().strict().required().max(500),
  sure: mixed<Certainty>()
    .oneOf([...certainties])
    .required(),
})
  .strict()
  .noUnknown();

const width = number().strict().min(0.25).max(12).optional();
const text = string().strict().required().max(20);

const keySchemas = {
  text: object({
    does: mixed<'text'>().required(),
    text,
    held: array(text).strict().max(30).optional(),
    width,
  }),
  layer: object({
    does: mixed<'layer'>().required(),
    to: string().strict().required().max(40),
    label: text,
    width,
  }),
  plain: object({
    does: mixed<'erase' | 'action' | 'away' | 'gap'>().oneOf(['erase', 'action', 'away', 'gap']).required(),
    width,
  }),
} as const;

const keySchema = lazy((value: unknown) => {
  const does = typeof value === 'object' && value !== null && 'does' in value ? value.does : null;
  const schema = does === 'text' ? keySchemas.text : does === 'layer' ? keySchemas.layer : keySchemas.plain;
  return schema.strict().noUnknown();
});

export const keyboardSchema = object({
  name: string().strict().required().max(100),
  layers: array(
    object({
      id: string().strict().required().max(40),
      rows: array(array(keySchema).strict().max(20).required()).strict().min(1).max(8).required(),
      returnsTo: string().strict().max(40).optional(),
    })
      .strict()
      .noUnknown()
      .required(),
  )
    .strict()
    .min(1)
    .max(20)
    .required(),
  known: knownSchema.required(),
})
  .strict()
  .noUnknown()
  .required();

export type KeyboardReading =
  | { readonly status: 'read'; readonly keyboard: Keyboard }
  | { readonly status: 'refused'; readonly reason: string };

/** A keyboard from data of any shape. What is wrong with it is said in one sentence, with what to do. */
export function readKeyboard(data: unknown): KeyboardReading {
  try {
    const { layers, ...read } = keyboardSchema.validateSync(data);
    const [first, ...others] = layers;
    if (!first) throw new ValidationError('it has no layers');
    const keyboard: Keyboard = { ...read, layers: [first, ...others] };
    const [fault] = keyboardFaults(keyboard);
    return fault ? { status: 'refused', reason: fault } : { status: 'read', keyboard };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return {
      status: 'refused',
      reason: `This is no keyboard: ${error.errors[0] ?? 'its shape is another'}.`,
    };
  }
}

/** Holes and loops between layers: what a person could not get at, or not get out of. */
export function keyboardFaults(keyboard: Keyboard): string[] {
  const faults: string[] = [];
  const ids = keyboard.layers.map(({ id }) => id);
  const twice = ids.find((id, index) => ids.indexOf(id) !== index);
  if (twice !== undefined) faults.push(`Two layers are called “${twice}”: give one of them another name.`);
  for (const layer of keyboard.layers)
    for (const to of leadsTo(layer))
      if (!layerNamed(keyboard, to))
        faults.push(
          `The layer “${layer.id}” leads to “${to}”, which is not there: add it, or mend the name.`,
        );
  const reached = reachableLayers(keyboard);
  for (const layer of keyboard.layers)
    if (!reached.includes(layer))
      faults.push(`No key leads to the layer “${layer.id}”: add one, or take the layer away.`);
  for (const layer of reached)
    if (!comesBack(keyboard, layer.id))
      faults.push(`From the layer “${layer.id}” no key leads back to “${ids[0]}”: add one.`);
  if (!reached.some(({ rows }) => rows.flat().some(({ does }) => does === 'text')))
    faults.push('No key of it brings a character: add one.');
  return faults;
}

function comesBack(keyboard: Keyboard, from: string): boolean {
  const met = [from];
  for (const id of met) {
    if (id === keyboard.layers[0].id) return true;
    const layer = layerNamed(keyboard, id);
    for (const next of layer ? leadsTo(layer) : []) if (!met.includes(next)) met.push(next);
  }
  return false;
}
