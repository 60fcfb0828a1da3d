import { describe, expect, it } from 'vitest';
import { startPageServer } from './page-server';

describe('the page server', () => {
  it('gives a page at its own address only, under a policy that lets nothing load or leave', async () => {
    const server = await startPageServer();
    try {
      const address = server.add('<input>');
      const page = await fetch(address);
      expect([page.status, await page.text()]).toEqual([200, '<input>']);
      expect(page.headers.get('content-security-policy')).toMatch(/^default-src 'none'.*form-action 'self'/);
      expect((await fetch(new URL('/', address))).status).toBe(404);
      const { address: place, take } = server.receiver();
      const sent = await fetch(`${place}/log?a=1`, {
        method: 'POST',
        body: 'b=\u00e9',
        headers: { 'content-type': 'text/plain' },
      });
      expect(sent.status).toBe(204);
      expect(take()).toEqual([
        { method: 'POST', url: '/log?a=1', contentType: 'text/plain', body: 'b=\u00c3\u00a9' },
      ]);
      expect(take()).toEqual([]);
      expect(new URL(address).hostname).toBe('127.0.0.1');
    } finally {
      await server.close();
    }
  });
});
