import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { girthSum, lentSum, lettersSum, stripsSum } from './setting-out-sums';
import { clearanceSum, doorSum, legsSum, uprightSum, type Leg } from './standing-sums';

const leg = (xMm: number, yMm: number, downMm: number): Leg => ({ xMm, yMm, downMm });
const figure = fc.double({ min: -200, max: 200, noNaN: true });

describe('legs on one ground', () => {
  test('three of them always stand; a fourth that is short is packed by what it lacks', () => {
    expect(legsSum({ legs: [leg(0, 0, 20), leg(60, -30, 31), leg(60, 30, 30)] }).packMm).toEqual([
      expect.closeTo(0, 9),
      expect.closeTo(0, 9),
      expect.closeTo(0, 9),
    ]);
    const { packMm, because } = legsSum({
      legs: [leg(0, -10, 30), leg(0, 10, 30), leg(60, -30, 30), leg(60, 30, 30), leg(80, 0, 28)],
    });
    expect(packMm.indexOf(Math.max(...packMm))).toBe(4);
    expect(because.join(' ')).toMatch(/leg 5 hangs/);
  });
  test('packed so, all feet lie in one plane, and none is under the ground', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(figure, figure, figure), { minLength: 4, maxLength: 12 }), (places) => {
        const legs = places.map(([x, y, z]) => leg(x, y, z));
        let sum: ReturnType<typeof legsSum>;
        try {
          sum = legsSum({ legs });
        } catch (error) {
          return expect((error as Error).message).toMatch(/one line/);
        }
        expect(Math.min(...sum.packMm)).toBeCloseTo(0, 6);
        const packed = legs.map((one, i) => leg(one.xMm, one.yMm, one.downMm + sum.packMm[i]!));
        for (const again of legsSum({ legs: packed }).packMm) expect(again).toBeCloseTo(0, 4);
      }),
      { seed: 3 },
    );
  });
  test('a longer front leg points the nose up by the angle of its base', () => {
    const { pitchDeg } = legsSum({ legs: [leg(0, 0, 40), leg(100, -30, 30), leg(100, 30, 30)] });
    expect(pitchDeg).toBeCloseTo((Math.atan(10 / 100) * 180) / Math.PI, 6);
  });
  test('legs in one line are no ground', () =>
    expect(() => legsSum({ legs: [leg(0, 0, 1), leg(10, 10, 2), leg(20, 20, 3)] })).toThrow(/one line/));
});

describe('what stands and hangs', () => {
  test('a tank that leans by five degrees on a saddle of 10 mm takes 0.87 mm on one side', () => {
    expect(uprightSum({ leanDeg: 5, widthMm: 10 }).shimMm).toBeCloseTo(0.8749, 4);
    expect(uprightSum({ leanDeg: -5, widthMm: 10 }).shimMm).toBeCloseTo(0.8749, 4);
  });
  test('a store is clear by what is left under it, less where the nose points up and it hangs behind the wheels', () => {
    const level = { heightMm: 30, hangsMm: 22, aftMm: 20, pitchDeg: 0 };
    expect(clearanceSum(level).clearanceMm).toBeCloseTo(8, 9);
    expect(clearanceSum({ ...level, pitchDeg: 10 }).clearanceMm).toBeLessThan(5);
    expect(clearanceSum({ ...level, pitchDeg: 10, aftMm: -20 }).clearanceMm).toBeGreaterThan(8);
    expect(clearanceSum({ ...level, hangsMm: 33 }).because.join()).toMatch(/strikes/);
  });
  test('a door that is longer than its hinge is high strikes at the angle whose sine that is', () => {
    const { mostDeg, clearanceMm } = doorSum({ hingeMm: 10, doorMm: 20, openDeg: 90 });
    expect(mostDeg).toBeCloseTo(30, 9);
    expect(clearanceMm).toBeCloseTo(-10, 9);
    expect(doorSum({ hingeMm: 10, doorMm: 20, openDeg: 30 }).clearanceMm).toBeCloseTo(0, 9);
    expect(doorSum({ hingeMm: 25, doorMm: 20, openDeg: 90 })).toMatchObject({ clearanceMm: 5, mostDeg: 90 });
  });
});

describe('setting out', () => {
  test('equal strips and their cuts fill the width', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.double({ min: 10, max: 300, noNaN: true }), (count, widthMm) => {
        const { eachMm, marksMm } = stripsSum({ widthMm, count, cutMm: 0.1 });
        expect(count * eachMm + (count - 1) * 0.1).toBeCloseTo(widthMm, 9);
        expect(marksMm).toHaveLength(count - 1);
        if (count > 1) expect(marksMm.at(-1)! + 0.1 + eachMm).toBeCloseTo(widthMm, 9);
      }),
    );
  });
  test('a strip round the body, folded in two, marks the line opposite', () => {
    expect(girthSum({ girthMm: 100, fromTopDeg: 180 })).toMatchObject({ arcMm: 50, oppositeMm: 50 });
    expect(girthSum({ girthMm: 31.4159, fromTopDeg: 90 }).diameterMm).toBeCloseTo(10, 4);
  });
  test('letters fill their line from end to end, one stands in its middle', () => {
    const { gapMm, middlesMm } = lettersSum({ lineMm: 50, count: 4, letterMm: 8 });
    expect(gapMm).toBe(6);
    expect(middlesMm).toEqual([4, 18, 32, 46]);
    expect(lettersSum({ lineMm: 50, count: 1, letterMm: 8 }).middlesMm).toEqual([25]);
    expect(lettersSum({ lineMm: 20, count: 4, letterMm: 8 }).because.join()).toMatch(/overlap/);
  });
  test('what is left of a lent bottle is told by its weight', () => {
    const sum = lentSum({ bottleMl: 20, fullG: 50, emptyG: 30, lentG: 45, nowG: 40 });
    expect(sum).toMatchObject({ cameMl: 15, usedMl: 5, leftMl: 10 });
    expect(lentSum({ bottleMl: 20, fullG: 50, emptyG: 30, lentG: 45, nowG: 29 }).leftMl).toBe(0);
  });
});
