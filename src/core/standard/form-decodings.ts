import type { Bytes } from './form-encodings';

/** An entry as a server reads it, beside the bytes that it came in. */
export interface ReceivedEntry {
  readonly name: string;
  readonly value: string;
  /** Of a part that is a file: its name. */
  readonly filename: string | null;
  /** One byte a character. */
  readonly encoded: Bytes;
}

/**
 * Takes apart what a form sent: the query of a URL, or a body by its content type (URL Standard,
 * "application/x-www-form-urlencoded parsing"; RFC 7578, "multipart/form-data"; HTML Standard, "Plain text form data").
 * Names and values that are not UTF-8 show replacement characters.
 */
export function receivedEntries(url: string, contentType: string | null, body: Bytes): ReceivedEntry[] {
  if (contentType === null) return fromUrlencoded(url.split('?').slice(1).join('?'));
  if (contentType.startsWith('multipart/form-data')) {
    const boundary = boundaryOf(contentType);
    return boundary === null ? [] : fromMultipart(body, boundary);
  }
  return contentType.startsWith('text/plain') ? fromPlain(body) : fromUrlencoded(body);
}

/** The boundary that a content type names; null when it names none. */
export function boundaryOf(contentType: string | null): string | null {
  return /boundary=("?)([^";]+)\1/.exec(contentType ?? '')?.[2] ?? null;
}

/** Bytes as UTF-8 text. */
export function utf8(bytes: Bytes): string {
  return new TextDecoder('utf-8', { ignoreBOM: true }).decode(
    Uint8Array.from(bytes, (byte) => byte.charCodeAt(0)),
  );
}

function fromUrlencoded(text: Bytes): ReceivedEntry[] {
  const decoded = (part: string) =>
    utf8(
      part
        .replaceAll('+', ' ')
        .replace(/%([0-9a-f]{2})/gi, (_, hex: string) => String.fromCharCode(Number.parseInt(hex, 16))),
    );
  return text
    .split('&')
    .filter((piece) => piece !== '')
    .map((encoded) => {
      const [name = '', ...value] = encoded.split('=');
      return { name: decoded(name), value: decoded(value.join('=')), filename: null, encoded };
    });
}

function fromMultipart(body: Bytes, boundary: string): ReceivedEntry[] {
  return body
    .split(`--${boundary}`)
    .slice(1, -1)
    .map((part) => {
      const end = part.indexOf('\r\n\r\n');
      const head = part.slice(0, end);
      const named = (name: string) => {
        const quoted = new RegExp(`[; ]${name}="([^"]*)"`).exec(head)?.[1];
        return quoted === undefined
          ? null
          : utf8(quoted.replace(/%0A/g, '\n').replace(/%0D/g, '\r').replace(/%22/g, '"'));
      };
      return {
        name: named('name') ?? '',
        value: utf8(part.slice(end + 4).replace(/\r\n$/, '')),
        filename: named('filename'),
        encoded: `--${boundary}${part}`,
      };
    });
}

function fromPlain(body: Bytes): ReceivedEntry[] {
  return body
    .split('\r\n')
    .slice(0, -1)
    .map((encoded) => {
      const [name = '', ...value] = encoded.split('=');
      return { name: utf8(name), value: utf8(value.join('=')), filename: null, encoded };
    });
}
