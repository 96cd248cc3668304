import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import { bodyPoint, type Xyz } from '@/core/outline/body';
import { liftingPoint } from '@/core/outline/lifting';

/** What `mesh` owes every skin: near enough, turned outwards, without double corners and empty triangles, and of the true area. */

interface Meshed {
  id: string;
  positions: number[];
  triangles: number[];
  areaMm2: number;
}
interface Given {
  bodies?: { id: string; stations: { x: number; width: number; height: number; z?: number; n?: number }[] }[];
  surfaces?: {
    id: string;
    root: { x: number; chord: number; thickness?: number };
    tip: { x: number; chord: number; thickness?: number };
    semispan: number;
    dihedralDeg?: number;
    side?: 1 | -1;
    upright?: boolean;
  }[];
  denominator: number;
  toleranceModelMm?: number;
}
const run = (given: Given) => CONTRACTS.mesh.run(given) as { meshes: Meshed[] };
const areaOf = ({ bodies, surfaces = [], denominator }: Given) =>
  (
    CONTRACTS.area.run({
      bodies,
      surfaces: surfaces.map(({ side: _, upright: __, ...own }) => own),
      denominator,
    }) as { areas: Record<string, { realMm2: number }> }
  ).areas;

const sub = (a: Xyz, b: Xyz): Xyz => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Xyz, b: Xyz) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Xyz, b: Xyz): Xyz => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const plus = (a: Xyz, b: Xyz, t: number): Xyz => [a[0] + t * b[0], a[1] + t * b[1], a[2] + t * b[2]];
const clamp = (t: number) => Math.min(1, Math.max(0, t));

/** Distance of a point from a triangle (Ericson, Real-Time Collision Detection, 2005, 5.1.5, by its parts). */
function toTriangle(p: Xyz, [a, b, c]: readonly [Xyz, Xyz, Xyz]): number {
  const [ab, ac] = [sub(b, a), sub(c, a)];
  const normal = cross(ab, ac);
  const inside = [
    [a, b],
    [b, c],
    [c, a],
  ].every(([from, to]) => dot(cross(sub(to!, from!), sub(p, from!)), normal) >= 0);
  if (inside) return Math.abs(dot(sub(p, a), normal)) / Math.hypot(...normal);
  const toEdge = (from: Xyz, to: Xyz) => {
    const way = sub(to, from);
    return Math.hypot(...sub(p, plus(from, way, clamp(dot(sub(p, from), way) / dot(way, way)))));
  };
  return Math.min(toEdge(a, b), toEdge(b, c), toEdge(c, a));
}

const cornersOf = ({ positions }: Meshed): Xyz[] =>
  Array.from({ length: positions.length / 3 }, (_, i) => positions.slice(3 * i, 3 * i + 3) as unknown as Xyz);
const trianglesOf = (mesh: Meshed) => {
  const corners = cornersOf(mesh);
  return Array.from(
    { length: mesh.triangles.length / 3 },
    (_, i) => mesh.triangles.slice(3 * i, 3 * i + 3).map((k) => corners[k]!) as unknown as readonly [Xyz, Xyz, Xyz],
  );
};
const furthest = (mesh: Meshed, places: readonly Xyz[]): number => {
  const all = trianglesOf(mesh);
  return Math.max(...places.map((place) => Math.min(...all.map((one) => toTriangle(place, one)))));
};

function isSound(mesh: Meshed, areaMm2: number) {
  const corners = cornersOf(mesh);
  expect(new Set(corners.map((at) => at.join())).size).toBe(corners.length);
  for (const [a, b, c] of trianglesOf(mesh)) expect(Math.hypot(...cross(sub(b, a), sub(c, a)))).toBeGreaterThan(0);
  expect(Math.abs(mesh.areaMm2 / areaMm2 - 1)).toBeLessThan(5e-3);
}

