import { describe, expect, test } from '@jest/globals';
import { CHEMISTRY_NAMES, layOver } from './chemistry';
import { DRYING, dryingFactor, dryingTime, STANDARD_CLIMATE } from './drying';
import { paintNeeded, TYPICAL_SPRAYING } from './quantity';

describe('what may go over what', () => {
  test('lacquer over enamel wrinkles; oils lift enamel; lacquer carries everything', () => {
    expect(layOver('AL', 'EN').verdict).toBe('no');
    expect(layOver('ML', 'EN').verdict).toBe('no');
    expect(layOver('OI', 'EN').verdict).toBe('no');
    // Oils over dry oils only wait; under paint they are like enamel.
    expect(layOver('OI', 'OI').verdict).toBe('after cure');
    expect(layOver('EW', 'OI').verdict).toBe('after cure');
    expect(layOver('AL', 'OI').verdict).toBe('no');
    for (const over of CHEMISTRY_NAMES) expect(layOver(over, 'AL').verdict).toBe('ok');
  });
  test('lacquer over water-based acrylic is a risk that is named', () => {
    expect(layOver('AL', 'WA')).toMatchObject({ verdict: 'risk', says: expect.stringContaining('pinholes') });
  });
});

describe('drying', () => {
  test('at 20 C and 50 % the table holds', () => {
    for (const chemistry of CHEMISTRY_NAMES)
      expect(dryingTime({ chemistry }, 'cure', STANDARD_CLIMATE)).toBe(DRYING[chemistry].cure);
  });
  test('10 C colder doubles it; damp slows only water-based paint', () => {
    expect(dryingTime({ chemistry: 'EN' }, 'recoat', { tempC: 10, humidity: 80 })).toBe(24 * 60);
    expect(dryingFactor('WA', { tempC: 20, humidity: 80 })).toBeCloseTo(1.3, 12);
    expect(dryingFactor('AL', { tempC: 20, humidity: 80 })).toBe(1);
  });
  test('what a line says of itself goes before its chemistry, and slows in the cold alike', () => {
    const coat = { chemistry: 'EN', dries: { recoat: 90 } } as const;
    expect(dryingTime(coat, 'recoat', STANDARD_CLIMATE)).toBe(90);
    expect(dryingTime(coat, 'recoat', { tempC: 10, humidity: 50 })).toBe(180);
    expect(dryingTime(coat, 'cure', STANDARD_CLIMATE)).toBe(DRYING.EN.cure);
  });
  test('each stage comes after the one before', () => {
    for (const { touch, recoat, mask, cure } of Object.values(DRYING))
      expect([touch, recoat, mask, cure]).toEqual([touch, recoat, mask, cure].sort((a, b) => a - b));
  });
});

test('100 cm2 in two coats of two passes of 25 um at 50 % transfer: 2 ml on the way, 0.4 ml lost in the cup', () => {
  const { sprayedMl, paintMl } = paintNeeded({ ...TYPICAL_SPRAYING, areaCm2: 100, paintFraction: 0.5 });
  expect(sprayedMl).toBeCloseTo(2.4, 12);
  expect(paintMl).toBeCloseTo(1.2, 12);
});
