import type { Table } from './table';

/** CGATS.17 text: measured colours as they come out of instruments. */

// Names that programs use for the same column.
const HEADS: Record<string, string> = {
  sample_name: 'code',
  sample_id: 'id',
  lab_l: 'l',
  lab_a: 'a',
  lab_b: 'b',
  stdev_de: 'sd',
};
const nmOf = (head: string) => /^(?:spectral_?)?(?:nm_?)?(\d{3})(?:nm)?$/.exec(head)?.[1];

/** Reads the data of a CGATS file as a table; the white of its illuminant stands in a column of its own. */
export function readCgats(text: string): Table {
  const lines = text.replace(/^\uFEFF/, '').split(/\r?\n/);
  const faults: Table['faults'] = [];
  let heads: string[] = [];
  const rows: Table['rows'] = [];
  let inside: 'format' | 'data' | null = null;
  const fixed: Record<string, string> = {};
  lines.forEach((line, i) => {
    const plain = line.trim();
    if (plain === '' || plain.startsWith('#')) return;
    if (plain === 'BEGIN_DATA_FORMAT') inside = 'format';
    else if (plain === 'BEGIN_DATA') inside = 'data';
    else if (/^END_DATA/.test(plain)) inside = null;
    else if (inside === 'format') {
      heads = [
        ...heads,
        ...wordsOf(plain).map((word) => {
          const head = word.toLowerCase();
          const nm = nmOf(head);
          return nm ? `nm${nm}` : (HEADS[head] ?? head);
        }),
      ];
    } else if (inside === 'data') {
      const words = wordsOf(plain);
      if (words.length !== heads.length) {
        faults.push({ row: i + 1, field: '', says: `${words.length} values for ${heads.length} columns` });
        return;
      }
      const cells = Object.fromEntries(heads.map((head, at) => [head, words[at]!]));
      if (!cells.code && cells.id) cells.code = cells.id;
      rows.push({ row: i + 1, cells: { ...fixed, ...cells } });
    } else {
      const said = /^"?(INSTRUMENTATION|ILLUMINANT|MEASUREMENT_SOURCE|WEIGHTING_FUNCTION)"?\s+(.*)$/.exec(plain);
      const value = said?.[2]?.replaceAll('"', '').trim() ?? '';
      if (said?.[1] === 'INSTRUMENTATION') fixed.instrument = value;
      else if (said) fixed.white = /D65|D50|\bC\b|\bA\b/.exec(value)?.[0] ?? fixed.white ?? 'D50';
    }
  });
  if (heads.length === 0) faults.push({ row: 1, field: '', says: 'the file has no BEGIN_DATA_FORMAT' });
  // Measurement files that do not name their white mean D50 (graphic arts).
  const whole = rows.map(({ row, cells }) => ({
    row,
    cells: { white: 'D50', origin: 'measured', ...cells } as Record<string, string>,
  }));
  return { heads: heads.includes('code') || !heads.includes('id') ? heads : [...heads, 'code'], rows: whole, faults };
}

const wordsOf = (line: string): string[] =>
  [...line.matchAll(/"([^"]*)"|(\S+)/g)].map((match) => match[1] ?? match[2]!);

/** Writes colours as CGATS text, Lab for D65. */
export function writeCgats(
  colours: readonly { name: string; lab: readonly [number, number, number]; sd: number }[],
  on: string,
): string {
  const quoted = (text: string) => `"${text.replaceAll('"', "'")}"`;
  return [
    'CGATS.17',
    'ORIGINATOR "Build Brief"',
    `CREATED "${on}"`,
    'ILLUMINANT "D65"',
    'OBSERVER "2"',
    'NUMBER_OF_FIELDS 6',
    'BEGIN_DATA_FORMAT',
    'SAMPLE_ID SAMPLE_NAME LAB_L LAB_A LAB_B STDEV_DE',
    'END_DATA_FORMAT',
    `NUMBER_OF_SETS ${colours.length}`,
    'BEGIN_DATA',
    ...colours.map(
      ({ name, lab, sd }, i) =>
        `${i + 1} ${quoted(name)} ${lab.map((value) => value.toFixed(4)).join(' ')} ${sd.toFixed(2)}`,
    ),
    'END_DATA',
    '',
  ].join('\n');
}
