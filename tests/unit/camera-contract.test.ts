import { describe, expect, test } from '@jest/globals';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import { ContractFaults } from '@/core/interchange/contracts/contract';
import type { FoundCamera } from '@/core/skin/camera/find-camera';
import { project, rayOf, turnBetween, type Camera } from '@/core/skin/camera/view';
import type { Xyz } from '@/core/outline/body';
import { unit } from '@/core/outline/space';
import { lookingAt } from '@tests/support/cameras';
import { even, normal } from '@tests/support/photographed';

/** What `camera` owes every picture: the camera that took it, what cannot be told of it, and which places are off. */

const PICTURE = { width: 1600, height: 1100 };
const SPAN = 10_400;
/** Places of a machine that a builder would find in a picture, mm. */
const PLACES: Readonly<Record<string, Xyz>> = {
  nose: [0, 0, 0],
  spinner: [-300, 0, 0],
  'port tip': [3200, -5200, 300],
  'starboard tip': [3200, 5200, 300],
  'port tail tip': [7800, -2000, 900],
  'starboard tail tip': [7800, 2000, 900],
  'fin top': [8600, 0, 2300],
  'port root': [2500, -500, 100],
  'starboard root': [2500, 500, 100],
  'canopy front': [2600, 0, 900],
  'canopy top': [3300, 0, 1300],
  'canopy back': [4300, 0, 1000],
  'port wheel': [2400, -1500, -1400],
  'starboard wheel': [2400, 1500, -1400],
  hook: [8300, 0, -300],
  intake: [1200, 0, -700],
};
const NAMES = Object.keys(PLACES);

interface Given {
  id: string;
  at: readonly [number, number];
  xyz: Xyz;
}

/** All round the machine, 1.2 to 20 spans away, with lenses of 0.6 to 5 widths. */
function anyCamera(run: number): Camera {
  const way = unit([normal(run, 0), normal(run, 2), normal(run, 4)]);
  const distance = SPAN * 1.2 * (20 / 1.2) ** even(run, 6);
  const aim: Xyz = [3500 + 400 * (even(run, 7) - 0.5), 400 * (even(run, 8) - 0.5), 200];
  const centre: Xyz = [aim[0] + distance * way[0], aim[1] + distance * way[1], aim[2] + distance * way[2]];
  return lookingAt(centre, aim, {
    up: [0, 0.2 * (even(run, 9) - 0.5), 1],
    focalPx: PICTURE.width * 0.6 * (5 / 0.6) ** even(run, 10),
  });
}

/** So many places, others each time. */
const seenBy = (camera: Camera, run: number, count: number): Given[] =>
  NAMES.map((id, i) => ({ id, order: (even(run, 11) + i * 0.381966) % 1 }))
    .sort((a, b) => a.order - b.order)
    .slice(0, count)
    .map(({ id }) => ({ id, xyz: PLACES[id]!, at: project(camera, PLACES[id]!)! }));

const noisy = (points: readonly Given[], run: number): Given[] =>
  points.map((point, i) => ({
    ...point,
    at: [point.at[0] + normal(97 * run + 3 * i, 0), point.at[1] + normal(97 * run + 3 * i, 2)],
  }));

const find = (points: readonly Given[], more: object = {}): FoundCamera =>
  CONTRACTS.camera.run({ picture: PICTURE, points, ...more }) as FoundCamera;
const rmsOf = (camera: Camera, points: readonly Given[]) =>
  Math.sqrt(
    points.reduce((sum, { at, xyz }) => {
      const [u, v] = project(camera, xyz)!;
      return sum + (at[0] - u) ** 2 + (at[1] - v) ** 2;
    }, 0) / points.length,
  );

const RUNS = Array.from({ length: 40 }, (_, run) => run);
const countOf = (run: number) => 6 + (run % 10);

describe('random cameras all round the machine', () => {
  test('exact places give the camera back, whichever it was', () => {
    const wrong = RUNS.filter((run) => {
      const camera = anyCamera(run);
      const found = find(seenBy(camera, run, countOf(run)));
      const distance = Math.hypot(...camera.centre);
      const off = Math.hypot(...camera.centre.map((value, k) => found.centre[k]! - value));
      return found.outliers.length > 0 || found.rmsPx > 1e-6 || off > 1e-6 * distance;
    });
    expect(wrong).toEqual([]);
  });
  test('with a px of noise no camera fits better than the one that is found: that which was there least of all', () => {
    const worse = RUNS.filter((run) => {
      const camera = anyCamera(run);
      const points = noisy(seenBy(camera, run, countOf(run)), run);
      const found = find(points);
      return found.outliers.length > 0 || found.rmsPx > rmsOf(camera, points) * (1 + 1e-9);
    });
    expect(worse).toEqual([]);
  });
  test('what it says of how sure it is holds: most lenses lie within it, almost all within three times', () => {
    const shares = RUNS.map((run) => {
      const camera = anyCamera(run);
      const found = find(noisy(seenBy(camera, run, 12), run));
      return Math.abs(Math.log(found.focalPx / camera.focalPx)) / (found.sd.focalPx / found.focalPx);
    });
    const within = (times: number) => shares.filter((share) => share < times).length / shares.length;
    expect(within(1)).toBeGreaterThan(0.5);
    expect(within(3)).toBeGreaterThan(0.93);
  });
  test('one place that is 40 px or more off is named, and no other', () => {
    const missed = RUNS.filter((run) => {
      const points = noisy(seenBy(anyCamera(run), run, 10), run);
      const i = run % points.length;
      const [way, far] = [2 * Math.PI * even(run, 3), 40 + 100 * even(run, 5)];
      const { at } = points[i]!;
      const wrong = points.map((point, k) =>
        k === i ? { ...point, at: [at[0] + far * Math.cos(way), at[1] + far * Math.sin(way)] as const } : point,
      );
      return find(wrong).outliers.join() !== points[i]!.id;
    });
    expect(missed.length).toBeLessThanOrEqual(RUNS.length * 0.03);
  });
  test('four places are enough where the lens is known', () => {
    for (const run of RUNS.slice(0, 20)) {
      const camera = anyCamera(run);
      const ids = ['nose', 'port tip', 'starboard tail tip', 'fin top', 'starboard wheel'];
      const points = ids.map((id) => ({ id, xyz: PLACES[id]!, at: project(camera, PLACES[id]!)! }));
      const found = find(points, { known: { focalPx: camera.focalPx } });
      expect([run, turnBetween(found.rotation, camera.rotation) < 1e-4]).toEqual([run, true]);
      expect(find(points.slice(0, 4), { known: { focalPx: camera.focalPx } }).rmsPx).toBeLessThan(1e-6);
    }
  });
});

