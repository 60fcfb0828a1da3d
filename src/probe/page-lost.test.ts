import { describe, expect, it, vi } from 'vitest';
import { EngineLost } from '@/engines/api/engine';
import { PageLost } from './page-lost';

describe('a page that is lost', () => {
  it('is known by whoever catches it, whichever copy of this module threw it', async () => {
    vi.resetModules();
    const other = {
      ...(await import('./page-lost')),
      ...(await import('@/engines/api/engine')),
    };
    expect(other.PageLost).not.toBe(PageLost);
    const [page, engine] = [
      new other.PageLost({ code: 'probe not loaded' }),
      new other.EngineLost({ code: 'kind withheld' }),
    ];
    expect([page, engine, new Error('lost')].map((one) => one instanceof PageLost)).toEqual([
      true,
      true,
      false,
    ]);
    expect([page, engine, new Error('lost')].map((one) => one instanceof EngineLost)).toEqual([
      false,
      true,
      false,
    ]);
    expect(
      [null, undefined, 'lost', { isPageLost: true }].map((one) => (one as unknown) instanceof PageLost),
    ).toEqual([false, false, false, false]);
  });
});
