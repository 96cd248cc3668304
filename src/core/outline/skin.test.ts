import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bodyPoint, girthOfAngle, girthOfBreadth, girthOfHeight, type Body, type Section } from './body';
import type { Lifting } from './lifting';
import { bodyArea, liftingArea } from './skin-area';
import { unroll } from './unroll';

const body = (sections: Partial<Section>[]): Body => ({
  y: 0,
  sections: sections.map((section) => ({ x: 0, width: 0, height: 0, z: 0, n: 2, ...section })),
});
const round = (length: number, radius: (x: number) => number, steps: number): Body =>
  body(
    Array.from({ length: steps + 1 }, (_, i) => {
      const x = (length * i) / steps;
      return { x, width: 2 * radius(x), height: 2 * radius(x) };
    }),
  );
const cylinder = round(1000, () => 200, 1);
const cone = body([{ x: 0 }, { x: 400, width: 600, height: 600 }]);
const sphere = round(200, (x) => Math.sqrt(Math.max(0, x * (200 - x))), 40);
const within = (found: number, right: number, percent: number) =>
  expect(Math.abs(found / right - 1) * 100).toBeLessThan(percent);

describe('developed areas', () => {
  test('of a cylinder 2 pi r l, of a cone pi r s, of a sphere 4 pi r2', () => {
    within(bodyArea(cylinder), 2 * Math.PI * 200 * 1000, 0.05);
    within(bodyArea(cone), Math.PI * 300 * 500, 0.05);
    within(bodyArea(sphere), 4 * Math.PI * 100 ** 2, 0.5);
  });
  test('of a long spheroid: 2 pi b2 (1 + a/(b e) asin e)', () => {
    const [a, b] = [300, 100];
    const e = Math.sqrt(1 - (b / a) ** 2);
    const spheroid = round(2 * a, (x) => b * Math.sqrt(Math.max(0, 1 - ((x - a) / a) ** 2)), 40);
    within(bodyArea(spheroid), 2 * Math.PI * b * b * (1 + (a / (b * e)) * Math.asin(e)), 0.5);
  });
  test('a very boxy section is nearly the box', () => {
    const box = body([
      { x: 0, width: 100, height: 60, n: 60 },
      { x: 500, width: 100, height: 60, n: 60 },
    ]);
    within(bodyArea(box), 2 * (100 + 60) * 500, 1.5);
  });
  test('of a plate both faces; dihedral lengthens it; a taper is the mean chord', () => {
    const plate: Lifting = {
      root: { x: 0, chord: 2000, thickness: 0 },
      tip: { x: 300, chord: 1000, thickness: 0 },
      semispan: 5000,
      dihedralDeg: 0,
      side: 1,
      y: 0,
      z: 0,
      upright: false,
    };
    within(liftingArea(plate), 2 * 1500 * 5000, 0.001);
    within(liftingArea({ ...plate, dihedralDeg: 30 }), (2 * 1500 * 5000) / Math.cos(Math.PI / 6), 0.2);
    // The arc of a parabola over its chord, by its own closed form.
    const h = 4 * 0.5 * 0.15;
    const arc = (Math.sqrt(1 + h * h) + Math.asinh(h) / h) / 2;
    const even = { x: 0, chord: 1000, thickness: 0.15 };
    within(liftingArea({ ...plate, root: even, tip: even }), 2 * 1000 * arc * 5000, 0.05);
  });
});

describe('places on a body', () => {
  test('spine, starboard, keel and port', () => {
    const at = (girth: number) => bodyPoint(body([{ width: 4, height: 2, z: 1 }]), 0, girth).map((v) => v + 0);
    [
      [0, 0, 2],
      [90, 2, 1],
      [180, 0, 0],
      [270, -2, 1],
    ].forEach(([girth, y, z]) => {
      expect(at(girth!)[1]).toBeCloseTo(y!, 9);
      expect(at(girth!)[2]).toBeCloseTo(z!, 9);
    });
  });
  test('a height and a breadth are found again on any section', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.2, max: 8, noNaN: true }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (n, share) => {
          const unit = body([{ width: 2, height: 2, n }]);
          expect(bodyPoint(unit, 0, girthOfHeight(n, share))[2]).toBeCloseTo(share, 6);
          expect(bodyPoint(unit, 0, girthOfBreadth(n, share))[1]).toBeCloseTo(share, 6);
        },
      ),
    );
  });
  test('a true angle is the one seen from the axis', () => {
    const flat = body([{ width: 8, height: 2 }]);
    const [, y, z] = bodyPoint(flat, 0, girthOfAngle(flat, 0, 60));
    expect((Math.atan2(y, z) * 180) / Math.PI).toBeCloseTo(60, 9);
  });
});

describe('unrolled skin', () => {
  test('a quarter of a cylinder is a rectangle', () => {
    const { area, errorPercent, outline, gores } = unroll(cylinder, { x: 100, angleDeg: 0 }, { x: 600, angleDeg: 90 });
    within(area, 500 * 200 * (Math.PI / 2), 0.1);
    expect(errorPercent).toBeLessThan(0.001);
    expect(gores).toBe(1);
    const sides = outline.map(([, v]) => v);
    within(Math.max(...sides) - Math.min(...sides), 200 * (Math.PI / 2), 0.1);
  });
  test('a cone is the sector of a circle, its tip included', () => {
    const whole = unroll(cone, { x: 0, angleDeg: 0 }, { x: 400, angleDeg: 180 });
    within(whole.area, (Math.PI * 300 * 500) / 2, 0.1);
    expect(whole.errorPercent).toBeLessThan(0.001);
    const far = whole.outline.map(([u, v]) => Math.hypot(u - whole.outline[0]![0], v - whole.outline[0]![1]));
    within(Math.max(...far), 500, 0.01);
  });
  test('so it is with many sections between, and from 270 on over the top', () => {
    const many = round(400, (x) => 50 + x / 2, 13);
    const slant = Math.hypot(200, 100);
    const { area, errorPercent } = unroll(many, { x: 100, angleDeg: 270 }, { x: 300, angleDeg: 450 });
    within(area, (Math.PI * (100 + 200) * slant) / 2, 0.1);
    expect(errorPercent).toBeLessThan(0.001);
  });
  test('a ball cannot be laid flat: how much it stretches is said, and into how many gores it is cut', () => {
    const half = unroll(sphere, { x: 20, angleDeg: 0 }, { x: 180, angleDeg: 180 });
    expect(half.errorPercent).toBeGreaterThan(10);
    expect(half.gores).toBeGreaterThan(2);
    const narrow = unroll(sphere, { x: 60, angleDeg: 0 }, { x: 140, angleDeg: 20 });
    expect(narrow.errorPercent).toBeLessThan(2);
    expect(narrow.gores).toBe(1);
  });
});