const anyBody = fc
  .record({
    sizes: fc.array(
      fc.record({
        width: fc.constantFrom(0, 300, 900, 1400),
        height: fc.constantFrom(0, 250, 900, 1800),
        z: fc.constantFrom(0, 120, -200),
        gap: fc.constantFrom(150, 600, 2500),
      }),
      { minLength: 2, maxLength: 5 },
    ),
    n: fc.constantFrom(2, 2.6, 4, 8),
    other: fc.constantFrom(2, 3),
    same: fc.boolean(),
  })
  .map(({ sizes, n, other, same }) => {
    let x = 0;
    return {
      id: 'body',
      stations: sizes.map(({ width, height, z, gap }, i) => ({
        x: (x += gap),
        width,
        height,
        z,
        n: same || i % 2 === 0 ? n : other,
      })),
    };
  })
  .filter(({ stations }) => stations.some(({ width, height }) => width > 0 && height > 0));

describe('bodies', () => {
  test('lie within the tolerance of their triangles, and keep their area', () => {
    fc.assert(
      fc.property(anyBody, fc.constantFrom(24, 48, 144), fc.nat(1000), (body, denominator, seed) => {
        const given = { bodies: [body], denominator };
        const mesh = run(given).meshes[0]!;
        isSound(mesh, areaOf(given).body!.realMm2);
        const { stations } = body;
        const skin = { y: 0, sections: stations.map((own) => ({ ...own, z: own.z, n: own.n })) };
        const [from, to] = [stations[0]!.x, stations.at(-1)!.x];
        const places = Array.from({ length: 12 }, (_, i) =>
          bodyPoint(skin, from + ((i * 0.381966 + seed * 0.001) % 1) * (to - from), (i * 137.5 + seed) % 360),
        );
        expect(furthest(mesh, places)).toBeLessThanOrEqual(0.05 * denominator);
      }),
      { numRuns: 10, seed: 29 },
    );
  });
  test('have their triangles turned outwards', () => {
    const sphere = (k: number) => Math.sqrt(Math.max(0, 1 - (k / 20 - 1) ** 2)) * 1000;
    const stations = Array.from({ length: 41 }, (_, k) => ({ x: k * 25, width: sphere(k), height: sphere(k) }));
    const mesh = run({ bodies: [{ id: 'ball', stations }], denominator: 48 }).meshes[0]!;
    for (const [a, b, c] of trianglesOf(mesh)) {
      const middle: Xyz = [(a[0] + b[0] + c[0]) / 3 - 500, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3];
      expect(dot(cross(sub(b, a), sub(c, a)), middle)).toBeGreaterThan(0);
    }
    // Closed at both ends: the triangles hold the volume of the ball (Gauss).
    const volume = trianglesOf(mesh).reduce((sum, [a, b, c]) => sum + dot(a, cross(b, c)) / 6, 0);
    expect(volume / ((4 / 3) * Math.PI * 500 ** 3)).toBeCloseTo(1, 1);
  });
  test('a finer tolerance takes more triangles, a cylinder none along it', () => {
    const tube = (length: number) => [0, length].map((x) => ({ x, width: 800, height: 800 }));
    const count = (toleranceModelMm: number, length = 3000) =>
      run({ bodies: [{ id: 'tube', stations: tube(length) }], denominator: 48, toleranceModelMm }).meshes[0]!.triangles
        .length / 3;
    expect(count(0.005)).toBeGreaterThan(count(0.05));
    expect(count(0.05, 9000)).toBe(count(0.05));
  });
});

