import { describe, expect, test } from '@jest/globals';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import { ContractFaults } from '@/core/interchange/contracts/contract';
import { project, rayOf, type Camera } from '@/core/skin/camera/view';
import { halton } from '@/core/geometry/polygon';
import type { Xyz } from '@/core/outline/body';
import { dot, unit } from '@/core/outline/space';
import { lookingAt } from '@tests/support/cameras';

/** What `lift` owes every line that was drawn on a picture: the first place of the skin that each point shows. */

interface Place {
  xyz: Xyz;
  on: string;
  face: string;
  coords: [number, number];
  sdMm: number;
  grazingDeg: number;
}
interface Lifted {
  lines: { id: string; points: (Place | null)[]; lengthMm: number | null; lengthModelMm: number | null }[];
}

/** Of a picture of 1600 by 1000. */
const MIDDLE = [800, 500] as const;
const CYLINDER = { id: 'tube', stations: [0, 8000].map((x) => ({ x, width: 1200, height: 1200 })) };
const CONE = {
  id: 'cone',
  stations: [
    { x: 0, width: 0, height: 0 },
    { x: 5000, width: 2000, height: 2000 },
  ],
};
const PLATE = { id: 'plate', root: { x: 1000, chord: 2000 }, tip: { x: 1500, chord: 1000 }, semispan: 5000 };
const WING = {
  id: 'wing',
  root: { x: 2000, chord: 2200, thickness: 0.14 },
  tip: { x: 2600, chord: 1100, thickness: 0.1 },
  semispan: 5000,
  dihedralDeg: 5,
};
const lift = (camera: Camera, points: readonly (readonly [number, number])[], more: object): Lifted =>
  CONTRACTS.lift.run({ camera, denominator: 48, lines: [{ id: 'one', points }], ...more }) as Lifted;
const pointsOf = (lifted: Lifted) => lifted.lines[0]!.points;

/** Evenly over the middle of the picture. */
const GRID = Array.from({ length: 240 }, (_, i) => [1600 * halton(i + 1, 2), 1000 * halton(i + 1, 3)] as const);
const EYES: Xyz[] = [
  [-6000, -9000, 4000],
  [3000, -12_000, 300],
  [12_000, 7000, -5000],
];

describe('where a closed form tells it', () => {
  test.each(EYES)('a cylinder, from %d, %d, %d', (...eye) => {
    const camera = lookingAt(eye, [4000, 0, 0], { focalPx: 1500, k1: -0.08, principal: MIDDLE });
    const found = pointsOf(lift(camera, GRID, { bodies: [CYLINDER] }));
    let met = 0;
    GRID.forEach((at, i) => {
      const way = rayOf(camera, at);
      // (y + t wy)2 + (z + t wz)2 = r2: where it comes in, and where it goes out.
      const [a, b] = [way[1] ** 2 + way[2] ** 2, eye[1] * way[1] + eye[2] * way[2]];
      const under = b * b - a * (eye[1] ** 2 + eye[2] ** 2 - 600 ** 2);
      const ways = under > 0 ? [-1, 1].map((sign) => (-b + sign * Math.sqrt(under)) / a) : [];
      const far = ways.find((t) => t > 0 && eye[0] + t * way[0] >= 0 && eye[0] + t * way[0] <= 8000);
      if (far === undefined) return expect(found[i]).toBeNull();
      met += 1;
      const place = found[i]!;
      place.xyz.forEach((value, k) => expect(value).toBeCloseTo(eye[k]! + far * way[k]!, 3));
      expect(place.coords[0]).toBeCloseTo(place.xyz[0], 9);
      const angle = (Math.atan2(place.xyz[1], place.xyz[2]) * 180) / Math.PI;
      expect(place.coords[1]).toBeCloseTo((angle + 360) % 360, 9);
      const outward = unit([0, place.xyz[1], place.xyz[2]]);
      expect(place.grazingDeg).toBeCloseTo((Math.asin(Math.abs(dot(outward, way))) * 180) / Math.PI, 2);
      return undefined;
    });
    expect(met).toBeGreaterThan(5);
  });
  test.each(EYES)('a cone, from %d, %d, %d', (...eye) => {
    const camera = lookingAt(eye, [3500, 0, 0], { focalPx: 3000, principal: MIDDLE });
    const found = pointsOf(lift(camera, GRID, { bodies: [CONE] })).filter((place) => place !== null);
    expect(found.length).toBeGreaterThan(3);
    for (const { xyz } of found) expect(Math.hypot(xyz[1], xyz[2])).toBeCloseTo(xyz[0] / 5, 3);
  });
  test('a plate: its plane, the face that looks at the camera, shares of span and chord', () => {
    for (const z of [6000, -6000]) {
      const camera = lookingAt([-3000, 8000, z], [1800, 2500, 0], { focalPx: 1500, principal: MIDDLE });
      const found = pointsOf(lift(camera, GRID, { surfaces: [PLATE] }));
      GRID.forEach((at, i) => {
        const way = rayOf(camera, at);
        const far = -camera.centre[2] / way[2];
        const [x, y] = [camera.centre[0] + far * way[0], camera.centre[1] + far * way[1]];
        const s = y / 5000;
        const t = (x - 1000 - 500 * s) / (2000 - 1000 * s);
        if (far <= 0 || s < 0 || s > 1 || t < 0 || t > 1) return expect(found[i]).toBeNull();
        const place = found[i]!;
        expect(place.face).toBe(z > 0 ? 'upper' : 'lower');
        expect(place.xyz[0]).toBeCloseTo(x, 3);
        expect(place.coords[0]).toBeCloseTo(s, 8);
        expect(place.coords[1]).toBeCloseTo(t, 8);
        return undefined;
      });
    }
  });
});

