import type { Entry } from './entry-list';
import { encodeText } from './text-encodings';

/** HTML Standard, "Form submission", the three `enctype` values. */
export const enctypes = ['application/x-www-form-urlencoded', 'multipart/form-data', 'text/plain'] as const;
export type Enctype = (typeof enctypes)[number];

/** Bytes, one a character. */
export type Bytes = string;

export interface EncodedEntries {
  readonly contentType: string;
  readonly body: Bytes;
}

/** HTML Standard, "Form submission", the encoding algorithm of an `enctype`. @param boundary between the parts of multipart/form-data */
export function encodeEntries(
  entries: readonly Entry[],
  enctype: Enctype,
  encoding: string,
  boundary: string,
): EncodedEntries {
  switch (enctype) {
    case 'application/x-www-form-urlencoded':
      return { contentType: enctype, body: urlencoded(entries, encoding) };
    case 'multipart/form-data':
      return {
        contentType: `${enctype}; boundary=${boundary}`,
        body: multipart(entries, encoding, boundary),
      };
    case 'text/plain':
      return { contentType: enctype, body: plain(entries, encoding) };
  }
}

/** HTML Standard, "Converting an entry list to a list of name-value pairs": line breaks are CR LF; a file is its name. */
function pairsOf(entries: readonly Entry[]): [string, string][] {
  return entries.map(({ name, value }) => [crlf(name), typeof value === 'string' ? crlf(value) : value.name]);
}

function crlf(text: string): string {
  return text.replace(/\r\n|\r|\n/g, '\r\n');
}

/** URL Standard, "application/x-www-form-urlencoded serializing". */
export function urlencoded(entries: readonly Entry[], encoding: string): Bytes {
  const encoded = (text: string) =>
    [...encodeText(text, encoding)]
      .map((byte) => (/[A-Za-z0-9*._-]/.test(byte) ? byte : byte === ' ' ? '+' : percent(byte)))
      .join('');
  return pairsOf(entries)
    .map(([name, value]) => `${encoded(name)}=${encoded(value)}`)
    .join('&');
}

function percent(byte: string): string {
  return `%${byte.charCodeAt(0).toString(16).toUpperCase().padStart(2, '0')}`;
}

/** HTML Standard, "Multipart form data". */
function multipart(entries: readonly Entry[], encoding: string, boundary: string): Bytes {
  const quoted = (text: string) =>
    encodeText(text, encoding).replace(/\n/g, '%0A').replace(/\r/g, '%0D').replace(/"/g, '%22');
  const parts = entries.map(({ name, value }) => {
    const disposition = `Content-Disposition: form-data; name="${quoted(crlf(name))}"`;
    const head =
      typeof value === 'string'
        ? disposition
        : `${disposition}; filename="${quoted(value.name)}"\r\nContent-Type: ${value.type || 'application/octet-stream'}`;
    const content = typeof value === 'string' ? encodeText(crlf(value), encoding) : value.content;
    return `--${boundary}\r\n${head}\r\n\r\n${content}\r\n`;
  });
  return `${parts.join('')}--${boundary}--\r\n`;
}

/** HTML Standard, "Plain text form data". */
export function plain(entries: readonly Entry[], encoding: string): Bytes {
  return encodeText(
    pairsOf(entries)
      .map(([name, value]) => `${name}=${value}\r\n`)
      .join(''),
    encoding,
  );
}
