import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readMeasure } from './measure';

describe('a measure as it is typed', () => {
  test.each([
    ['36 ft 5 in', 'm', 11.0998],
    ['36\' 5"', 'm', 11.0998],
    ['36′5″', 'm', 11.0998],
    ['24"', 'mm', 609.6],
    ['24 inches', 'mm real', 609.6],
    ['5 1/2 in', 'mm', 139.7],
    ['5½"', 'mm', 139.7],
    ['1/8"', 'mm', 3.175],
    ['9,1 m', 'mm', 9100],
    ['9.1m', 'm', 9.1],
    ['12 cm', 'mm', 120],
    ['25 µm', 'µm', 25],
    ['0,025 mm', 'µm', 25],
    ['6 feet', 'm', 1.8288],
    ['−2 mm', 'mm', -2],
    ['68 F', '°C', 20],
    ['68°F', '°C', 20],
    ['20 °C', '°C', 20],
    ['20 C', '°C', 20],
    ['-40 F', '°C', -40],
    ['120 kPa', 'bar', 1.2],
    ['0.5 l', 'ml', 500],
    ['2 cl', 'ml', 20],
    ['1,5', 'bar', 1.5],
    ['17', '', 17],
  ])('%s in %s is %d', (typed, unit, is) => {
    expect(readMeasure(typed, unit)).toBeCloseTo(is, 6);
  });
  test('15 psi are 1.034 bar', () => expect(readMeasure('15 psi', 'bar')).toBeCloseTo(1.034, 3));
  test.each([
    ['15 psi', 'mm'],
    ['3 ft', 'bar'],
    ['5 in 3 ft', 'm'],
    ['1.234,5 mm', 'mm'],
    ['ten mm', 'mm'],
    ['3 cubits', 'mm'],
    ['1/0 in', 'mm'],
    ['', 'mm'],
    ['mm', 'mm'],
    ['3 mm', ''],
    ['20 C 10 C', '°C'],
    ['4 mm and more', 'mm'],
  ])('%s is nothing in %s', (typed, unit) => expect(readMeasure(typed, unit)).toBeNull());
  test('whatever is typed, it is a number or nothing', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom('mm', 'm', 'bar', '°C', 'ml', ''), (typed, unit) => {
        const read = readMeasure(typed, unit);
        expect(read === null || Number.isFinite(read)).toBe(true);
      }),
    );
  });
  test('feet and inches come back as they were', () => {
    fc.assert(
      fc.property(fc.nat(200), fc.nat(11), (feet, inches) => {
        expect(readMeasure(`${feet} ft ${inches} in`, 'mm')).toBeCloseTo((feet * 12 + inches) * 25.4, 4);
      }),
    );
  });
});
