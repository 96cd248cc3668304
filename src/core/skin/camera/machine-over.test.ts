import { describe, expect, test } from '@jest/globals';
import { halton, type Point } from '@/core/geometry/polygon';
import { planeOn, turned } from '@/core/markings/placing';
import type { Pixels } from '@/core/markings/traced';
import type { Xyz } from '@/core/outline/body';
import { times } from '@/core/outline/space';
import { clicked, photographed, PICTURE, portLine, type Photographed } from '@tests/support/photographed';
import { MachineOver } from './machine-over';
import type { StraightOn } from './straight-on';
import { project } from './view';

/** A dark print with bright spots of some px where it shows places. */
function printOf({ camera }: Photographed, places: readonly Xyz[], isMirrored = false): Pixels {
  const { width, height } = PICTURE;
  const data = new Uint8ClampedArray(4 * width * height).fill(255);
  for (let i = 0; i < data.length; i += 4) data.fill(20, i, i + 3);
  for (const place of places) {
    const [u, v] = project(camera, place)!;
    for (let row = Math.floor(v) - 3; row <= v + 3; row += 1)
      for (let column = Math.floor(u) - 3; column <= u + 3; column += 1) {
        const at = 4 * (row * width + (isMirrored ? width - 1 - column : column));
        data.fill(240, at, at + 3);
      }
  }
  return { width, height, data };
}

/** The middles of the bright spots, from left to right, px. */
function spotsIn({ width, data }: StraightOn): Point[] {
  const bright: Point[] = [];
  for (let i = 0; i < data.length; i += 4)
    if (data[i]! > 130) bright.push([(i / 4) % width, Math.floor(i / 4 / width)]);
  // They lie side by side: between two of them there is a stretch without any.
  const spots: Point[][] = [];
  for (const at of bright.sort((one, other) => one[0] - other[0])) {
    const last = spots.at(-1);
    if (last && at[0] - last.at(-1)![0] < 10) last.push(at);
    else spots.push([at]);
  }
  return spots.map((spot): Point => {
    const mean = (k: 0 | 1) => spot.reduce((sum, at) => sum + at[k], 0) / spot.length;
    return [mean(0), mean(1)];
  });
}

describe('a piece of a picture laid flat', () => {
  const taken = photographed('single', 2);
  const { outline, kept } = taken;
  const machine = new MachineOver({ spec: outline.spec, denominator: 48 });
  const high = portLine(taken, 1.05, [0.5, 0.7]);
  const low = portLine(taken, 0.8, [0.5, 0.7]);
  const round = clicked(taken, [...high, ...[...low].reverse()], 2, 0)!;
  const places = portLine(taken, 0.95, [0.54, 0.6, 0.66]);

  test('is at true scale: what is a length apart on the side is as far apart on it', () => {
    const flat = machine.straightOn(round, [{ kept, pixels: printOf(taken, places) }])!;
    expect(flat.view).toBe('port');
    expect(flat.shown).toBeGreaterThan(0.6);
    const spots = spotsIn(flat);
    expect(spots).toHaveLength(3);
    for (const [i, j] of [
      [0, 1],
      [1, 2],
      [0, 2],
    ] as const) {
      const far = flat.mmPerPx * Math.hypot(spots[j]![0] - spots[i]![0], spots[j]![1] - spots[i]![1]);
      const real = Math.abs(places[j]![0] - places[i]![0]);
      expect(Math.abs(far - real) / real).toBeLessThan(0.015);
    }
    // On one height above the belly they lie level.
    expect(Math.abs(spots[0]![1] - spots[2]![1]) * flat.mmPerPx).toBeLessThan(15);
  });
  test('of a mirrored print is turned over', () => {
    const turn = ([u, v]: Point): [number, number] => [PICTURE.width - u, v];
    const mirrored = {
      ...kept,
      isMirrored: true,
      points: kept.points.map((one) => ({ ...one, at: turn(one.at) })),
    };
    const [flat, other] = [
      machine.straightOn(round, [{ kept, pixels: printOf(taken, places) }])!,
      machine.straightOn(round.map(turn), [{ kept: mirrored, pixels: printOf(taken, places, true) }])!,
    ];
    expect(spotsIn(other).map(([u]) => Math.round(u / 3))).toEqual(spotsIn(flat).map(([u]) => Math.round(u / 3)));
  });
  test('with what another picture shows of it: what one has is where the other has it, and a picture without a camera adds nothing', () => {
    const other = photographed('single', 7);
    const [own, theirs] = [printOf(taken, places.slice(0, 2)), printOf(other, places.slice(1))];
    const flat = machine.straightOn(round, [
      { kept, pixels: own },
      { kept: other.kept, pixels: theirs },
      { kept: { ...kept, points: [] }, pixels: own },
    ])!;
    expect(flat.pictures).toBe(2);
    const alone = machine.straightOn(round, [{ kept, pixels: printOf(taken, places) }])!;
    const seen = spotsIn({ ...flat, data: flat.data.map((tone) => (tone > 60 ? 255 : 0)) });
    expect(seen).toHaveLength(3);
    spotsIn(alone).forEach((at, i) => {
      expect(Math.hypot(seen[i]![0] - at[0], seen[i]![1] - at[1]) * flat.mmPerPx).toBeLessThan(15);
    });
  });
  test('is none of what lies beside the machine, and none without a camera', () => {
    const beside: Point[] = [
      [-3000, -3000],
      [-2900, -3000],
      [-2900, -2900],
    ];
    const pixels = printOf(taken, places);
    expect(machine.straightOn(beside, [{ kept, pixels }])).toBeNull();
    expect(machine.straightOn(round, [{ kept: { ...kept, points: kept.points.slice(0, 3) }, pixels }])).toBeNull();
  });
});

