import { describe, expect, test } from '@jest/globals';
import { roundBarShown } from './length';
import { readMeasure } from './measure';
import { inShownUnits, measureAsTyped, measureInWords, type KeptUnit } from './shown';

const imperial = (text: string) => inShownUnits(text, 'feet and inches');

describe('measures in the units of the house', () => {
  test.each<[number, KeptUnit, number, string]>([
    [11.1, 'm', 1, '36 ft 5 in'],
    [9.144, 'm', 2, '30 ft'],
    [1.8288, 'm', 2, '6 ft'],
    // Half an inch short of six feet is not 5 ft 12 in.
    [1.826, 'm', 2, '5 ft 11.9 in'],
    [25.4, 'mm', 1, '1 in'],
    [15.8, 'mm', 1, '0.622 in'],
    [304.8, 'mm', 0, '1 ft'],
    [4.9, 'cm', 1, '1.93 in'],
    [1.2, 'bar', 1, '17 psi'],
    [0.8, 'bar', 1, '11.6 psi'],
    [20, '°C', 0, '68 °F'],
    [-40, '°C', 0, '-40 °F'],
  ])('%d %s with %d digits is %s', (value, unit, digits, says) => {
    expect(measureInWords(value, unit, digits, 'feet and inches')).toBe(says);
    expect(measureInWords(value, unit, digits, 'metric')).toBe(`${value.toFixed(digits)} ${unit}`);
  });

  test('no length is so many feet and twelve inches', () => {
    for (let mm = 305; mm < 20_000; mm += 7.3)
      for (const digits of [0, 1, 2, 3])
        expect(measureInWords(mm / 1000, 'm', digits, 'feet and inches')).not.toMatch(/ft 12/);
  });

  test('what is said is as near as it was said before: half of its last digit, or of the inch’s', () => {
    for (let mm = 0.3; mm < 9000; mm *= 1.37)
      for (const digits of [0, 1, 2]) {
        const said = readMeasure(measureInWords(mm, 'mm', digits, 'feet and inches'), 'mm')!;
        const coarsest = mm >= 304.8 ? 1.28 : Math.max(0.6 * 10 ** -digits, 0.013);
        expect(Math.abs(said - mm)).toBeLessThanOrEqual(coarsest);
      }
  });

  test('what stands in a field reads back as what is kept', () => {
    const kept: [KeptUnit, number[]][] = [
      ['m', [11.1, 9.82, 0.4, 30, 12.345, 0]],
      ['mm', [412, 0.3, 25.4, 1.25, 120]],
      ['bar', [1.2, 0.85, 2, 1.035]],
      ['°C', [21, 18.5, -5, 0]],
    ];
    for (const [unit, values] of kept)
      for (const value of values) {
        const text = measureAsTyped(value, unit, 'feet and inches');
        expect(text).toMatch(/ft|in|psi|°F/);
        expect(readMeasure(text, unit)!).toBeCloseTo(value, 3);
        expect(measureAsTyped(value, unit, 'metric')).toBe(String(value));
      }
    expect(measureAsTyped(11.1, 'm', 'feet and inches')).toMatch(/^36 ft 5/);
    expect(measureAsTyped(60, '%', 'feet and inches')).toBe('60');
  });
});

test('a scale bar is a round length in what the house shows', () => {
  for (const most of [7, 31, 110, 260]) {
    expect(measureInWords(roundBarShown(most, 'feet and inches'), 'mm', 0, 'feet and inches')).toMatch(
      /^(0\.[125]|[125]|10) in$/,
    );
    expect(measureInWords(roundBarShown(most, 'metric'), 'mm', 0, 'metric')).toMatch(/^[125]0* mm$/);
    expect(roundBarShown(most, 'feet and inches')).toBeLessThanOrEqual(most);
  }
});

describe('sentences in the units of the house', () => {
  test('say every measure in them, ranges and sizes with one unit', () => {
    expect(imperial('Spray at 1.2 bar from 80 mm.')).toBe('Spray at 17 psi from 3.15 in.');
    expect(imperial('1.0 to 1.4 bar')).toBe('15 to 20 psi');
    expect(imperial('18–24 °C')).toBe('64–75 °F');
    expect(imperial('11.4 × 14.2 mm')).toBe('0.449 × 0.559 in');
    expect(imperial('8.3 → 12.5 mm, then on')).toBe('0.327 → 0.492 in, then on');
    expect(imperial('span 11.1 m, as drawn')).toBe('span 36 ft 5 in, as drawn');
    expect(imperial('412 ± 15 mm')).toBe('1 ft 4.2 in ± 0.59 in');
  });
  test('leave alone what is no such measure', () => {
    for (const same of [
      '20 min of 3 m²',
      '447 cm² of skin, 0.3 ml',
      '1/48',
      'film of 25 µm',
      'TCS 31 and 4 marks',
      '12 months, 7 mishaps, 3 bars of soap',
      'ratio 2:1, 30 m/s',
      '',
    ])
      expect(imperial(same)).toBe(same);
  });
  test('are as they were where metric is chosen', () => {
    expect(inShownUnits('Spray at 1.2 bar from 80 mm.', 'metric')).toBe('Spray at 1.2 bar from 80 mm.');
  });
});
