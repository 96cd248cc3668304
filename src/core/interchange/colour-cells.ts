import { ORIGIN_SD, type ChipOrigin } from '@/core/colour/chips';
import { munsellToLab } from '@/core/colour/munsell';
import { MunsellFault, parseMunsell } from '@/core/colour/munsell-notation';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import { hexToLab, labFromWhite, xyzToLab } from '@/core/colour/spaces';
import type { Lab, White } from '@/core/colour/types';
import type { RowReader } from './table';

export interface ColourCell {
  lab: Lab;
  /** What it is by its form, unless the table says. */
  origin: ChipOrigin;
  sd: number;
  /** How it was understood: "Lab", "hex", "Munsell", "reflectance". */
  form: string;
  reflectance: number[] | null;
}

const WHITES: readonly string[] = ['D65', 'D50', 'C', 'A'];

/** The colour of a row in whichever form it is given (reflectance, Lab with its white, Munsell, hex: the best of them); null without any. */
export function colourOfRow(row: RowReader): ColourCell | null {
  const reflectance = row.curve('reflectance');
  const white = row.text('white', 'D65').toUpperCase();
  if (!WHITES.includes(white)) row.fault('white', `"${white}": the white is one of ${WHITES.join(', ')}`);
  const found = (lab: Lab, form: string, origin: ChipOrigin, curve: number[] | null = null): ColourCell => ({
    lab,
    form,
    origin,
    sd: ORIGIN_SD[origin].sd,
    reflectance: curve,
  });
  if (reflectance) return found(xyzToLab(reflectanceToXyz(reflectance)), 'reflectance', 'measured', reflectance);
  if (row.has('l') || row.has('a') || row.has('b')) {
    const before = row.faults.length;
    const [L, a, b] = [row.number('l'), row.number('a'), row.number('b')];
    if (L === null || a === null || b === null) {
      if (row.faults.length === before) row.fault('L', 'L, a and b are needed together');
      return null;
    }
    if (L < 0 || L > 100) row.fault('L', `L* ${L} is impossible: it runs from 0 to 100`);
    else if (Math.abs(a) > 128 || Math.abs(b) > 128)
      row.fault('a', `a* ${a}, b* ${b} is no colour of a surface: both run from -128 to 128`);
    else return found(labFromWhite([L, a, b], WHITES.includes(white) ? (white as White) : 'D65'), 'Lab', 'published');
    return null;
  }
  try {
    if (row.has('munsell'))
      return found(
        munsellToLab(parseMunsell(row.text('munsell').replace(/(\d),(\d)/g, '$1.$2'))),
        'Munsell',
        'converted',
      );
    if (row.has('hex')) return found(hexToLab(row.text('hex')), 'hex', 'eyeballed');
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    row.fault(error instanceof MunsellFault ? 'munsell' : 'hex', error.message);
  }
  return null;
}
