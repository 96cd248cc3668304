import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BANDS, innerOf, masstone, mixed, overGround, ratioOf, seen, thick, type Pigment } from './kubelka-munk';

const constant = fc.double({ min: 0.001, max: 50, noNaN: true });
const ground = fc.double({ min: 0.01, max: 0.98, noNaN: true });
const pigment: fc.Arbitrary<Pigment> = fc.record({
  K: fc.array(constant, { minLength: BANDS, maxLength: BANDS }),
  S: fc.array(constant, { minLength: BANDS, maxLength: BANDS }),
});
const close = (a: readonly number[], b: readonly number[]) =>
  a.forEach((value, i) => expect(Math.abs(value - b[i]!)).toBeLessThan(1e-9));

describe('the surface of a film', () => {
  test('what is seen and what is inside are each other turned round', () => {
    fc.assert(fc.property(ground, (inner) => expect(innerOf(seen(inner))).toBeCloseTo(inner, 10)));
  });
  test('a perfect white under it is seen as less, a black as black', () => {
    expect(seen(0)).toBe(0);
    expect(seen(1)).toBeCloseTo(0.96, 12);
  });
});

describe('thick films', () => {
  test('reflect by K/S alone, and give it back', () => {
    fc.assert(
      fc.property(constant, constant, (K, S) => {
        expect(ratioOf(thick(K, S))).toBeCloseTo(K / S, 6);
        expect(thick(7 * K, 7 * S)).toBeCloseTo(thick(K, S), 12);
      }),
    );
  });
  test('white without absorption, black without scattering', () => {
    expect(thick(0, 3)).toBe(1);
    expect(thick(3, 0)).toBe(0);
  });
});

describe('mixtures', () => {
  test('of a paint with itself are itself; order, and scaling all drops, change nothing', () => {
    fc.assert(
      fc.property(pigment, pigment, fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), (a, b, m, n) => {
        close(
          masstone(
            mixed([
              { pigment: a, drops: m },
              { pigment: a, drops: n },
            ]),
          ),
          masstone(a),
        );
        const mix = masstone(
          mixed([
            { pigment: a, drops: m },
            { pigment: b, drops: n },
          ]),
        );
        close(
          masstone(
            mixed([
              { pigment: b, drops: n },
              { pigment: a, drops: m },
            ]),
          ),
          mix,
        );
        close(
          masstone(
            mixed([
              { pigment: a, drops: 3 * m },
              { pigment: b, drops: 3 * n },
            ]),
          ),
          mix,
        );
      }),
    );
  });
  test('of mixtures are the direct mixture', () => {
    fc.assert(
      fc.property(pigment, pigment, pigment, (a, b, c) => {
        const half = mixed([
          { pigment: a, drops: 1 },
          { pigment: b, drops: 3 },
        ]);
        const twice = mixed([
          { pigment: half, drops: 4 },
          { pigment: c, drops: 2 },
        ]);
        const direct = mixed([
          { pigment: a, drops: 1 },
          { pigment: b, drops: 3 },
          { pigment: c, drops: 2 },
        ]);
        close(masstone(twice), masstone(direct));
      }),
    );
  });
  test('each band moves one way with the ratio, and stays between 0 and 1', () => {
    fc.assert(
      fc.property(pigment, pigment, (a, b) => {
        const steps = [0, 1, 2, 3, 4].map((n) =>
          masstone(
            mixed([
              { pigment: a, drops: 4 - n },
              { pigment: b, drops: n },
            ]),
          ),
        );
        for (let i = 0; i < BANDS; i += 1) {
          const band = steps.map((step) => step[i]!);
          const rising = band[4]! >= band[0]!;
          band.slice(1).forEach((value, k) => {
            if (rising) expect(value).toBeGreaterThanOrEqual(band[k]! - 1e-12);
            else expect(value).toBeLessThanOrEqual(band[k]! + 1e-12);
          });
          for (const value of band) {
            expect(value).toBeGreaterThanOrEqual(0);
            expect(value).toBeLessThanOrEqual(1);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('a film over a ground', () => {
  test('of no thickness is the ground, of great thickness the masstone, whatever the ground', () => {
    fc.assert(
      fc.property(constant, constant, ground, (K, S, g) => {
        expect(overGround(K, S, 0, g)).toBe(g);
        expect(overGround(K, S, 1e6, g)).toBeCloseTo(thick(K, S), 6);
      }),
    );
  });
  test('goes one way from the ground to the masstone', () => {
    fc.assert(
      fc.property(constant, constant, ground, (K, S, g) => {
        const path = [0, 0.05, 0.2, 0.5, 1, 2, 5].map((x) => overGround(K, S, x, g));
        const rising = thick(K, S) >= g;
        path.slice(1).forEach((value, i) => {
          if (rising) expect(value).toBeGreaterThanOrEqual(path[i]! - 1e-9);
          else expect(value).toBeLessThanOrEqual(path[i]! + 1e-9);
        });
      }),
    );
  });
  test('over a film of the same paint is the film of both together', () => {
    const thin = fc.double({ min: 0.01, max: 1.5, noNaN: true });
    fc.assert(
      fc.property(constant, constant, ground, thin, thin, (K, S, g, x, y) => {
        expect(overGround(K, S, y, overGround(K, S, x, g))).toBeCloseTo(overGround(K, S, x + y, g), 8);
      }),
    );
  });
  test('that absorbs nothing only whitens, by the closed form for K = 0', () => {
    const [S, X, g] = [2, 0.7, 0.3];
    expect(overGround(0, S, X, g)).toBeCloseTo(((1 - g) * S * X + g) / ((1 - g) * S * X + 1), 12);
    expect(overGround(1e-9, S, X, g)).toBeCloseTo(overGround(0, S, X, g), 6);
  });
  test('that scatters nothing darkens like glass', () => {
    expect(overGround(0.5, 0, 1, 0.8)).toBeCloseTo(0.8 * Math.exp(-1), 12);
  });
});
