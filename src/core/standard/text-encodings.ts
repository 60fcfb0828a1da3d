/**
 * Encoding Standard: text into the bytes of an encoding. The tables are those that every JavaScript engine decodes with,
 * read the other way round.
 */

/** The name of an encoding for one of its labels, as forms are sent in it; null for what is no label. */
export function outputEncoding(label: string): string | null {
  try {
    const { encoding } = new TextDecoder(label.trim());
    // Encoding Standard, "get an output encoding".
    return encoding.startsWith('utf-16') || encoding === 'replacement' ? 'UTF-8' : canonicalName(encoding);
  } catch {
    return null;
  }
}

/** TextDecoder names encodings in lower case, the standard partly in capitals. */
function canonicalName(encoding: string): string {
  const capitals: Readonly<Record<string, string>> = {
    'utf-8': 'UTF-8',
    gbk: 'GBK',
    big5: 'Big5',
    shift_jis: 'Shift_JIS',
  };
  if (/^(iso|euc|koi|ibm)/.test(encoding)) return encoding.toUpperCase();
  return capitals[encoding] ?? encoding;
}

/** @returns bytes, one a character. What the encoding lacks is a decimal character reference (Encoding Standard, error mode "html"). */
export function encodeText(text: string, encoding: string): string {
  // Lone surrogates cannot be sent (Web IDL, USVString).
  const whole = text.replace(
    /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g,
    '\ufffd',
  );
  if (encoding === 'UTF-8') return bytesOf(new TextEncoder().encode(whole));
  const table = tableOf(encoding);
  return [...whole]
    .map((letter) =>
      (letter.codePointAt(0) ?? 0) < 0x80 ? letter : (table.get(letter) ?? `&#${letter.codePointAt(0)};`),
    )
    .join('');
}

function bytesOf(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return text;
}

/** Encoding Standard, index windows-1252, from 0x80 on. Node decodes these bytes as ISO 8859-1. */
const from0x80 = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8dŽ\x8f\x90‘’“”•–—˜™š›œ\x9džŸ';

/** Bytes read as windows-1252, as some addresses are. */
export function windows1252(bytes: string): string {
  const letters = [...from0x80];
  return bytes.replace(/[\x80-\x9f]/g, (byte) => letters[byte.charCodeAt(0) - 0x80] ?? byte);
}

function learnWindows1252(table: Map<string, string>): void {
  for (const [index, letter] of [...from0x80].entries()) {
    table.delete(String.fromCharCode(0x80 + index));
    table.set(letter, String.fromCharCode(0x80 + index));
  }
}

const tables = new Map<string, Map<string, string>>();

/** Bytes by letter, for all letters of one or two bytes. */
function tableOf(encoding: string): Map<string, string> {
  const known = tables.get(encoding);
  if (known) return known;
  const decoder = new TextDecoder(encoding, { fatal: true });
  const table = new Map<string, string>();
  const learn = (...bytes: number[]) => {
    const letters = decoded(decoder, bytes);
    if (letters !== null && [...letters].length === 1 && !table.has(letters))
      table.set(letters, String.fromCharCode(...bytes));
  };
  for (let first = 0x80; first <= 0xff; first++) learn(first);
  if (encoding === 'windows-1252') learnWindows1252(table);
  for (let first = 0x81; first <= 0xfe; first++)
    for (let second = 0x40; second <= 0xfe; second++) learn(first, second);
  tables.set(encoding, table);
  return table;
}

function decoded(decoder: TextDecoder, bytes: readonly number[]): string | null {
  try {
    return decoder.decode(new Uint8Array(bytes));
  } catch {
    return null;
  }
}