describe('the lines of a machine over a picture', () => {
  const taken = photographed('single', 2);
  const machine = new MachineOver({ spec: taken.outline.spec, denominator: 48 });
  test('lie on it, as far as nothing hides them', () => {
    const over = machine.over(taken.kept);
    if (over.fault !== null) throw new Error(over.fault);
    const { lines } = over;
    expect(lines.length).toBeGreaterThan(400);
    // Beside a contour there is nothing: one of the places about it lies on the machine.
    const isOnIt = (u: number, v: number) =>
      [-2.5, 0, 2.5].some((du) => [-2.5, 0, 2.5].some((dv) => taken.land(taken.camera, [u + du, v + dv], 1) !== null));
    let off = 0;
    let count = 0;
    for (let i = 0; i < lines.length; i += 4 * 23) {
      count += 1;
      if (!isOnIt((lines[i]! + lines[i + 2]!) / 2, (lines[i + 1]! + lines[i + 3]!) / 2)) off += 1;
    }
    expect(off / count).toBeLessThan(0.05);
  });
  test('of a picture with too few places there are none, and it says how many are wanted', () => {
    expect(machine.over({ ...taken.kept, points: taken.kept.points.slice(0, 4) })).toEqual({
      fault: '2 places more are needed',
      laid: null,
    });
  });
  test('what was traced in one picture is shown in another where it lies on the skin', () => {
    const other = photographed('single', 7);
    const line = portLine(taken, 0.95, [0.5, 0.6]);
    const here = clicked(taken, line, 2, 0)!;
    const there = clicked(other, line, 7, 0);
    expect(there).not.toBeNull();
    const [shown] = machine.elsewhere(other.kept, [
      { id: 'one', label: 'one', camera: taken.kept, tool: 'border', points: here },
    ]);
    const [first, last] = [shown!.lines[0]![0]!, shown!.lines.at(-1)!.at(-1)!];
    expect(Math.hypot(first[0] - there![0]![0], first[1] - there![0]![1])).toBeLessThan(1);
    expect(Math.hypot(last[0] - there![1]![0], last[1] - there![1]![1])).toBeLessThan(1);
  });
});

test('a marking laid flat in its own plane has its corners where they belong, and is as large as it is', () => {
  const taken = photographed('single', 2);
  const machine = new MachineOver({ spec: taken.outline.spec, denominator: 48 });
  const place = { view: 'port', station: 4.4, offset: 0.9, turn: 12, mirrored: false } as const;
  const [wide, high] = [0.8, 0.4];
  const { chart, put } = planeOn(taken.outline, place, 'fuselage-rear-port')!;
  const on = (at: Point): Xyz => times(chart.at(put(turned(place, at))), 1000);
  const corners = [[-wide / 2, -high / 2] as const, [wide / 2, -high / 2] as const, [-wide / 2, high / 2] as const];
  const spots = [...corners, [0, 0] as const, [wide / 4, high / 4] as const];
  const points = clicked(taken, corners.map(on), 2, 0)!;
  const flat = machine.inOwnPlane(points, [{ kept: taken.kept, pixels: printOf(taken, spots.map(on)) }])!;
  expect(flat.width / flat.height).toBeCloseTo(wide / high, 1);
  // The fourth corner, which nobody clicked, is dark; the middle and a quarter of it are bright where they are.
  const bright = ([u, v]: Point) => {
    const column = Math.round((1000 * u) / flat.mmPerPx + flat.width / 2);
    const row = Math.round(flat.height / 2 - (1000 * v) / flat.mmPerPx);
    return flat.data[4 * (row * flat.width + column)]! > 120;
  };
  expect([[0, 0] as const, [wide / 4, high / 4] as const, [-wide / 4, high / 4] as const].map(bright)).toEqual([
    true,
    true,
    false,
  ]);
});

test('the scheme held over a picture has each zone in its colour where the picture shows it', () => {
  const taken = photographed('single', 2);
  const machine = new MachineOver({ spec: taken.outline.spec, denominator: 48 });
  const colours = Object.fromEntries(
    taken.outline.zones.map(({ key }) => [key, key === 'fuselage-rear-port' ? '#c00000' : '#00a000']),
  );
  const held = machine.held(taken.kept, { fields: [], markings: [], colours, inks: {} })!;
  const shrunk = held.width / PICTURE.width;
  let looked = 0;
  for (let i = 0; i < 300; i += 1) {
    const at: Point = [PICTURE.width * halton(i + 1, 2), PICTURE.height * halton(i + 1, 3)];
    const landed = taken.land(taken.camera, at, 1);
    // Near a border, and behind what turns, a point of the picture may be of its neighbour.
    const isInside = [-4, 4].every((by) =>
      [taken.land(taken.camera, [at[0] + by, at[1]], 1), taken.land(taken.camera, [at[0], at[1] + by], 1)].every(
        (near) => near?.zone === landed?.zone,
      ),
    );
    if (!landed?.on || !isInside || landed.zone.startsWith('canopy')) continue;
    const from = 4 * (Math.floor(at[1] * shrunk) * held.width + Math.floor(at[0] * shrunk));
    const [red, green, , opacity] = held.data.slice(from, from + 4) as unknown as [number, number, number, number];
    looked += 1;
    expect(opacity).toBe(255);
    expect(red > green).toBe(landed.zone === 'fuselage-rear-port');
  }
  expect(looked).toBeGreaterThan(10);
});
