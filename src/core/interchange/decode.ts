/** Text that came as bytes: the one reader for every table, whatever program wrote it. */

export const ENCODINGS = ['utf-8', 'windows-1252', 'utf-16le', 'utf-16be'] as const;
export type Encoding = (typeof ENCODINGS)[number];
export const ENCODING_TITLES: Record<Encoding, string> = {
  'utf-8': 'UTF-8',
  'windows-1252': 'Windows-1252 (Western European)',
  'utf-16le': 'UTF-16, little-endian',
  'utf-16be': 'UTF-16, big-endian',
};

/** The text and how it was read; or what has to be asked, since several readings fit or none does. */
export type Decoded = { text: string; encoding: Encoding } | { asks: string };

const MARKS: readonly (readonly [encoding: Encoding, mark: readonly number[]])[] = [
  ['utf-8', [0xef, 0xbb, 0xbf]],
  ['utf-16le', [0xff, 0xfe]],
  ['utf-16be', [0xfe, 0xff]],
];
/** So much of a file tells what it is. */
const LOOKED_AT = 8192;

/**
 * Reads bytes as text: by `asked`, else by a byte-order mark, by the zero bytes of unmarked UTF-16, as UTF-8 where that fits without a fault,
 * as Windows-1252 where only signs occur that Western tables hold; else it asks.
 */
export function decodeText(bytes: Uint8Array, asked: Encoding | null = null): Decoded {
  const encoding = asked ?? markedAs(bytes) ?? unmarkedUtf16(bytes);
  if (encoding) {
    const text = decoded(bytes, encoding);
    return text === null
      ? { asks: `the file is not ${ENCODING_TITLES[encoding]}: which encoding is it?` }
      : { text, encoding };
  }
  const text = decoded(bytes, 'utf-8');
  if (text !== null) return { text, encoding: 'utf-8' };
  if (bytes.every(isWestern)) return { text: decoded(bytes, 'windows-1252')!, encoding: 'windows-1252' };
  return { asks: 'the file is neither UTF-8 nor plainly Windows-1252: which encoding is it?' };
}

/** Of Windows-1252, 0x80 to 0x9f: some runtimes read these bytes as the control characters of Latin-1. */
const HIGH_1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

function decoded(bytes: Uint8Array, encoding: Encoding): string | null {
  if (encoding.startsWith('utf-16') && bytes.length % 2 === 1) return null;
  try {
    const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
    return encoding === 'windows-1252'
      ? text.replace(/[\x80-\x9f]/g, (sign) => HIGH_1252[sign.charCodeAt(0) - 0x80]!)
      : text;
  } catch {
    return null;
  }
}

const markedAs = (bytes: Uint8Array): Encoding | null =>
  MARKS.find(([, mark]) => mark.every((byte, i) => bytes[i] === byte))?.[0] ?? null;

/** Western text in UTF-16 has a zero in every other byte. */
function unmarkedUtf16(bytes: Uint8Array): Encoding | null {
  const looked = bytes.subarray(0, LOOKED_AT);
  const zeros = [0, 0];
  looked.forEach((byte, i) => {
    if (byte === 0) zeros[i % 2]! += 1;
  });
  const [even, odd] = zeros as [number, number];
  const most = looked.length / 2;
  if (odd > 0.4 * most && even < 0.1 * most) return 'utf-16le';
  return even > 0.4 * most && odd < 0.1 * most ? 'utf-16be' : null;
}

/** Plain signs, accented Latin letters, and what typesetting puts in: euro, dashes, quotation marks, dots, degrees. */
function isWestern(byte: number): boolean {
  if (byte < 0x80) return byte !== 0;
  if (byte >= 0xa0) return true;
  return byte === 0x80 || byte === 0x85 || (byte >= 0x91 && byte <= 0x97);
}

/** What spreadsheets need to see accents in a table that is UTF-8. */
export const withMark = (table: string): string => `\uFEFF${table}`;
