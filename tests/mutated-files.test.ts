import { describe, expect, it } from 'vitest';
import { mutationFaults } from './fixtures/mutations';

describe('form, run and workspace files', () => {
  it('that are spoiled anywhere are refused with a sentence or read, and nothing that was here is lost', async () => {
    const seed = Math.floor(Math.random() * 2 ** 31);
    expect({ seed, faults: await mutationFaults(500, seed) }).toEqual({ seed, faults: [] });
  });
});
