import { parseNumber } from './number';

/** Measures as people type them, read into the unit that a field keeps: `36 ft 5 in`, `24"`, `9,1 m`, `15 psi`, `68 F`. */

interface Unit {
  kind: 'length' | 'pressure' | 'temperature' | 'volume';
  /** What one of it is in the first of its kind, and where its zero lies there. Exact by definition but for psi. */
  is: number;
  zero?: number;
  /** The ways in which it is written. */
  written: string[];
}

const UNITS: readonly Unit[] = [
  { kind: 'length', is: 1, written: ['mm', 'millimetre', 'millimeter'] },
  { kind: 'length', is: 0.001, written: ['µm', 'μm', 'um', 'micron'] },
  { kind: 'length', is: 10, written: ['cm', 'centimetre', 'centimeter'] },
  { kind: 'length', is: 1000, written: ['m', 'metre', 'meter'] },
  // The international inch of 1959.
  { kind: 'length', is: 25.4, written: ['in', 'inch', 'inches', '"', '″', '”', "''", '′′'] },
  { kind: 'length', is: 304.8, written: ['ft', 'foot', 'feet', "'", '′', '’'] },
  { kind: 'length', is: 914.4, written: ['yd', 'yard'] },
  { kind: 'pressure', is: 1, written: ['bar'] },
  { kind: 'pressure', is: 0.001, written: ['mbar', 'hpa'] },
  { kind: 'pressure', is: 0.01, written: ['kpa'] },
  // A pound of 0.45359237 kg under standard gravity, 9.80665 m/s², on a square inch.
  { kind: 'pressure', is: 0.0689475729, written: ['psi', 'lb/in²', 'lb/in2'] },
  { kind: 'temperature', is: 1, written: ['°c', 'c', 'celsius', 'degc'] },
  { kind: 'temperature', is: 5 / 9, zero: -160 / 9, written: ['°f', 'f', 'fahrenheit', 'degf'] },
  { kind: 'volume', is: 1, written: ['ml', 'millilitre', 'milliliter', 'cc', 'cm³'] },
  { kind: 'volume', is: 10, written: ['cl'] },
  { kind: 'volume', is: 1000, written: ['l', 'litre', 'liter'] },
  // Of the United States: a 128th of 231 cubic inches.
  { kind: 'volume', is: 29.5735295625, written: ['fl oz', 'floz', 'oz'] },
];
const FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const unitOf = (written: string) => {
  const plain = written.trim().toLowerCase();
  return UNITS.find((unit) => unit.written.includes(plain) || unit.written.includes(plain.replace(/s$/, '')));
};

/** "5", "5,5", "5 1/2", "1/2": a number as it stands before a unit; null for anything else. */
function amount(text: string): number | null {
  const parts = /^(?:([+-]?[^\s/]+)(?:\s+|$))?(?:(\d+)\s*\/\s*(\d+))?$/.exec(text.trim());
  if (!parts || (parts[1] === undefined && parts[2] === undefined)) return null;
  const whole = parts[1] === undefined ? 0 : parseNumber(parts[1]);
  if (whole === null || parts[3] === '0') return null;
  return whole + (parts[2] === undefined ? 0 : Number(parts[2]) / Number(parts[3])) * (whole < 0 ? -1 : 1);
}

/**
 * Reads what was typed into a field that keeps `unit` ("mm", "m", "bar", "°C", "mm real", ...; '' for a bare number). A bare number is in
 * that unit; one with a unit of its own is converted; feet may be followed by inches. Null for what is no such measure: a pressure where
 * a length is asked, two marks in a number, a unit that nobody knows.
 */
export function readMeasure(text: string, unit: string): number | null {
  const bare = parseNumber(text);
  if (bare !== null) return bare;
  const asked = unitOf(unit.split(' ')[0] ?? '');
  if (!asked) return null;
  const spread = text
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (sign) => ` ${FRACTIONS[sign]}`)
    .replace(/\u2212/g, '-')
    .trim();
  const terms = [...spread.matchAll(/([+-]?[\d.,][\d.,\s/]*)\s*([^\d.,\s/+-][^\d,+-]*)/g)];
  if (
    terms.length === 0 ||
    terms
      .map(([whole]) => whole)
      .join('')
      .replace(/\s/g, '') !== spread.replace(/\s/g, '')
  )
    return null;
  const read = terms.map(([, number, written]) => ({ value: amount(number!), in: unitOf(written!) }));
  if (read.some((term) => term.value === null || term.in?.kind !== asked.kind)) return null;
  // "5 ft 6 in": one after the other only from the larger to the smaller, and of lengths only.
  const falls = read.every((term, i) => i === 0 || (term.in!.is < read[i - 1]!.in!.is && term.value! >= 0));
  if (!falls || (read.length > 1 && asked.kind !== 'length')) return null;
  const [largest, ...rest] = read.map((term) => term.value! * term.in!.is);
  // "-5 ft 6 in" is less than -5 ft.
  const smaller = rest.reduce((sum, part) => sum + part, 0);
  const inFirst = largest! + (largest! < 0 ? -smaller : smaller) + (read[0]!.in!.zero ?? 0);
  return tidy((inFirst - (asked.zero ?? 0)) / asked.is);
}

/** What a conversion leaves beyond any measure is cut off. */
const tidy = (value: number) => Number(value.toPrecision(9));
