import { readMeasure } from './measure';
import { parseNumber } from './number';

/** How measures are shown: in the units of the house. Kept, exchanged and reckoned they are in mm, bar and °C all the same. */

export const SHOWN_UNITS = ['metric', 'feet and inches'] as const;
export type ShownUnits = (typeof SHOWN_UNITS)[number];

/** Units that a measure is kept in and that are shown otherwise where feet and inches are chosen. */
export type KeptUnit = 'mm' | 'cm' | 'm' | 'bar' | '°C';
const KEPT: Readonly<Record<KeptUnit, { mm: number } | 'pressure' | 'temperature'>> = {
  mm: { mm: 1 },
  cm: { mm: 10 },
  m: { mm: 1000 },
  bar: 'pressure',
  '°C': 'temperature',
};
const isKeptUnit = (unit: string): unit is KeptUnit => Object.hasOwn(KEPT, unit);

export const MM_PER_INCH = 25.4;
const INCHES_PER_FOOT = 12;
/** Shorter lengths are said in inches alone. */
const LEAST_FEET_MM = MM_PER_INCH * INCHES_PER_FOOT;
const BAR_PER_PSI = 0.0689475729;

/** "36 ft 5 in", "0.62 in": a length with so many digits of the inch. */
function feetAndInches(mm: number, digits: number): string {
  const sign = mm < 0 ? '−' : '';
  const inches = Math.abs(mm) / MM_PER_INCH;
  if (Math.abs(mm) < LEAST_FEET_MM) return `${sign}${trimmed(inches, digits)} in`;
  // Rounded as a whole, so that no length is 5 ft 12 in.
  const whole = Math.round(inches * 10 ** digits) / 10 ** digits;
  const feet = Math.floor(whole / INCHES_PER_FOOT);
  const rest = trimmed(whole - feet * INCHES_PER_FOOT, digits);
  return `${sign}${feet} ft${Number(rest) === 0 ? '' : ` ${rest} in`}`;
}

const trimmed = (value: number, digits: number) => String(Number(value.toFixed(digits)));
const toF = (celsius: number) => (celsius * 9) / 5 + 32;

/** Digits of the inch that are no finer than a length that was said with so many digits of its own unit, and not much coarser. */
const inchDigits = (mmPerUnit: number, digits: number, mm: number) =>
  Math.min(mm >= LEAST_FEET_MM ? 1 : 3, Math.max(0, Math.ceil(Math.log10(MM_PER_INCH / mmPerUnit) + digits)));

/** A measure that is kept in `unit`, said with so many digits of it: "11.1 m" or "36 ft 5 in", "1.2 bar" or "17 psi", "21 °C" or "70 °F". */
export function measureInWords(value: number, unit: KeptUnit, digits: number, shown: ShownUnits): string {
  if (shown === 'metric') return `${value.toFixed(digits)} ${unit}`;
  const kept = KEPT[unit];
  if (kept === 'pressure') return `${(value / BAR_PER_PSI).toFixed(value < 1 ? 1 : 0)} psi`;
  if (kept === 'temperature') return `${Math.round(toF(value))} °F`;
  return feetAndInches(value * kept.mm, inchDigits(kept.mm, digits, Math.abs(value * kept.mm)));
}

/**
 * What stands in a field for a measure that is kept in `unit`: read back by `readMeasure` it is the same measure, to the thousandth of the unit
 * kept. In metric the number alone, since the field names its unit.
 */
export function measureAsTyped(value: number, unit: string, shown: ShownUnits): string {
  const first = unit.split(' ')[0] ?? '';
  if (shown === 'metric' || !isKeptUnit(first)) return String(value);
  const kept = KEPT[first];
  for (let digits = 0; digits <= MOST_DIGITS; digits += 1) {
    const text =
      kept === 'pressure'
        ? `${trimmed(value / BAR_PER_PSI, digits)} psi`
        : kept === 'temperature'
          ? `${trimmed(toF(value), digits)} °F`
          : feetAndInches(value * kept.mm, digits).replace('−', '-');
    const back = readMeasure(text, unit);
    if (back !== null && Math.abs(back - value) < 0.0005) return text;
  }
  return String(value);
}
const MOST_DIGITS = 6;

/** The unit that a bare number in a field is in, and that stands beside its label: of "mm real" the first word. */
const TYPED_IN: Readonly<Record<KeptUnit, string>> = { mm: 'in', cm: 'in', m: 'ft', bar: 'psi', '°C': '°F' };
export function unitShown(unit: string, shown: ShownUnits): string {
  const [first = '', ...more] = unit.split(' ');
  return shown === 'metric' || !isKeptUnit(first) ? unit : [TYPED_IN[first], ...more].join(' ');
}

/**
 * Reads what was typed into a field of the house that keeps `unit`: a bare number is in the unit that is shown, one with a unit in its own. What
 * a conversion leaves beyond the thousandth of the kept unit is cut off. Null for what is no such measure.
 */
export function readShown(text: string, unit: string, shown: ShownUnits): number | null {
  const kept = unit.split(' ')[0] ?? '';
  if (shown === 'metric' || !isKeptUnit(kept)) return readMeasure(text, unit);
  const read = readMeasure(parseNumber(text) === null ? text : `${text} ${TYPED_IN[kept]}`, unit);
  return read === null ? null : Math.round(read * 1000) / 1000;
}

/** A length or the like as text, with the shown unit after it where it names none: "17 ± 0.5" is "17 ± 0.5 in". */
export const withUnit = (text: string, unit: string, shown: ShownUnits): string =>
  unitShown(unit, shown) === unit || text.trim() === '' || /[^\d\s.,±+/−-]/.test(text)
    ? text
    : `${text.trim()} ${unitShown(unit.split(' ')[0]!, shown)}`;

const NUMBER = String.raw`[−-]?\d+(?:[.,]\d+)?`;
/** What stands between numbers that share the unit after the last of them. */
const BETWEEN = String.raw`\s*(?:–|-|to|and|or|×|x|→|±)\s*`;
const MEASURES = new RegExp(
  String.raw`(?<![\p{L}\d./:])(${NUMBER}(?:${BETWEEN}${NUMBER})*)(\s?)(mm|cm|m|bar|°C)(?![\p{L}\d²³/°])`,
  'gu',
);
const EACH = new RegExp(NUMBER, 'gu');

/**
 * A sentence of the house with its measures in the units that are shown: every number of a range, a size or a tolerance that stands before
 * its unit. Areas, volumes and films stay as they are. What a person typed is not to be given to it.
 */
export function inShownUnits(sentence: string, shown: ShownUnits): string {
  if (shown === 'metric') return sentence;
  return sentence.replace(MEASURES, (_, numbers: string, __, unit: KeptUnit) => {
    const said = [...numbers.matchAll(EACH)].map(([text]) => {
      const plain = text.replace('−', '-').replace(',', '.');
      const words = measureInWords(Number(plain), unit, plain.split('.')[1]?.length ?? 0, shown);
      return { words, unit: words.replace(/^\S+ /, '') };
    });
    // "0.45 × 0.56 in": one unit for all of them where they have the same.
    const isShared = said.every((one) => one.unit === said[0]!.unit && !one.unit.includes(' '));
    let next = 0;
    return numbers.replace(EACH, () => {
      const one = said[next]!;
      next += 1;
      return isShared && next < said.length ? one.words.slice(0, -one.unit.length - 1) : one.words;
    });
  });
}
