import { sectionAt, type Body, type Xyz } from '@/core/outline/body';
import { chordAt, type Lifting } from '@/core/outline/lifting';
import { cross, dot, plus, unit } from '@/core/outline/space';
import type { Point } from '@/core/geometry/polygon';
import { rayOf, type Camera } from './view';

/** Where the ray through a point of a picture first meets a skin: along the ray the skin is where its equation changes sign. */

export type Skin = { id: string; kind: 'body'; body: Body } | { id: string; kind: 'surface'; of: Lifting };

export interface Met {
  xyz: Xyz;
  on: string;
  face: 'skin' | 'upper' | 'lower';
  /** Station and angle on a body (0 top, 90 starboard), shares of semispan and chord on a surface. */
  coords: Point;
  /** The longer half axis of what the given px make of the place on the skin, mm. */
  sdMm: number;
  /** Between ray and skin. */
  grazingDeg: number;
  /** The way that the skin looks there, of length 1. */
  normal: Xyz;
}

/** A skin is looked for in so many even steps of the way through each stretch of it. */
const STEPS = 96;
const HALVINGS = 80;

interface Crossing {
  far: number;
  face: Met['face'];
  skin: Skin;
  /** What is nought on the skin. */
  off: (at: Xyz) => number;
}

/** Null where it meets nothing. `isThere` tells of a place whether the skin goes that far: a tip may be rounded, and glass let in. */
export function meetSkin(
  camera: Camera,
  skins: readonly Skin[],
  point: Point,
  sdPx: number,
  isThere: (skin: Skin, face: Met['face'], coords: Point) => boolean = () => true,
): Met | null {
  const { centre } = camera;
  const way = rayOf(camera, point);
  let first: Crossing | null = null;
  for (const skin of skins)
    for (const found of skin.kind === 'body' ? onBody(skin, centre, way) : onSurface(skin, centre, way))
      if ((!first || found.far < first.far) && isThere(skin, found.face, coordsOf(skin, plus(centre, way, found.far))))
        first = found;
  return first && metAt(camera, first, way, point, sdPx);
}

/** Where along the ray a function changes sign between two places, by halving. */
function crossings(of: (far: number) => number, from: number, to: number): number[] {
  const found: number[] = [];
  let [before, value] = [from, of(from)];
  for (let i = 1; i <= STEPS; i += 1) {
    const at = from + (i / STEPS) * (to - from);
    const now = of(at);
    if (Number.isFinite(now) && Number.isFinite(value) && now > 0 !== value > 0) {
      let [low, high] = [before, at];
      for (let k = 0; k < HALVINGS; k += 1) {
        const middle = (low + high) / 2;
        if (of(middle) > 0 === value > 0) low = middle;
        else high = middle;
      }
      found.push((low + high) / 2);
    }
    [before, value] = [at, now];
  }
  return found;
}

/** How far along a ray one of its coordinates lies between two values, ahead of the camera; null where it never does. */
function between(start: number, way: number, low: number, high: number): [number, number] | null {
  if (Math.abs(way) < 1e-15) return start >= low && start <= high ? [0, Infinity] : null;
  const [a, b] = [(low - start) / way, (high - start) / way];
  const range: [number, number] = [Math.max(0, Math.min(a, b)), Math.max(a, b)];
  return range[1] > range[0] ? range : null;
}

const common = (...ranges: ([number, number] | null)[]): [number, number] | null => {
  if (ranges.includes(null)) return null;
  const all = ranges as [number, number][];
  const range: [number, number] = [Math.max(...all.map(([from]) => from)), Math.min(...all.map(([, to]) => to))];
  return range[1] > range[0] && Number.isFinite(range[1]) ? range : null;
};

/** 0 on the skin, above 0 outside: the superellipse of the section there, as a length ratio. */
function offBody(body: Body, [x, y, z]: Xyz): number {
  const { width, height, z: middle, n } = sectionAt(body, x);
  const [across, up] = [Math.abs(y - body.y), Math.abs(z - middle)];
  const [half, tall] = [width / 2, height / 2];
  if (half <= 0 || tall <= 0) return across <= half && up <= tall ? 0 : Infinity;
  return ((across / half) ** n + (up / tall) ** n) ** (1 / n) - 1;
}

function* onBody(skin: Extract<Skin, { kind: 'body' }>, centre: Xyz, way: Xyz): Generator<Crossing> {
  const { body } = skin;
  const { sections } = body;
  const off = (at: Xyz) => offBody(body, at);
  for (let i = 1; i < sections.length; i += 1) {
    const [before, after] = [sections[i - 1]!, sections[i]!];
    const half = Math.max(before.width, after.width) / 2;
    const [low, high] = [before, after].map(({ z, height }) => [z - height / 2, z + height / 2] as const);
    const range = common(
      between(centre[0], way[0], before.x, after.x),
      between(centre[1], way[1], body.y - half, body.y + half),
      between(centre[2], way[2], Math.min(low![0], high![0]), Math.max(low![1], high![1])),
    );
    if (!range) continue;
    // A little beyond, so that what it meets at the border of the box is met.
    const room = 1e-6 * (range[1] - range[0]);
    for (const far of crossings((t) => off(plus(centre, way, t)), range[0] - room, range[1] + room)) {
      const [x] = plus(centre, way, far);
      if (far > 0 && x >= sections[0]!.x - room && x <= sections.at(-1)!.x + room)
        yield { far, face: 'skin', skin, off };
    }
  }
}