describe('any machine', () => {
  const skins = { bodies: [CYLINDER], surfaces: [WING, { ...WING, id: 'port wing', side: -1 }] };
  const camera = lookingAt([-6000, -3000, -6500], [3300, 0, 0], { focalPx: 1300, k1: -0.05, principal: MIDDLE });
  const found = pointsOf(lift(camera, GRID, skins));
  const met = found.flatMap((place, i) => (place ? [{ place, at: GRID[i]! }] : []));

  test('a place is seen again where it was drawn', () => {
    expect(met.length).toBeGreaterThan(15);
    for (const { place, at } of met) {
      const [u, v] = project(camera, place.xyz)!;
      expect(Math.hypot(u - at[0], v - at[1])).toBeLessThan(1e-6);
    }
  });
  test('nothing of the skin lies before it', () => {
    for (const one of [{ bodies: [CYLINDER] }, { surfaces: [WING] }, { surfaces: [{ ...WING, side: -1 }] }]) {
      const alone = pointsOf(lift(camera, GRID, one));
      alone.forEach((place, i) => {
        if (!place) return;
        const far = (xyz: Xyz) => Math.hypot(...xyz.map((value, k) => value - camera.centre[k]!));
        expect(far(found[i]!.xyz)).toBeLessThanOrEqual(far(place.xyz) + 1e-6);
      });
    }
  });
  test('from below a wing shows its lower face', () => {
    const faces = new Set(met.flatMap(({ place }) => (place.on === 'wing' ? [place.face] : [])));
    expect([...faces]).toEqual(['lower']);
  });
  test('how far a place may be off: as far as it moves for so many px, more where the skin is grazed', () => {
    for (const { place, at } of met.slice(0, 12)) {
      const moved = Array.from({ length: 16 }, (_, k) => {
        const way = (2 * Math.PI * k) / 16;
        const [beside] = pointsOf(lift(camera, [[at[0] + 0.01 * Math.cos(way), at[1] + 0.01 * Math.sin(way)]], skins));
        return beside ? Math.hypot(...beside.xyz.map((value, i) => value - place.xyz[i]!)) / 0.01 : 0;
      });
      expect(Math.max(...moved) / place.sdMm).toBeGreaterThan(0.9);
      expect(Math.max(...moved) / place.sdMm).toBeLessThan(1.1);
    }
    const byGrazing = [...met].sort((a, b) => a.place.grazingDeg - b.place.grazingDeg);
    expect(byGrazing[0]!.place.sdMm).toBeGreaterThan(byGrazing.at(-1)!.place.sdMm);
  });
});

describe('a line', () => {
  const camera = lookingAt([4000, -12_000, 0], [4000, 0, 0], { principal: MIDDLE });
  test('is as long as the places that it goes through lie apart, and at scale', () => {
    const ends = ([2000, 6000] as const).map((x) => project(camera, [x, -600, 0])!);
    const { lengthMm, lengthModelMm } = lift(camera, ends, { bodies: [CYLINDER] }).lines[0]!;
    expect(lengthMm).toBeCloseTo(4000, 3);
    expect(lengthModelMm).toBeCloseTo(4000 / 48, 5);
  });
  test('that leaves the skin has no length', () => {
    const [line] = lift(camera, [project(camera, [4000, -600, 0])!, [800, -40_000]], { bodies: [CYLINDER] }).lines;
    expect(line!.points[1]).toBeNull();
    expect([line!.lengthMm, line!.lengthModelMm]).toEqual([null, null]);
  });
});

describe('bad input', () => {
  const camera = lookingAt([4000, -12_000, 0], [4000, 0, 0], { principal: MIDDLE });
  test.each([
    [
      'a rotation that is none',
      {
        camera: {
          ...camera,
          rotation: [
            [1, 0, 0],
            [0, 1, 0],
            [0, 1, 0],
          ],
        },
      },
      /no rotation/,
    ],
    ['nothing to meet', { bodies: [] }, /neither a body nor a surface/],
    ['a line without points', { lines: [{ id: 'a', points: [] }] }, /no point/],
    ['a focal length of nothing', { camera: { ...camera, focalPx: 0 } }, /above 0/],
  ])('%s is refused with its reason', (_, given, reason) => {
    const run = () =>
      CONTRACTS.lift.run({
        camera,
        bodies: [CYLINDER],
        denominator: 48,
        lines: [{ id: 'a', points: [[1, 2]] }],
        ...given,
      });
    expect(run).toThrow(ContractFaults);
    expect(run).toThrow(reason);
  });
});
