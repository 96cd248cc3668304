import { describe, expect, test } from '@jest/globals';
import { ORIGIN_SD } from '@/core/colour/chips';
import { deltaE00 } from '@/core/colour/difference';
import { colourOfRow } from './colour-cells';
import { RowReader } from './table';

const read = (cells: Record<string, string>) => {
  const row = new RowReader(2, cells);
  return { colour: colourOfRow(row), faults: row.faults.map(({ field, says }) => `${field}: ${says}`) };
};
const white = Array.from({ length: 31 }, () => '1').join(' ');

describe('the colour of a row', () => {
  test('is its reflectance before its Lab, its Lab before Munsell, Munsell before a screen colour', () => {
    const all = { reflectance: white, l: '50', a: '0', b: '0', munsell: 'N 3/', hex: '#204060' };
    expect(read(all).colour!.form).toBe('reflectance');
    expect(read({ ...all, reflectance: '' }).colour!.form).toBe('Lab');
    expect(read({ munsell: 'N 3/', hex: '#204060' }).colour!.form).toBe('Munsell');
    expect(read({ hex: '#204060' }).colour!.form).toBe('hex');
    expect(read({}).colour).toBeNull();
  });
  test('a perfect white reflects all light: L* 100, no chroma', () => {
    const { lab } = read({ reflectance: white }).colour!;
    expect(deltaE00(lab, [100, 0, 0])).toBeLessThan(0.05);
  });
  test('the less its form can be trusted, the wider its uncertainty', () => {
    const forms: Record<string, string>[] = [
      { reflectance: white },
      { l: '50', a: '0', b: '0' },
      { munsell: '5GY 5/4' },
      { hex: '#808080' },
    ];
    const sds = forms.map((cells) => read(cells).colour!);
    expect(sds.map(({ origin }) => origin)).toEqual(['measured', 'published', 'converted', 'eyeballed']);
    expect(sds.map(({ sd }) => sd)).toEqual(sds.map(({ sd }) => sd).sort((a, b) => a - b));
    for (const { origin, sd } of sds) expect(sd).toBe(ORIGIN_SD[origin].sd);
  });
  test('a grey is the same grey under every white', () => {
    for (const name of ['D65', 'D50', 'C', 'A'])
      expect(deltaE00(read({ l: '60', a: '0', b: '0', white: name }).colour!.lab, [60, 0, 0])).toBeLessThan(0.1);
  });
  test('a colour under another white is adapted: it moves', () => {
    const moved = read({ l: '60', a: '20', b: '30', white: 'D50' }).colour!.lab;
    expect(deltaE00(moved, [60, 20, 30])).toBeGreaterThan(0.5);
    expect(moved[0]).toBeCloseTo(60, -1);
  });
});

describe('a colour that cannot be', () => {
  test.each<[string, Record<string, string>, RegExp]>([
    ['L* above 100', { l: '101', a: '0', b: '0' }, /L: L\* 101 is impossible/],
    ['L* below 0', { l: '-1', a: '0', b: '0' }, /L\* -1 is impossible/],
    ['a chroma that no surface has', { l: '50', a: '140', b: '0' }, /no colour of a surface/],
    ['a part of Lab alone', { l: '50', a: '1' }, /needed together/],
    ['a white that nobody knows', { l: '50', a: '0', b: '0', white: 'D99' }, /white: "D99"/],
    ['a notation outside the solid', { munsell: '5GY 5/60' }, /outside the Munsell solid; the nearest/],
    ['a notation that is none', { munsell: 'greenish' }, /munsell/],
    ['a screen colour that is none', { hex: '#12' }, /hex/],
  ])('%s is named', (_, cells, says) => {
    expect(read(cells).faults.join('; ')).toMatch(says);
  });
});
