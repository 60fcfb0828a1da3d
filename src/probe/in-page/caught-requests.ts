import type { Received } from '../api/askable-page';
import { domMembers } from './dom-members';
import { isHarmless, openedRequests } from './page-requests';

let caught: Received[] = [];

/**
 * From now on the page's own scripts send nothing: what they ask of a server by another method than GET is kept here, and
 * answered as if there were nothing to say.
 */
export function catchRequests(): void {
  caught = [];
  catchFetch();
  catchXhr();
  navigator.sendBeacon = (address, data) => {
    void bodyText(data ?? null).then(([body, type]) => keep('POST', String(address), type, body));
    return true;
  };
}

export function takeCaught(): readonly Received[] {
  return caught.splice(0);
}

function keep(method: string, address: string, contentType: string | null, body: string): void {
  const url = new URL(address, domMembers(document).baseURI);
  caught.push({ method, url: url.pathname + url.search, contentType, body });
}

function catchFetch(): void {
  const own = window.fetch.bind(window);
  window.fetch = async (input, init) => {
    const request = new Request(input, init);
    if (isHarmless(request.method)) return own(input, init);
    const bytes = new Uint8Array(await request.arrayBuffer());
    keep(request.method, request.url, request.headers.get('content-type'), latin1(bytes));
    return new Response(null, { status: 204 });
  };
}

function catchXhr(): void {
  const asked = openedRequests();
  const types = new WeakMap<XMLHttpRequest, string>();
  const { send, setRequestHeader } = XMLHttpRequest.prototype;
  XMLHttpRequest.prototype.setRequestHeader = function (name, value) {
    if (name.toLowerCase() === 'content-type') types.set(this, value);
    return setRequestHeader.call(this, name, value);
  };
  XMLHttpRequest.prototype.send = function (body) {
    const one = asked(this);
    if (!one || isHarmless(one.method)) return send.call(this, body);
    void bodyText((body as BodyInit | null) ?? null).then(([text, type]) => {
      keep(one.method, one.address, types.get(this) ?? type, text);
      Object.defineProperties(this, { status: { value: 204 }, readyState: { value: 4 } });
      for (const name of ['readystatechange', 'load', 'loadend']) this.dispatchEvent(new Event(name));
    });
  };
}

/** A body as bytes, one a character, and the type that it brings along. */
async function bodyText(body: BodyInit | null): Promise<readonly [string, string | null]> {
  const response = new Response(body);
  const bytes = new Uint8Array(await response.arrayBuffer());
  return [latin1(bytes), response.headers.get('content-type')];
}

function latin1(bytes: Uint8Array): string {
  return Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');
}
