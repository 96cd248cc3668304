import { describe, expect, test } from '@jest/globals';
import { poolReadings, type InstrumentReading } from './readings';

const reading = (L: number, more: Partial<InstrumentReading> = {}): InstrumentReading => ({
  lab: [L, -2, 3],
  warm: true,
  tileAgeMin: 1,
  ...more,
});

describe('several readings of one place', () => {
  test('are their mean; without scatter only the instrument itself is unsure', () => {
    const { lab, sd, warnings } = poolReadings([reading(60), reading(60), reading(60)]);
    expect(lab).toEqual([60, -2, 3]);
    expect(sd).toBeCloseTo(0.35, 9);
    expect(warnings).toEqual([]);
    expect(poolReadings([reading(58), reading(62)]).lab[0]).toBe(60);
  });
  test('scatter counts, and more readings bring it down', () => {
    const two = poolReadings([reading(58), reading(62)]).sd;
    const eight = poolReadings([58, 62, 58, 62, 58, 62, 58, 62].map((L) => reading(L))).sd;
    expect(two).toBeGreaterThan(1);
    expect(eight).toBeLessThan(two);
  });
  test('a cold lamp and a missing white are said, and widen what is claimed', () => {
    const good = poolReadings([reading(60), reading(60)]);
    const cold = poolReadings([reading(60), reading(60, { warm: false })]);
    const unset = poolReadings([reading(60), reading(60, { warm: false, tileAgeMin: null })]);
    expect(cold.warnings).toHaveLength(1);
    expect(cold.warnings[0]).toMatch(/lamp is still cold/);
    expect(unset.warnings.at(-1)).toMatch(/white tile/);
    expect(cold.sd).toBeGreaterThan(good.sd + 0.5);
    expect(unset.sd).toBeGreaterThan(cold.sd + 0.5);
  });
  test('one reading says nothing of its scatter', () => expect(() => poolReadings([reading(60)])).toThrow(RangeError));
});
