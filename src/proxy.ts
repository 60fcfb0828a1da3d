import { type NextRequest, NextResponse } from 'next/server';
import { refusalText } from './core/words/refusal-words';
import { checkRequest } from './server/request-check';

/** Every request passes here: who may ask at all, and, for pages, what their scripts may do. */
export function proxy(request: NextRequest): NextResponse {
  const path = request.nextUrl.pathname;
  const check = checkRequest(request.headers, path);
  if (!check.allowed) return NextResponse.json({ error: refusalText(check.refusal) }, { status: 403 });
  // The probe page and the API set their own policy.
  if (path === '/probe' || path.startsWith('/api/')) return NextResponse.next();
  const nonce = btoa(crypto.randomUUID());
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy(nonce));
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy(nonce));
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'no-referrer');
  return response;
}

function policy(nonce: string): string {
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "frame-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
}
