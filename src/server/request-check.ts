import type { Refusal } from '@/core/reading/refusal';

/** Names under which this server may be called; it listens on 127.0.0.1 only. */
const localNames = new Set(['127.0.0.1', 'localhost', '[::1]']);

export type RequestCheck =
  | { readonly allowed: true }
  | { readonly allowed: false; readonly refusal: Refusal };

/**
 * Refuses requests that another site or another name could have caused: the Host must be this machine's own, an Origin,
 * if there is one, must be the very same host, and nothing but a link that is followed may come from another site.
 */
export function checkRequest(headers: Headers, path: string): RequestCheck {
  const host = headers.get('host') ?? '';
  if (!localNames.has(host.replace(/:\d+$/, ''))) return refused({ code: 'other host' });
  const origin = headers.get('origin');
  if (origin !== null && origin !== `http://${host}`) return refused({ code: 'other site' });
  const site = headers.get('sec-fetch-site');
  const isFromElsewhere = site !== null && site !== 'same-origin' && site !== 'none';
  // A link that a person follows; anything else that another site asks for would tell it that Ukko runs here.
  const isVisit =
    headers.get('sec-fetch-mode') === 'navigate' && headers.get('sec-fetch-dest') === 'document';
  if (isFromElsewhere && (path.startsWith('/api/') || !isVisit)) return refused({ code: 'other site' });
  return { allowed: true };
}

function refused(refusal: Refusal): RequestCheck {
  return { allowed: false, refusal };
}
