import { describe, expect, it } from 'vitest';
import { number, object } from 'yup';
import { questionFaultText } from '../words/request-fault-words';
import { readQuestion } from './read-question';

const schema = object({ count: number().strict().min(1).required() })
  .strict()
  .noUnknown()
  .required();

describe('a question to the server', () => {
  it('is read by its schema', () => {
    expect(readQuestion(schema, { count: 2 }, 'sending')).toEqual({ status: 'read', question: { count: 2 } });
  });
  it.each([{ count: 0 }, { count: '2' }, { count: 2, more: 1 }, null, undefined, [], 'x'])(
    'is refused with a sentence: %j',
    (data) => {
      const reading = readQuestion(schema, data, 'sending');
      expect(reading.status === 'fault' && questionFaultText(reading.fault)).toMatch(
        /^The form was not sent: .+\. Reload Ukko and try again\.$/s,
      );
    },
  );
  it('lets mistakes of its own through', () => {
    const broken = object({
      a: number().test(() => {
        throw new RangeError('broken');
      }),
    });
    expect(() => readQuestion(broken, { a: 1 }, 'sending')).toThrow('broken');
  });
});
