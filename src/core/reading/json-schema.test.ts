import Ajv from 'ajv/dist/2020';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { array, boolean, type ISchema, lazy, mixed, number, object, type Schema, string } from 'yup';
import { jsonSchemaOf } from './json-schema';
import { described, eitherOf, named, taggedUnion } from './schema-union';

const written = (schema: ISchema<unknown>) => {
  const { $schema: _, ...rest } = jsonSchemaOf(schema);
  return rest;
};

describe('a schema as JSON Schema', () => {
  it.each<[string, Schema, object]>([
    ['text', string().strict().min(1).max(9), { type: 'string', minLength: 1, maxLength: 9 }],
    ['text by a rule', string().matches(/^a+$/, { name: 'own' }), { type: 'string', pattern: '^a+$' }],
    ['text that is required', string().required(), { type: 'string', minLength: 1 }],
    ['text or null', string().nullable(), { type: ['string', 'null'] }],
    ['a whole number', number().integer().min(0).max(2), { type: 'integer', minimum: 0, maximum: 2 }],
    ['any number', number(), { type: 'number' }],
    ['a flag or null', boolean().nullable(), { type: ['boolean', 'null'] }],
    ['one name', mixed().oneOf(['a']), { const: 'a' }],
    ['one name or null', mixed().oneOf(['a']).nullable(), { enum: ['a', null] }],
    ['some names or null', mixed().oneOf(['a', 'b']).nullable(), { enum: ['a', 'b', null] }],
    ['a list', array(string()).max(3), { type: 'array', maxItems: 3, items: { type: 'string' } }],
    [
      'a record that holds what it need not',
      object({ a: string().defined(), b: string() }).noUnknown(),
      {
        type: 'object',
        required: ['a'],
        additionalProperties: false,
        properties: { a: { type: 'string' }, b: { type: 'string' } },
      },
    ],
    [
      'a record that may hold more, or null',
      object({}).nullable(),
      { anyOf: [{ type: 'null' }, { type: 'object', required: [], properties: {} }] },
    ],
    [
      'a map',
      mixed().meta({ entries: number() }),
      { type: 'object', additionalProperties: { type: 'number' } },
    ],
    ['what is said of it', described('px', number()), { type: 'number', description: 'px' }],
  ])('%s', (_, schema, expected) => {
    expect(written(schema)).toEqual(expected);
  });

  it('writes a shape that has a name once, and null where it may stand', () => {
    const id = named('id', described('An id.', string().defined()));
    expect(written(object({ a: id, b: id.nullable(), c: described('Of the last.', id) }))).toEqual({
      type: 'object',
      required: ['a', 'b', 'c'],
      properties: {
        a: { $ref: '#/$defs/id' },
        b: { anyOf: [{ type: 'null' }, { $ref: '#/$defs/id' }] },
        c: { $ref: '#/$defs/id', description: 'Of the last.' },
      },
      $defs: { id: { type: 'string', description: 'An id.' } },
    });
  });

  it('writes a shape that holds itself', () => {
    const tree: ISchema<unknown> = named(
      'tree',
      taggedUnion('kind', () => ({ leaf: {}, twig: { on: tree } })),
    );
    const node = (kind: string, more: object = {}) => ({
      type: 'object',
      required: ['kind', ...Object.keys(more)],
      additionalProperties: false,
      properties: { kind: { const: kind }, ...more },
    });
    expect(written(tree)).toEqual({
      $ref: '#/$defs/tree',
      $defs: { tree: { anyOf: [node('leaf'), node('twig', { on: { $ref: '#/$defs/tree' } })] } },
    });
  });

  it.each<[string, ISchema<unknown>]>([
    ['a choice of whatever', lazy(() => string())],
    ['whatever', mixed()],
    ['a list of whatever', array()],
  ])('refuses %s', (_, schema) => {
    expect(() => jsonSchemaOf(schema)).toThrow(/does not tell/);
  });

  it('accepts what the schema accepts, and nothing else', () => {
    const schema = object({
      size: object({ width: number().strict().min(0).required() })
        .strict()
        .noUnknown()
        .nullable()
        .defined(),
      how: taggedUnion('mark', () => ({
        seen: { by: string().strict().max(2).defined() },
        told: { times: number().strict().integer().required() },
      })),
      either: eitherOf(
        (value) => typeof value === 'string',
        string().strict().oneOf(['none']).required(),
        array(boolean().strict().required()).strict().max(2).required(),
      ),
    })
      .strict()
      .noUnknown();
    const isValid = new Ajv({ strict: false }).compile(jsonSchemaOf(schema));
    const part = fc.constantFrom<unknown>(
      ...[null, 0, -1, 1.5, 'none', 'xxx', [], [true], [true, false, true], ['x'], {}],
      ...[{ width: 1 }, { width: -1 }, { width: 1, height: 1 }, { mark: 'seen', by: 'ab' }],
      ...[
        { mark: 'seen', by: 'abc' },
        { mark: 'seen' },
        { mark: 'told', times: 2 },
        { mark: 'told', times: 2.5 },
      ],
      ...[{ mark: 'heard' }, { mark: 'told', times: 2, by: 'x' }],
    );
    const fitting = fc.record({
      size: fc.constantFrom<unknown>(null, { width: 3 }),
      how: fc.constantFrom<unknown>({ mark: 'seen', by: 'a' }, { mark: 'told', times: 2 }),
      either: fc.constantFrom<unknown>('none', [true]),
    });
    const spoiled = fc
      .tuple(fitting, fc.constantFrom('size', 'how', 'either', 'more'), part)
      .map(([value, member, other]) => ({ ...value, [member]: other }));
    const outcomes = new Set<boolean>();
    fc.assert(
      fc.property(fc.oneof(fitting, spoiled, part), (value) => {
        const isAccepted = schema.isValidSync(value, { strict: true });
        outcomes.add(isAccepted);
        expect(isValid(value)).toBe(isAccepted);
      }),
      { numRuns: 1000 },
    );
    expect(outcomes.size).toBe(2);
  });
});
