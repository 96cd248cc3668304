import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { costSum, drillSum, dryingSum, pinSum, rodSum, stanceSum, tapeSum } from './workshop-sums';

describe('sums of the workshop', () => {
  test('a model with a longer port leg rolls to starboard by the angle of its track', () => {
    const level = stanceSum({ portMm: 30, starboardMm: 30, thirdMm: 30, trackMm: 50, baseMm: 80 });
    expect([level.rollDeg, level.pitchDeg, level.shortenMm]).toEqual([0, 0, 0]);
    const rolled = stanceSum({ portMm: 31, starboardMm: 30, thirdMm: 30, trackMm: 50, baseMm: 80 });
    expect(rolled.rollDeg).toBeCloseTo((Math.atan(1 / 50) * 180) / Math.PI, 9);
    expect(rolled.because.join()).toContain('1 mm off the port leg');
    // A taildragger: its third leg is shorter, so that the nose points up.
    expect(stanceSum({ portMm: 40, starboardMm: 40, thirdMm: 8, trackMm: 60, baseMm: 120 }).pitchDeg).toBeGreaterThan(
      10,
    );
  });
  test('a pin at its limit bends at four times its load, by the bending of a round bar', () => {
    const { diameterMm, intoEachMm } = pinSum({ loadG: 200, armMm: 20, metal: 'brass' });
    const stress = (32 * 200 * 9.81e-3 * 20) / (Math.PI * diameterMm ** 3);
    expect(stress * 4).toBeCloseTo(200, 6);
    expect(intoEachMm).toBeCloseTo(3 * diameterMm, 12);
    expect(pinSum({ loadG: 200, armMm: 20, metal: 'steel' }).diameterMm).toBeLessThan(diameterMm);
  });
  test('a rod twice as thick leans a sixteenth; twice as long four times as far', () => {
    const given = { massG: 300, offsetMm: 15, lengthMm: 120, diameterMm: 3, material: 'steel' } as const;
    const { leanMm, leanDeg } = rodSum(given);
    expect(rodSum({ ...given, diameterMm: 6 }).leanMm).toBeCloseTo(leanMm / 16, 9);
    expect(rodSum({ ...given, lengthMm: 240 }).leanMm).toBeCloseTo(4 * leanMm, 9);
    // End moment: the slope at the tip is twice the sag over the length.
    expect(leanDeg).toBeCloseTo(((2 * leanMm) / 120) * (180 / Math.PI), 9);
    expect(rodSum({ ...given, offsetMm: 0 }).leanMm).toBe(0);
  });
  test('a hole lies at the scaled distances, and straight across by Pythagoras', () => {
    expect(drillSum({ alongMm: 1440, besideMm: 1920, denominator: 48 })).toMatchObject({
      alongMm: 30,
      besideMm: 40,
      straightMm: 50,
    });
  });
  test('a coat dries as its table says at 20 °C, twice as long ten degrees colder, half as long when it is hurried', () => {
    const usual = { chemistry: 'AL', until: 'mask', tempC: 20, humidity: 50, forced: 1 } as const;
    expect(dryingSum(usual).minutes).toBe(180);
    expect(dryingSum({ ...usual, tempC: 10 }).minutes).toBe(360);
    expect(dryingSum({ ...usual, forced: 0.5 }).minutes).toBe(90);
  });
  test('tape counts every layer and what is lost; postage falls away from its sum on', () => {
    expect(tapeSum({ edgeMm: 500, layers: 2, rollM: 18 })).toMatchObject({
      tapeMm: 1200,
      rollPercent: (100 * 1200) / 18000,
    });
    const order = { priceCents: 300, count: 4, postageCents: 450, freeFromCents: 2000 };
    expect(costSum(order).totalCents).toBe(1650);
    expect(costSum({ ...order, count: 7 }).totalCents).toBe(2100);
    expect(costSum({ ...order, count: 0 }).eachCents).toBe(0);
  });
  test('whatever is given, results are finite and say why', () => {
    const size = fc.double({ min: 0.1, max: 5000, noNaN: true });
    fc.assert(
      fc.property(size, size, size, size, (a, b, c, d) => {
        for (const result of [
          stanceSum({ portMm: a, starboardMm: b, thirdMm: c, trackMm: d, baseMm: a }),
          pinSum({ loadG: a, armMm: b, metal: 'plastic' }),
          rodSum({ massG: a, offsetMm: b, lengthMm: c, diameterMm: d, material: 'acrylic' }),
        ]) {
          const { because, ...numbers } = result;
          expect(Object.values(numbers).every(Number.isFinite)).toBe(true);
          expect(because.length).toBeGreaterThan(1);
        }
      }),
    );
  });
});