describe('a lens and a crop of its own', () => {
  const camera = lookingAt([-9000, -9000, -2500], [3500, 0, 200], { focalPx: 1900 });
  const bent: Camera = { ...camera, principal: [830, 520], k1: -0.18 };
  const points = NAMES.map((id) => ({ id, xyz: PLACES[id]!, at: project(bent, PLACES[id]!)! }));

  test('are found where they are set free', () => {
    const found = find(points, { free: ['principal', 'k1'] });
    expect(found.rmsPx).toBeLessThan(1e-6);
    expect(found.k1).toBeCloseTo(bent.k1, 6);
    expect(found.principal[0]).toBeCloseTo(830, 3);
    expect(found.focalPx).toBeCloseTo(1900, 3);
  });
  test('are taken as told', () => {
    const found = find(points, { known: { principal: [830, 520], k1: -0.18 } });
    expect(found.rmsPx).toBeLessThan(1e-6);
    expect(found.focalPx).toBeCloseTo(1900, 3);
  });
  test('a point of the picture looks back the way that its place is seen', () => {
    for (const { xyz, at } of points) {
      const way = rayOf(bent, at);
      const to = unit([xyz[0] - bent.centre[0], xyz[1] - bent.centre[1], xyz[2] - bent.centre[2]]);
      way.forEach((value, k) => expect(value).toBeCloseTo(to[k]!, 9));
    }
  });
});

describe('what cannot be told is said', () => {
  test('square on to places in one plane: focal length or distance', () => {
    const camera = lookingAt([4000, -60_000, 0], [4000, 0, 0], { focalPx: 3000 });
    const flat = [
      [0, 0],
      [8000, 0],
      [8000, 2300],
      [2600, 900],
      [4300, 1000],
      [2400, -1400],
      [1200, -700],
    ].map(([x, z], i) => {
      const xyz: Xyz = [x!, 0, z!];
      return { id: `p${i}`, xyz, at: project(camera, xyz)! };
    });
    const found = find(flat);
    expect(found.says.join()).toMatch(/Focal length and distance cannot be told apart/);
    expect(found.sd.focalPx).toBeGreaterThan(0.5 * found.focalPx);
    // One of them told, the other follows.
    const told = find(flat, { known: { focalPx: 3000 } });
    expect(told.centre[1] / camera.centre[1]).toBeCloseTo(1, 6);
  });
  test('a print with left and right exchanged', () => {
    const camera = lookingAt([-9000, -12_000, -2500], [3500, 0, 200], { focalPx: 1900 });
    const mirrored = seenBy(camera, 3, 12).map((point) => ({
      ...point,
      at: [PICTURE.width - point.at[0], point.at[1]] as const,
    }));
    expect(find(mirrored).says.join()).toMatch(/mirrored/);
    expect(find(seenBy(camera, 3, 12)).says).toEqual([]);
  });
});

describe('bad input', () => {
  const good = seenBy(anyCamera(1), 1, 8);
  const faultOf = (given: object): string => {
    try {
      CONTRACTS.camera.run({ picture: PICTURE, points: good, ...given });
    } catch (error) {
      if (error instanceof ContractFaults) return error.message;
      throw error;
    }
    return '';
  };
  test.each([
    ['too few places', { points: good.slice(0, 4) }, /at least 5 places/],
    ['two places of one name', { points: [...good, good[0]] }, /is there twice/],
    ['places on one line', { points: good.map((point, i) => ({ ...point, xyz: [1000 * i, 0, 0] })) }, /one line/],
    ['one place ten times over', { points: good.map((point) => ({ ...point, xyz: [5, 5, 5] })) }, /one line/],
    ['far outside of the picture', { points: [...good.slice(1), { ...good[0], at: [20_000, 0] }] }, /outside/],
    ['no number', { points: [...good.slice(1), { ...good[0], at: [Number.NaN, 0] }] }, /must be/],
    ['a picture without a size', { picture: { width: 0, height: 100 } }, /above 0/],
    ['a focal length of nothing', { known: { focalPx: 0 } }, /above 0/],
    ['an unknown field', { lens: 'long' }, /unknown field/],
  ])('%s is refused with its reason', (_, given, reason) => {
    expect(faultOf(given)).toMatch(reason);
  });
});
