import { describe, expect, test } from '@jest/globals';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import { labForWhite, xyzToLab } from '@/core/colour/spaces';
import { paintOf } from '@tests/support/paints';
import { readCatalogue, writeCatalogue } from './catalogue-csv';
import { readCgats, writeCgats } from './cgats';
import { adobeSwatches, colourTable, gimpPalette } from './palettes';
import { guessShape, readStandard } from './standard-csv';

const OV = { name: 'OV', title: 'Overseas norm', prefix: 'OV' };
const says = (faults: { row: number; field: string; says: string }[]) =>
  faults.map(({ row, field, says: text }) => `${row} ${field}: ${text}`);

describe('a standard as a table', () => {
  test('Lab, hex, Munsell and reflectance all become Lab, each with its origin and uncertainty', () => {
    const flat = Array.from({ length: 31 }, () => 0.2).join(' ');
    const { rows, faults, understood } = readStandard(
      `code,name,L,a,b,hex,munsell,reflectance,sd\n1,One,50,1,2,,,,0.7\n2,Two,,,,#777777,,,\n3,Three,,,,,N 5/,,\n4,Four,,,,,,${flat},\n5,Five,,,,,,,\n`,
      OV,
    );
    expect(faults).toEqual([]);
    expect(rows.map(({ chip }) => chip?.origin ?? null)).toEqual([
      'published',
      'eyeballed',
      'converted',
      'measured',
      null,
    ]);
    expect(rows[0]!.chip).toMatchObject({ lab: [50, 1, 2], sd: 0.7 });
    expect(rows[1]!.chip!.sd).toBe(6);
    expect(rows[3]!.chip!.lab[0]).toBeCloseTo(xyzToLab(reflectanceToXyz(Array.from({ length: 31 }, () => 0.2)))[0], 9);
    expect(understood.join('; ')).toMatch(/5 codes of OV, written as OV 1/);
    expect(understood.join('; ')).toMatch(/1 by Munsell/);
    expect(understood.join('; ')).toMatch(/1 without a colour/);
  });

  test('Lab for another white is adapted', () => {
    const d50 = labForWhite([50, 10, 20], 'D50').map((value) => value.toFixed(6));
    const { rows } = readStandard(`code,L,a,b,white\n1,${d50.join(',')},D50\n`, OV);
    rows[0]!.chip!.lab.forEach((value, i) => expect(value).toBeCloseTo([50, 10, 20][i]!, 4));
  });

  test.each([
    ['code,L,a,b\n1,150,0,0\n', '2 L: L* 150 is impossible: it runs from 0 to 100'],
    ['code,L,a,b\n1,50,200,0\n', '2 a: a* 200, b* 0 is no colour of a surface: both run from -128 to 128'],
    ['code,L,a,b\n1,50,,0\n', '2 L: L, a and b are needed together'],
    ['code,L,a,b\n1,"1.234,5",0,0\n', '2 l: "1.234,5" has a point and a comma: which is the decimal mark?'],
    ['code,reflectance\n1,0.1 0.2 0.3\n', '2 reflectance: 3 values: a reflectance has 31, 400 to 700 nm by 10'],
    [
      `code,reflectance\n1,${'0.5 '.repeat(30)}-0.2\n`,
      '2 reflectance: -0.2 at 700 nm: reflectance runs from 0 to 1 (or 0 to 100 %)',
    ],
    ['code,munsell\n1,12R 5/4\n', '2 munsell: the hue number is 12; it runs from 0 to 10'],
    ['code,hex\n1,grey\n', '2 hex: a screen colour is # and six hexadecimal digits'],
    ['code,L,a,b\nfoo,50,0,0\n', '2 code: "foo" is no code of OV (digits)'],
    ['name,L,a,b\nx,50,0,0\n', '1 code: which column is the code? There are name, L, a, b'],
    [
      'code,L,a,b,origin\n1,50,0,0,guessed\n',
      '2 origin: "guessed": the origin is one of measured, published, converted, sampled, eyeballed',
    ],
  ])('%j is refused in words, row by row', (csv, fault) => {
    expect(says(readStandard(csv, OV).faults)).toContain(fault);
  });
  test('a Munsell notation outside the solid names the nearest that exists', () => {
    expect(says(readStandard('code,munsell\n1,5R 5/40\n', OV).faults)[0]).toMatch(
      /lies outside the Munsell solid; the nearest that exists is 5R 5\/\d+/,
    );
  });
  test('a bad row leaves the good ones standing', () => {
    const { rows, faults } = readStandard('code,L,a,b\n1,50,0,0\n2,500,0,0\n3,40,0,0\n', OV);
    expect(rows.map(({ code }) => code.code)).toEqual(['OV 1', 'OV 3']);
    expect(faults).toHaveLength(1);
  });
  test('decimal commas and semicolons are read; percent reflectances too', () => {
    const { rows } = readStandard('code;L;a;b\n1;50,5;-1,5;2\n', OV);
    expect(rows[0]!.chip!.lab).toEqual([50.5, -1.5, 2]);
    const percent = readStandard(`code,reflectance\n1,${'20 '.repeat(31)}\n`, OV).rows[0]!;
    expect(percent.chip!.lab[0]).toBeCloseTo(51.8, 0);
  });

  test('the shape of the codes is told from what they look like', () => {
    expect(guessShape(['34997', '16998'], 'NL').shape).toBe('gloss-family');
    expect(guessShape(['QR 7016', '1003'], 'QR').shape).toBe('family');
    expect(guessShape(['K 4', 'M 12'], 'SE')).toEqual({ shape: 'letters', digits: 2 });
    expect(guessShape(['5R 5/4', 'N 4/'], 'MU').shape).toBe('munsell');
    expect(guessShape(['TCS 31', '417'], 'TCS')).toEqual({ shape: 'digits', digits: 3 });
  });
  test('where the number states the finish, it is that', () => {
    const { rows } = readStandard('code,L,a,b\n14997,35,-8,12\n34997,35,-8,12\n', {
      name: 'NL',
      title: '',
      prefix: 'NL',
    });
    expect(rows.map(({ code }) => code.finish)).toEqual(['gloss', 'matt']);
  });
});