describe('wings', () => {
  const anyWing = fc.record({
    id: fc.constant('wing'),
    root: fc.record({
      x: fc.constant(0),
      chord: fc.constantFrom(900, 2400),
      thickness: fc.constantFrom(0, 0.08, 0.16),
    }),
    tip: fc.record({
      x: fc.constantFrom(-300, 0, 1500),
      chord: fc.constantFrom(0, 500, 1800),
      thickness: fc.constantFrom(0, 0.1),
    }),
    semispan: fc.constantFrom(1200, 5600),
    dihedralDeg: fc.constantFrom(-4, 0, 6),
    side: fc.constantFrom(1 as const, -1 as const),
    upright: fc.boolean(),
  });
  test('lie within the tolerance, keep their area, and each face looks away from the other', () => {
    fc.assert(
      fc.property(anyWing, fc.constantFrom(32, 72), fc.nat(1000), (wing, denominator, seed) => {
        const given = { surfaces: [wing], denominator };
        const mesh = run(given).meshes[0]!;
        // A fin has no dihedral.
        const plain = { surfaces: [wing.upright ? { ...wing, dihedralDeg: 0 } : wing], denominator };
        isSound(mesh, areaOf(plain).wing!.realMm2);
        const of = { ...wing, y: 0, z: 0 };
        const places = Array.from({ length: 12 }, (_, i) =>
          liftingPoint(of, i % 2 ? 1 : -1, (i * 0.381966 + seed * 0.001) % 1, (i * 0.723607 + seed * 0.003) % 1),
        );
        expect(furthest(mesh, places)).toBeLessThanOrEqual(0.05 * denominator);
        const up = trianglesOf(mesh).reduce<Xyz>(
          (sum, [a, b, c]) => plus(sum, cross(sub(b, a), sub(c, a)), 1),
          [0, 0, 0],
        );
        // What the faces look at adds up to nothing but the open ends at root and tip.
        expect(Math.abs(up[wing.upright ? 1 : 2])).toBeLessThan(1e-6 * mesh.areaMm2 + 1e-3);
      }),
      { numRuns: 25, seed: 30 },
    );
  });
  test('the upper face looks up, the port and the starboard wing alike', () => {
    for (const side of [1, -1] as const) {
      const wing = {
        id: 'w',
        root: { x: 0, chord: 2000, thickness: 0.12 },
        tip: { x: 300, chord: 1000, thickness: 0.1 },
        semispan: 5000,
        side,
      };
      const mesh = run({ surfaces: [wing], denominator: 48 }).meshes[0]!;
      for (const [a, b, c] of trianglesOf(mesh)) {
        const z = (a[2] + b[2] + c[2]) / 3;
        if (Math.abs(z) > 5) expect(Math.sign(cross(sub(b, a), sub(c, a))[2])).toBe(Math.sign(z));
      }
    }
  });
});

test('five bodies of 41 stations and six surfaces take fewer than 40,000 triangles', () => {
  const body = (id: string) => ({
    id,
    stations: Array.from({ length: 41 }, (_, k) => {
      const size = 200 + 1200 * Math.sin((Math.PI * (k + 1)) / 42);
      return { x: 220 * k, width: size, height: 1.2 * size, z: 40 * Math.sin(k / 6), n: 2.4 };
    }),
  });
  const wing = (id: string) => ({
    id,
    root: { x: 0, chord: 2200, thickness: 0.14 },
    tip: { x: 400, chord: 1100, thickness: 0.1 },
    semispan: 5500,
    dihedralDeg: 5,
  });
  const { meshes } = run({
    bodies: ['a', 'b', 'c', 'd', 'e'].map(body),
    surfaces: ['f', 'g', 'h', 'i', 'j', 'k'].map(wing),
    denominator: 48,
  });
  expect(meshes.reduce((sum, { triangles }) => sum + triangles.length / 3, 0)).toBeLessThan(40_000);
});

test.each([
  ['nothing', { denominator: 48 }, /neither a body nor a surface/],
  [
    'two of one name',
    {
      bodies: [1, 2].map(() => ({
        id: 'a',
        stations: [
          { x: 0, width: 1, height: 1 },
          { x: 1, width: 1, height: 1 },
        ],
      })),
      denominator: 48,
    },
    /twice/,
  ],
  [
    'a tolerance of 0',
    {
      bodies: [
        {
          id: 'a',
          stations: [
            { x: 0, width: 1, height: 1 },
            { x: 1, width: 1, height: 1 },
          ],
        },
      ],
      denominator: 48,
      toleranceModelMm: 0,
    },
    /at least/,
  ],
  [
    'no size',
    {
      bodies: [
        {
          id: 'a',
          stations: [
            { x: 0, width: 0, height: 0 },
            { x: 1, width: 0, height: 0 },
          ],
        },
      ],
      denominator: 48,
    },
    /no station has a size/,
  ],
])('%s is refused with a sentence', (_, given, says) => expect(() => run(given as Given)).toThrow(says));
