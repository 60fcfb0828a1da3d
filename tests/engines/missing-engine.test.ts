import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it, vi } from 'vitest';
import { askingOf } from '@/core/questions/asking';
import { plainVariant } from '@/core/target/variant';
import { EngineLost } from '@/engines/api/engine';
import { engines } from '@/engines/engines';
import { ask, browsers, ownTarget } from './asking-engines';

describe('engines that are not here', () => {
  it('say how to get them, and what was asked of them is marked failed', async () => {
    const before = process.env.UKKO_CHROMIUM;
    process.env.UKKO_CHROMIUM = '/nowhere/chromium';
    try {
      expect(await engines.chromium.find()).toMatchObject({
        status: 'missing',
        failure: {
          code: 'engine missing',
          engine: 'Chromium',
          packages: ['chromium', 'chromium-l10n'],
          variable: 'UKKO_CHROMIUM',
        },
      });
      const { observations, messages } = await ask(
        ownTarget('chromium'),
        askingOf('<input name=a>', ['message']),
      );
      expect(observations.map((o) => o.outcome.status)).toEqual(['failed']);
      expect(messages.at(-1)).toMatchObject({
        type: 'failed',
        failure: { code: 'engine missing' },
      });
    } finally {
      if (before === undefined) delete process.env.UKKO_CHROMIUM;
      else process.env.UKKO_CHROMIUM = before;
    }
  });

  it.each(['exit 3', 'sleep 1; exit 3'])(
    'that die at their start are told at once, and not after the minute that their driver waits: %s',
    async (script) => {
      const folder = mkdtempSync(join(tmpdir(), 'ukko-dying-'));
      const dying = join(folder, 'MiniBrowser');
      writeFileSync(dying, `#!/bin/sh\n${script}\n`, { mode: 0o755 });
      vi.stubEnv('UKKO_MINIBROWSER', dying);
      const begin = Date.now();
      const { messages } = await ask(ownTarget('webkit'), askingOf('<input name=a>', ['message']));
      vi.unstubAllEnvs();
      rmSync(folder, { recursive: true });
      expect(messages.at(-1)).toMatchObject({
        type: 'failed',
        failure: {
          code: 'asked twice',
          because: { code: 'no start', engine: 'WebKit', said: 'its browser ended at its start' },
        },
      });
      // The driver's own minute, not a measure of speed.
      expect(Date.now() - begin).toBeLessThan(50_000);
      expect(browsers()).toEqual([]);
    },
  );

  it('are told from mistakes of Ukko', async () => {
    await expect(engines.chromium.launch('/bin/false', plainVariant)).rejects.toBeInstanceOf(EngineLost);
  });
});