const CGATS = `CGATS.17
ORIGINATOR "bench"
INSTRUMENTATION "bench spectrometer"
ILLUMINANT "D50"
BEGIN_DATA_FORMAT
SAMPLE_ID SAMPLE_NAME LAB_L LAB_A LAB_B
END_DATA_FORMAT
BEGIN_DATA
1 "OV 417" 50.00 10.00 20.00
2 "OV 418" 40.00 0.00
END_DATA
`;

describe('measurement files', () => {
  test('are taken with their instrument, adapted from their white; a short row is named', () => {
    const { rows, faults } = readStandard(CGATS, OV);
    expect(rows[0]!.chip).toMatchObject({ origin: 'measured', instrument: 'bench spectrometer' });
    labForWhite(rows[0]!.chip!.lab, 'D50').forEach((value, i) => expect(value).toBeCloseTo([50, 10, 20][i]!, 4));
    expect(says(faults)).toEqual(['10 : 4 values for 5 columns']);
  });
  test('spectra are found under the names that instruments use', () => {
    const heads = Array.from({ length: 31 }, (_, i) => `SPECTRAL_NM${400 + 10 * i}`).join(' ');
    const text = `CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID ${heads}\nEND_DATA_FORMAT\nBEGIN_DATA\n417 ${'0.2 '.repeat(31)}\nEND_DATA\n`;
    const { rows } = readStandard(text, OV);
    expect(rows[0]!.code.code).toBe('OV 417');
    expect(rows[0]!.form).toBe('reflectance');
  });
  test('what is written is read again', () => {
    const written = writeCgats([{ name: 'OV 417 "Mist"', lab: [50, 1.25, -2], sd: 0.4 }], '2026-11-23');
    const { rows, faults } = readCgats(written);
    expect(faults).toEqual([]);
    expect(rows[0]!.cells).toMatchObject({ l: '50.0000', a: '1.2500', b: '-2.0000', white: 'D65' });
  });
  test('a file without a format says so', () => {
    expect(says(readCgats('CGATS.17\nBEGIN_DATA\n1 2\nEND_DATA').faults)).toContain(
      '1 : the file has no BEGIN_DATA_FORMAT',
    );
  });
});

