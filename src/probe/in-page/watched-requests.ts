import { longestAnswer, type MadeRequest } from '@/core/page/real-sending';
import { domMembers } from './dom-members';
import { isHarmless, openedRequests } from './page-requests';

type Noted = { -readonly [Key in keyof MadeRequest]: MadeRequest[Key] };

let made: Noted[] = [];

/** From now on what the page's own scripts ask of a server by another method than GET is noted; it is sent all the same. */
export function watchRequests(): void {
  made = [];
  watchFetch();
  watchXhr();
  const beacon = navigator.sendBeacon.bind(navigator);
  navigator.sendBeacon = (address, data) => {
    note('POST', String(address));
    return beacon(address, data);
  };
}

export function requestsMade(): readonly MadeRequest[] {
  return made;
}

function note(method: string, address: string): Noted {
  const { href } = new URL(address, domMembers(document).baseURI);
  const noted: Noted = { method: method.toUpperCase(), url: href, status: null, answer: '' };
  made.push(noted);
  return noted;
}

function watchFetch(): void {
  const own = window.fetch.bind(window);
  window.fetch = async (input, init) => {
    const { method, url } = new Request(input, init);
    const answering = own(input, init);
    if (isHarmless(method)) return answering;
    const noted = note(method, url);
    const response = await answering;
    noted.status = response.status;
    void response
      .clone()
      .text()
      .then((text) => {
        noted.answer = text.slice(0, longestAnswer);
      });
    return response;
  };
}

function watchXhr(): void {
  const asked = openedRequests();
  const { send } = XMLHttpRequest.prototype;
  XMLHttpRequest.prototype.send = function (body) {
    const one = asked(this);
    if (one && !isHarmless(one.method)) {
      const noted = note(one.method, one.address);
      this.addEventListener('loadend', () => {
        noted.status = this.status || null;
        noted.answer = this.responseType === '' ? this.responseText.slice(0, longestAnswer) : '';
      });
    }
    return send.call(this, body);
  };
}
