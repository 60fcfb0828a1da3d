import { describe, expect, it } from 'vitest';
import { askingOf } from '@/core/observation/asking';
import { plainVariant } from '@/core/target/variant';
import { EngineLost } from '@/engines/engine';
import { engines } from '@/engines/engines';
import { ask, ownTarget } from './asking-engines';

describe('engines that are not here', () => {
  it('say how to get them, and what was asked of them is marked failed', async () => {
    const before = process.env.UKKO_CHROMIUM;
    process.env.UKKO_CHROMIUM = '/nowhere/chromium';
    try {
      expect(await engines.chromium.find()).toMatchObject({
        status: 'missing',
        remedy: expect.stringContaining('apt-get install chromium'),
      });
      const { observations, messages } = await ask(
        ownTarget('chromium'),
        askingOf('<input name=a>', ['message']),
      );
      expect(observations.map((o) => o.outcome.status)).toEqual(['failed']);
      expect(messages.at(-1)).toMatchObject({
        type: 'failed',
        reason: expect.stringContaining('not on this machine'),
      });
    } finally {
      if (before === undefined) delete process.env.UKKO_CHROMIUM;
      else process.env.UKKO_CHROMIUM = before;
    }
  });

  it('are told from mistakes of Ukko', async () => {
    await expect(engines.chromium.launch('/bin/false', plainVariant)).rejects.toBeInstanceOf(EngineLost);
  });
});