describe('a catalogue as a table', () => {
  const HEAD = 'line,number,name,chemistry,kind,L,a,b,size_ml,price,claims,drawer_ml,opened_on\n';
  test('written and read again it is the same', () => {
    const paint = paintOf({
      id: 'p',
      number: '=7',
      name: 'Grey, light',
      lab: [61.25, -1, 2],
      claims: ['OV 417', 'TCS 31'],
      formerly: ['7A'],
      data: { contrastRatio: 0.94, tint14: [80, 0, 1] },
      bottles: [{ id: 'b', version: 1, mlLeft: 8.5, openedOn: '2026-01-02', condition: 'good', strength: 1 }],
      ownedMl: 8.5,
      thinner: 'own thinner',
      thinRatio: 1.5,
      dries: { mask: 240 },
    });
    const { rows, faults } = readCatalogue(writeCatalogue([paint]));
    expect(faults).toEqual([]);
    expect(rows[0]!.paint).toMatchObject({
      number: '=7',
      name: 'Grey, light',
      lab: [61.25, -1, 2],
      claims: ['OV 417', 'TCS 31'],
      formerly: ['7A'],
      data: paint.data,
    });
    expect(rows[0]!.bottle).toMatchObject({ mlLeft: 8.5, openedOn: '2026-01-02' });
    expect(rows[0]!.line).toMatchObject({ thinner: 'own thinner', thinRatio: 1.5, recoatMin: null, maskMin: 240 });
    expect(writeCatalogue([paint])).toContain("'=7");
  });
  test('paints without a colour are kept and said', () => {
    const { rows, understood } = readCatalogue(`${HEAD}Hask,1,Grey,WA,solid,,,,17,3.20,,,\n`);
    expect(rows[0]!.paint.lab).toBeNull();
    expect(understood.join('; ')).toMatch(/1 without a colour/);
  });
  test.each([
    ['Hask,1,Grey,WA,solid,50,0,0,17,free,,,', '2 price: "free" is no number'],
    ['Hask,1,Grey,ZZ,solid,50,0,0,17,3,,,', 'Chemistry'],
    ['Hask,1,Grey,WA,solid,50,0,0,17,3,,-4,', 'Millilitres left: never below 0'],
    ['Hask,1,Grey,WA,solid,50,0,0,17,3,,5,2026-02-30', 'Opened: a day that exists is needed'],
    [',1,Grey,WA,solid,50,0,0,17,3,,,', 'Line is needed'],
    [
      'Hask,1,Grey,WA,solid,50,0,0,17,3,,,\nHask,1,Grey,WA,solid,50,0,0,17,3,,,',
      '3 number: Hask 1 is in row 2 already',
    ],
    [
      'Hask,1,Grey,WA,solid,50,0,0,17,3,,,\nHask,2,Grey,EN,solid,50,0,0,17,3,,,',
      '3 chemistry: Hask is WA in the rows before: a line has one chemistry',
    ],
  ])('%s is refused', (row, fault) => {
    expect(says(readCatalogue(`${HEAD}${row}\n`).faults).join('\n')).toContain(fault);
  });
  test('prices may be written with either mark, as whole cents inside', () => {
    const { rows } = readCatalogue('line;number;price;L;a;b\nHask;1;3,20;50;0;0\nHask;2;3.45;50;0;0\n');
    expect(rows.map(({ paint }) => paint.priceCents)).toEqual([320, 345]);
  });
});

describe('colours for other programs', () => {
  const colours = [
    { name: 'TCS 31 Fen green', lab: [36, -9, 13] as const, sd: 0.4, origin: 'official' },
    { name: 'Beyond', lab: [60, 120, -120] as const, sd: 1, origin: 'paint' },
  ];
  test('a palette has a line for each, and says what a screen clips', () => {
    const lines = gimpPalette('TK-G', colours).split('\n');
    expect(lines[0]).toBe('GIMP Palette');
    expect(lines[4]).toMatch(/^ *\d+ +\d+ +\d+\tTCS 31 Fen green$/);
    expect(lines[5]).toMatch(/clipped to the screen/);
  });
  test('swatches: magic, count, and each block its name in UTF-16 and three floats', () => {
    const bytes = adobeSwatches([colours[0]!], (lab) => lab);
    const view = new DataView(bytes.buffer);
    expect(String.fromCharCode(...bytes.slice(0, 4))).toBe('ASEF');
    expect(view.getUint32(8)).toBe(1);
    expect(view.getUint16(12)).toBe(1);
    const nameLength = view.getUint16(18);
    expect(nameLength).toBe(colours[0]!.name.length + 1);
    const at = 20 + 2 * nameLength;
    expect(String.fromCharCode(...bytes.slice(at, at + 4))).toBe('LAB ');
    expect(view.getFloat32(at + 4)).toBeCloseTo(0.36, 6);
    expect(view.getFloat32(at + 8)).toBeCloseTo(-9, 5);
    expect(bytes.length).toBe(18 + view.getUint32(14));
  });
  test('a table keeps Lab and uncertainty, and no cell is a formula', () => {
    const table = colourTable([{ ...colours[0]!, name: '=1+1' }]);
    expect(table).toContain("'=1+1");
    expect(table).toContain('36.00,-9.00,13.00,0.40,official');
  });
});
