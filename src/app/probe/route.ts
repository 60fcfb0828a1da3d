import { probeBundle } from '@/probe/bundle';

export const dynamic = 'force-dynamic';

/**
 * The page in which this browser is asked. Its policy is its own and strict: one script, by nonce; nothing loads,
 * nothing leaves, and it has an origin of its own however it is opened.
 */
export async function GET(): Promise<Response> {
  const nonce = btoa(crypto.randomUUID());
  const { code } = await probeBundle('probe-frame');
  const policy = [
    'sandbox allow-scripts allow-forms',
    "default-src 'none'",
    `script-src 'nonce-${nonce}'`,
    "style-src 'unsafe-inline'",
    'img-src data:',
    'font-src data:',
    "form-action 'none'",
    "base-uri 'none'",
    "frame-ancestors 'self'",
  ].join('; ');
  const html = `<!doctype html><html><head><meta charset="utf-8"><title>Probe</title></head><body><script nonce="${nonce}">${code}</script></body></html>`;
  return new Response(html, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': policy,
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
    },
  });
}
