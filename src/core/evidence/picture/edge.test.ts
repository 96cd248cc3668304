import { describe, expect, test } from '@jest/globals';
import { normal } from '@tests/support/photographed';
import { EDGE_STEP_PX, fitEdge, normalBelow, profileAcross } from './edge';

const greysOf = (at: number, spread: number, noise: number, run: number) =>
  Array.from(
    { length: 161 },
    (_, i) => 60 + 90 * normalBelow((i * EDGE_STEP_PX - at) / spread) + noise * normal(211 * run + i, 0),
  );

describe('the distribution function of a normal', () => {
  test('is that of the tables', () => {
    // Abramowitz and Stegun 1964, table 26.1.
    expect(normalBelow(0)).toBeCloseTo(0.5, 7);
    expect(normalBelow(1)).toBeCloseTo(0.8413447461, 6);
    expect(normalBelow(-2.5)).toBeCloseTo(0.0062096653, 6);
  });
});

describe('how soft an edge is', () => {
  test('is found where nothing disturbs it', () => {
    for (const [at, spread] of [
      [40, 6],
      [33.3, 2.5],
      [50, 11],
    ] as const) {
      const found = fitEdge(greysOf(at, spread, 0, 0))!;
      expect(found.at).toBeCloseTo(at, 2);
      expect(found.spread).toBeCloseTo(spread, 2);
    }
  });
  test('is the same where the light goes on evenly along the way', () => {
    const lit = greysOf(40, 4, 0, 0).map((grey, i) => grey + 0.3 * i);
    expect(fitEdge(lit)!.spread).toBeCloseTo(4, 1);
  });
  test('in grain lies within twice what is stated', () => {
    const within = Array.from({ length: 60 }, (_, run) => {
      const spread = 3 + (run % 7);
      const found = fitEdge(greysOf(36 + (run % 9), spread, 6, run))!;
      return Math.abs(found.spread - spread) <= 2 * found.sd;
    });
    expect(within.filter(Boolean).length).toBeGreaterThanOrEqual(57);
  });
  test('from dark to light is as from light to dark', () => {
    const greys = greysOf(40, 5, 3, 1);
    expect(fitEdge([...greys].reverse())!.spread).toBeCloseTo(fitEdge(greys)!.spread, 3);
  });
  test('of a step is hardly any; of one colour, or of a few greys, nothing is told', () => {
    expect(fitEdge(greysOf(40, 0.01, 0, 0))!.spread).toBeLessThan(0.5);
    expect(fitEdge(Array.from({ length: 161 }, (_, i) => 80 + 4 * normal(i, 0)))).toBeNull();
    expect(fitEdge(new Array<number>(161).fill(80))).toBeNull();
    expect(fitEdge([60, 60, 150, 150])).toBeNull();
  });
});

describe('greys across a border', () => {
  const [width, height] = [60, 40];
  /** Dark to the left, light to the right, from 20 px to 40 px. */
  const data = Uint8ClampedArray.from({ length: 4 * width * height }, (_, i) => {
    const x = ((i >> 2) % width) + 0.5;
    return i % 4 === 3 ? 255 : Math.min(200, Math.max(50, 50 + 7.5 * (x - 20)));
  });
  test('are read along the way from one point to the other', () => {
    const greys = profileAcross({ width, height, data }, [10, 20], [50, 20])!;
    expect(greys).toHaveLength(81);
    expect([greys[0], greys.at(-1)]).toEqual([50, 200]);
    expect(greys[40]).toBeCloseTo(125, 0);
  });
  test('are none where it runs beyond the picture', () => {
    expect(profileAcross({ width, height, data }, [10, 20], [90, 20])).toBeNull();
  });
});
