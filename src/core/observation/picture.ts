import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

export type PictureId = string & { readonly brand: 'PictureId' };

/** A PNG at one device pixel per CSS px. The id is the SHA-256 of its bytes in hexadecimal: equal pictures have equal ids. */
export interface Picture {
  readonly id: PictureId;
  /** CSS px. */
  readonly width: number;
  readonly height: number;
  /** Base64 of the PNG file. */
  readonly data: string;
}

/** The PNG file that a picture holds as base64. */
export function pictureBytes({ data }: Pick<Picture, 'data'>): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(atob(data), (character) => character.charCodeAt(0));
}

/** The PNG file as base64, as a picture holds it. */
export function pictureData(png: Uint8Array): string {
  let binary = '';
  for (const byte of png) binary += String.fromCharCode(byte);
  return btoa(binary);
}

/** Not by the Web Cryptography API: a page that is open on a device over a local network has none. */
export function pictureId(png: Uint8Array): PictureId {
  return bytesToHex(sha256(png)) as PictureId;
}
