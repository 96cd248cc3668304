/** A point in space: x aft of the nose, y to starboard, z up; in the unit of what it lies on. */
export type Xyz = readonly [x: number, y: number, z: number];

/**
 * One section of a body, square to its axis: at `x` a superellipse |y/(width/2)|^n + |(z - centre)/(height/2)|^n = 1 (Lamé 1818), whose centre
 * lies `z` up. n = 2 is an ellipse, larger ones are boxier. Width and height of 0 make a point.
 */
export interface Section {
  x: number;
  width: number;
  height: number;
  z: number;
  n: number;
}

/** A skin through sections of rising x, straight between them; `y` is where its axis lies. */
export interface Body {
  sections: readonly Section[];
  y: number;
}

const RAD = Math.PI / 180;

/** Distance of two points in space. */
export function between(a: Xyz, b: Xyz): number {
  // Math.hypot, which minds overflow, takes several times as long.
  const [x, y, z] = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  return Math.sqrt(x * x + y * y + z * z);
}

/** The stretch that a station lies in, by the number of the section before it. */
export function stretchAt({ sections }: Body, x: number): number {
  let low = 0;
  let high = sections.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (sections[middle]!.x <= x) low = middle;
    else high = middle;
  }
  return low;
}

/** The section at a station, straight between those given; beyond the ends the first or the last. */
export function sectionAt(body: Body, x: number): Section {
  const { sections } = body;
  if (x <= sections[0]!.x) return sections[0]!;
  if (x >= sections.at(-1)!.x) return sections.at(-1)!;
  const i = stretchAt(body, x);
  const [a, b] = [sections[i]!, sections[i + 1]!];
  const t = (x - a.x) / (b.x - a.x);
  const mix = (from: number, to: number) => from + t * (to - from);
  return {
    x,
    width: mix(a.width, b.width),
    height: mix(a.height, b.height),
    z: mix(a.z, b.z),
    n: mix(a.n, b.n),
  };
}

/** How far the unit superellipse reaches in the direction of a girth angle. */
const reach = (sin: number, cos: number, n: number): number =>
  n === 2 ? 1 : (Math.abs(sin) ** n + Math.abs(cos) ** n) ** (-1 / n);

/**
 * The point of the skin at a station and a girth angle in degrees: 0 the spine, 90 starboard, 180 the keel, 270 port. Girth angles are those
 * of the unit section before it is widened to its width and height, so that they are evenly spread over a flat body too.
 */
export function bodyPoint(body: Body, x: number, girth: number): Xyz {
  const { width, height, z, n } = sectionAt(body, x);
  const [sin, cos] = [Math.sin(girth * RAD), Math.cos(girth * RAD)];
  const r = reach(sin, cos, n);
  return [x, body.y + (width / 2) * r * sin, z + (height / 2) * r * cos];
}

/** Arc lengths round the section at a station from a girth angle on, after each of a number of steps (degrees, either way round). */
export function arcsRound(body: Body, x: number, from: number, step: number, count: number): number[] {
  const arcs = [0];
  let before = bodyPoint(body, x, from);
  for (let i = 1; i <= count; i += 1) {
    const next = bodyPoint(body, x, from + i * step);
    arcs.push(arcs.at(-1)! + between(before, next));
    before = next;
  }
  return arcs;
}

/** The girth angle of what is seen from the axis under a true angle (degrees, same zero and sense). */
export function girthOfAngle(body: Body, x: number, angle: number): number {
  const { width, height } = sectionAt(body, x);
  if (width === height || width === 0 || height === 0) return angle;
  const turns = Math.round(angle / 360) * 360;
  const rest = (angle - turns) * RAD;
  return turns + Math.atan2(Math.sin(rest) / width, Math.cos(rest) / height) / RAD;
}

/** The other coordinate of the unit superellipse: |y|^n + |z|^n = 1. */
const across = (n: number, share: number): number => (1 - Math.abs(share) ** n) ** (1 / n);

/** The girth angle from 0 (spine) to 180 (keel) at a height above the centre, as a share -1 (keel) .. 1 (spine) of the half height. */
export function girthOfHeight(n: number, share: number): number {
  const height = Math.min(1, Math.max(-1, share));
  return Math.atan2(across(n, height), height) / RAD;
}

/** The girth angle from 0 (spine) to 90 (widest) at a breadth from the centre line, as a share 0 .. 1 of the half width. */
export function girthOfBreadth(n: number, share: number): number {
  const breadth = Math.min(1, Math.max(0, share));
  return Math.atan2(breadth, across(n, breadth)) / RAD;
}

/** Points of sections in so many even steps of girth from the spine round; most bodies have one shape of section all along. */
export function ringMaker(y: number, round: number): (section: Section) => (step: number) => Xyz {
  let shape = NaN;
  let unit: Float64Array = new Float64Array();
  return ({ x, width, height, z, n }) => {
    if (n !== shape) [shape, unit] = [n, unitSection(n, round)];
    const here = unit;
    return (step) => [x, y + (width / 2) * here[2 * step]!, z + (height / 2) * here[2 * step + 1]!];
  };
}

/** Every section of a body as a ring of points. */
export function sectionRings({ sections, y }: Body, round: number): Xyz[][] {
  const ringOf = ringMaker(y, round);
  return sections.map((section) => {
    const at = ringOf(section);
    return Array.from({ length: round + 1 }, (_, step) => at(step));
  });
}

/** Breadth and height of the unit section, step by step. */
function unitSection(n: number, round: number): Float64Array {
  const ring = new Float64Array(2 * round + 2);
  for (let step = 0; step <= round; step += 1) {
    const girth = ((360 * step) / round) * RAD;
    const [sin, cos] = [Math.sin(girth), Math.cos(girth)];
    const r = reach(sin, cos, n);
    ring[2 * step] = r * sin;
    ring[2 * step + 1] = r * cos;
  }
  return ring;
}
