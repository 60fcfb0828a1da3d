import { array, mixed, number, string } from 'yup';
import { described, type Fields, named, taggedUnion } from '../reading/schema-union';
import {
  editingCommands,
  focusWays,
  maxPause,
  maxStrokes,
  maxStrokeText,
  modifierKeys,
  type Stroke,
  textRoutes,
} from './stroke';

/** Shapes of strokes in a file or a request; `strict`: nothing is turned into something else. */
const text = (max: number) => string().strict().defined().max(max);
const one = <Value extends string>(values: readonly Value[]) => mixed<Value>().oneOf(values).required();
const whole = (max: number) => number().strict().integer().min(0).max(max).required();
const key = () => text(64).min(1);

const strokeShapes: Readonly<Record<Stroke['kind'], Fields>> = {
  key: { key: key(), modifiers: array(one(modifierKeys)).strict().max(modifierKeys.length) },
  held: { key: key(), repeats: whole(999) },
  down: { key: key() },
  up: { key: key() },
  selection: { start: whole(9_999_999), end: whole(9_999_999) },
  command: { command: one(editingCommands) },
  text: { route: one(textRoutes), text: text(maxStrokeText) },
  'dead key': { dead: text(64), key: text(64), text: text(64) },
  composition: { texts: array(text(maxStrokeText)).strict().min(1).max(200).defined() },
  focus: { by: one(focusWays) },
  leave: {},
  submit: {},
  pause: { ms: whole(maxPause) },
};

export const strokeSchema = named(
  'stroke',
  described(
    'One step of typed input; docs/script-text.md explains each.',
    taggedUnion('kind', () => strokeShapes),
  ),
);

export const scriptSchema = array(strokeSchema).strict().max(maxStrokes).defined();