/** Shares of semispan and chord over which a place lies, and how far off the middle of the wing, up or to starboard. */
function overSurface(of: Lifting, [x, y, z]: Xyz): { s: number; t: number; off: number; half: number } {
  const out = of.side * (of.upright ? z - of.z : y - of.y);
  const s = out / of.semispan;
  const { x: front, chord, thickness } = chordAt(of, s);
  const t = chord > 0 ? (x - front) / chord : Number.NaN;
  const middle = of.upright ? of.y : of.z + out * Math.tan((of.dihedralDeg * Math.PI) / 180);
  return { s, t, off: (of.upright ? y : z) - middle, half: 2 * thickness * chord * Math.max(0, t * (1 - t)) };
}

function* onSurface(skin: Extract<Skin, { kind: 'surface' }>, centre: Xyz, way: Xyz): Generator<Crossing> {
  const { of } = skin;
  const k = of.upright ? 2 : 1;
  const root = of.upright ? of.z : of.y;
  const tip = root + of.side * of.semispan;
  const front = Math.min(of.root.x, of.tip.x);
  const back = Math.max(of.root.x + of.root.chord, of.tip.x + of.tip.chord);
  const thick = Math.max(of.root.thickness * of.root.chord, of.tip.thickness * of.tip.chord) / 2;
  const rise = of.upright ? 0 : of.semispan * Math.tan((of.dihedralDeg * Math.PI) / 180);
  const level = of.upright ? of.y : of.z;
  const range = common(
    between(centre[k]!, way[k]!, Math.min(root, tip), Math.max(root, tip)),
    between(centre[0], way[0], front, back),
    between(
      centre[3 - k]!,
      way[3 - k]!,
      level + Math.min(0, rise) - thick - 1e-6,
      level + Math.max(0, rise) + thick + 1e-6,
    ),
  );
  if (!range) return;
  const room = 1e-6 * (range[1] - range[0]) + 1e-9;
  for (const face of [1, -1] as const) {
    const off = (at: Xyz) => {
      const over = overSurface(of, at);
      return over.off - face * over.half;
    };
    for (const far of crossings((t) => off(plus(centre, way, t)), range[0] - room, range[1] + room)) {
      const { s, t } = overSurface(of, plus(centre, way, far));
      if (far <= 0 || !(s >= -1e-9 && s <= 1 + 1e-9 && t >= -1e-9 && t <= 1 + 1e-9)) continue;
      // A plate has both faces at one place: the one is met that looks at the camera.
      const isPlate = of.root.thickness === 0 && of.tip.thickness === 0;
      if (isPlate && face !== (off(centre) > 0 ? 1 : -1)) continue;
      yield { far, face: face === 1 ? 'upper' : 'lower', skin, off };
    }
  }
}

/** A step for slopes, as a share of how far away it is. */
const NEAR = 1e-6;

function metAt(camera: Camera, { far, face, skin, off }: Crossing, way: Xyz, point: Point, sdPx: number): Met {
  const xyz = plus(camera.centre, way, far);
  const step = NEAR * far;
  const slope = [0, 1, 2].map((k) => {
    const by = [0, 0, 0].map((_, i) => (i === k ? step : 0)) as unknown as Xyz;
    const [up, down] = [off(plus(xyz, by)), off(plus(xyz, by, -1))];
    // At the end of a skin only one side has any.
    const here = off(xyz);
    return Number.isFinite(up) ? (Number.isFinite(down) ? up - down : 2 * (up - here)) : 2 * (here - down);
  }) as unknown as Xyz;
  const length = Math.hypot(...slope);
  const normal: Xyz = length > 0 && Number.isFinite(length) ? unit(slope) : [-way[0], -way[1], -way[2]];
  const sine = Math.abs(dot(normal, way));
  const moved = ([u, v]: Point): Xyz => {
    const [one, other] = [rayOf(camera, [point[0] + u, point[1] + v]), rayOf(camera, [point[0] - u, point[1] - v])];
    const turn: Xyz = [0, 1, 2].map((k) => (one[k]! - other[k]!) / (2 * (u + v))) as unknown as Xyz;
    // On the skin: along the ray as far as brings it back to the tangent plane.
    return plus(turn, way, -dot(normal, turn) / dot(normal, way)).map((value) => value * far) as unknown as Xyz;
  };
  const [a, b] = [moved([0.01, 0]), moved([0, 0.01])];
  const [aa, bb] = [dot(a, a), dot(b, b)];
  const across = Math.hypot(...cross(a, b));
  const longest = Math.sqrt((aa + bb + Math.sqrt(Math.max(0, (aa + bb) ** 2 - 4 * across ** 2))) / 2);
  return {
    xyz,
    on: skin.id,
    face,
    coords: coordsOf(skin, xyz),
    sdMm: Number.isFinite(longest) ? sdPx * longest : Number.MAX_SAFE_INTEGER,
    grazingDeg: (Math.asin(Math.min(1, sine)) * 180) / Math.PI,
    normal,
  };
}

function coordsOf(skin: Skin, xyz: Xyz): Point {
  if (skin.kind === 'surface') {
    const { s, t } = overSurface(skin.of, xyz);
    return [s, t];
  }
  const { z } = sectionAt(skin.body, xyz[0]);
  const angle = (Math.atan2(xyz[1] - skin.body.y, xyz[2] - z) * 180) / Math.PI;
  return [xyz[0], (angle + 360) % 360];
}
