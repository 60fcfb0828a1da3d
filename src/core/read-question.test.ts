import { describe, expect, it } from 'vitest';
import { number, object } from 'yup';
import { readQuestion } from './read-question';

const schema = object({ count: number().strict().min(1).required() })
  .strict()
  .noUnknown()
  .required();

describe('a question to the server', () => {
  it('is read by its schema', () => {
    expect(readQuestion(schema, { count: 2 }, 'No')).toEqual({ status: 'read', question: { count: 2 } });
  });
  it.each([{ count: 0 }, { count: '2' }, { count: 2, more: 1 }, null, undefined, [], 'x'])(
    'is refused with a sentence: %j',
    (data) => {
      const reading = readQuestion(schema, data, 'It cannot be read');
      expect(reading).toMatchObject({
        status: 'fault',
        text: expect.stringMatching(/^It cannot be read: .+\.$/s),
      });
    },
  );
  it('lets mistakes of its own through', () => {
    const broken = object({
      a: number().test(() => {
        throw new RangeError('broken');
      }),
    });
    expect(() => readQuestion(broken, { a: 1 }, 'No')).toThrow('broken');
  });
});
