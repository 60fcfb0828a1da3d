import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** 80 bits of the SHA-256 of a text, in hexadecimal: equal texts have equal digests, and others never do in practice. */
export function digestOf(text: string): string {
  return bytesToHex(sha256(utf8ToBytes(text))).slice(0, 20);
}
