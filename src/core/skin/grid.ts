import { between, bodyPoint, type Body, type Xyz } from '@/core/outline/body';
import { liftingPoint, type Lifting } from '@/core/outline/lifting';
import { triangle } from '@/core/outline/skin-area';
import { cross, dot, onWay, way } from '@/core/outline/space';
import { MeshMaker, type Mesh } from './mesh';

/** Whole bodies and surfaces as triangles that nowhere lie further from the skin than a tolerance. */

/** What of the tolerance is taken by bows round a body or along a chord, where the curve is, and what by those along it and by twist. */
const [ACROSS, ALONG] = [0.7, 0.25];
/** A chord may be so much shorter than the arc over it: what keeps the area true where the tolerance is coarse. */
const SHORTER = 8e-4;
/** What bows less than this share of what it may is flat, however short it is. */
const NOTHING = 0.01;
/** A cell may be so much smaller than what lies over it, where the skin is twisted. */
const SMALLER = 1.5e-3;
/** So often is a step cut, and into so many at once. */
const MOST_DEEP = 8;
/** Twist falls off with each halving: after so many it is told by nothing but rounding. */
const MOST_TWISTED = 5;
const MOST_PARTS = 8;

type At = (p: number, q: number) => Xyz;

/** How far the skin lies off the straight line between two of its places, and how much longer it is. */
function bow(on: (t: number) => Xyz): { off: number; longer: number } {
  const [a, b] = [on(0), on(1)];
  let off = 0;
  let arc = 0;
  let before = a;
  for (const t of [0.25, 0.5, 0.75, 1]) {
    const at = on(t);
    off = Math.max(off, between(at, onWay(a, b, t)));
    arc += between(before, at);
    before = at;
  }
  const chord = between(a, b);
  return { off, longer: arc > 0 ? 1 - chord / arc : 0 };
}

/** Cuts between which nothing misses the skin by more than it may: `parts` says into how many a step has to be cut for that, 1 for none. */
function cutUp(cuts: readonly number[], parts: (from: number, to: number, depth: number) => number): number[] {
  const done = [cuts[0]!];
  const split = (from: number, to: number, depth: number) => {
    const count = depth < MOST_DEEP ? Math.min(MOST_PARTS, parts(from, to, depth)) : 1;
    if (count === 1) done.push(to);
    else
      for (let k = 0; k < count; k += 1)
        split(from + (k / count) * (to - from), from + ((k + 1) / count) * (to - from), depth + 1);
  };
  for (let i = 1; i < cuts.length; i += 1) split(cuts[i - 1]!, cuts[i]!, 0);
  return done;
}

/** A bow shrinks with the square of its length: into so many parts a line is cut, so that none bows more than it may. */
function partsOf(on: (t: number) => Xyz, most: number): number {
  const { off, longer } = bow(on);
  const isShort = longer > SHORTER && off > NOTHING * most;
  if (off <= most && !isShort) return 1;
  return Math.max(2, Math.ceil(Math.sqrt(off / most)), isShort ? Math.ceil(Math.sqrt(longer / SHORTER)) : 0);
}

/** How far two lines pass by each other, each through two points; 0 where they are parallel. */
function apart(a: Xyz, c: Xyz, b: Xyz, d: Xyz): number {
  const across = cross(way(a, c), way(b, d));
  const length = Math.hypot(...across);
  return length > 0 ? Math.abs(dot(way(a, b), across)) / length : 0;
}

/**
 * Whether a cell has to be cut along p because the skin is twisted there: its two lines along q lie askew, so that the middle between them lies
 * off its diagonal, or the cell is smaller than its halves are.
 */
function isTwisted(at: At, [p0, p1]: [number, number], [q0, q1]: [number, number], most: number): boolean {
  const [a, b, c, d] = [at(p0, q0), at(p1, q0), at(p1, q1), at(p0, q1)];
  // The diagonals of a flat cell cross; those of a twisted one pass by each other.
  const off = apart(a, c, b, d) / 2;
  if (off <= NOTHING * most) return false;
  if (off > most) return true;
  const [e, f] = [at((p0 + p1) / 2, q0), at((p0 + p1) / 2, q1)];
  const whole = triangle(a, b, c) + triangle(a, c, d);
  const halves = triangle(a, e, f) + triangle(a, f, d) + triangle(e, b, c) + triangle(e, c, f);
  return Math.abs(halves - whole) > SMALLER * whole;
}

/** Rows along p and q so fine that no edge, and no middle of a cell, lies further off than it may. */
function gridOf(
  at: At,
  ps: readonly number[],
  qs: readonly number[],
  tolerance: number,
): { ps: number[]; qs: number[] } {
  // The bow is looked for on all rows that are there, and half-way between them.
  const rows = ps.flatMap((p, i) => (i === 0 ? [p] : [(ps[i - 1]! + p) / 2, p]));
  const fineQs = cutUp(qs, (from, to) =>
    Math.max(...rows.map((p) => partsOf((t) => at(p, from + t * (to - from)), ACROSS * tolerance))),
  );
  const finePs = cutUp(ps, (from, to, depth) =>
    Math.max(
      ...fineQs.map((q, j) =>
        Math.max(
          partsOf((t) => at(from + t * (to - from), q), ALONG * tolerance),
          j > 0 && depth < MOST_TWISTED && isTwisted(at, [from, to], [fineQs[j - 1]!, q], ALONG * tolerance) ? 2 : 1,
        ),
      ),
    ),
  );
  return { ps: finePs, qs: fineQs };
}

function laidOut(at: At, { ps, qs }: { ps: number[]; qs: number[] }, maker: MeshMaker, isTurned: boolean) {
  let before = qs.map((q) => maker.corner(at(ps[0]!, q)));
  for (const p of ps.slice(1)) {
    const row = qs.map((q) => maker.corner(at(p, q)));
    for (let j = 1; j < qs.length; j += 1) {
      const [a, b, c, d] = [before[j - 1]!, row[j - 1]!, row[j]!, before[j]!];
      if (isTurned) {
        maker.triangle(a, c, b);
        maker.triangle(a, d, c);
      } else {
        maker.triangle(a, b, c);
        maker.triangle(a, c, d);
      }
    }
    before = row;
  }
}

/** The skin of a body, without caps. `tolerance` in its unit. */
export function bodyMesh(body: Body, tolerance: number): Mesh {
  const { sections } = body;
  const [first, last] = [sections[0]!, sections.at(-1)!];
  const size = Math.max(last.x - first.x, ...sections.map(({ width, height }) => Math.max(width, height)));
  const maker = new MeshMaker(size);
  const at: At = (x, girth) => bodyPoint(body, x, girth === 360 ? 0 : girth);
  const quarters = [0, 45, 90, 135, 180, 225, 270, 315, 360];
  laidOut(
    at,
    gridOf(
      at,
      sections.map(({ x }) => x),
      quarters,
      tolerance,
    ),
    maker,
    false,
  );
  return maker.mesh;
}

/** Both faces of one half of a wing or tail, without caps at root and tip. */
export function liftingMesh(of: Lifting, tolerance: number): Mesh {
  const size = Math.max(of.semispan, of.root.chord, of.tip.chord);
  const maker = new MeshMaker(size);
  for (const face of [1, -1] as const) {
    const at: At = (s, t) => liftingPoint(of, face, s, t);
    laidOut(at, gridOf(at, [0, 1], [0, 0.5, 1], tolerance), maker, face * of.side * (of.upright ? -1 : 1) > 0);
  }
  return maker.mesh;
}

/** Any skin over two coordinates, as triangles: `ps` and `qs` are cuts that it is bent at; no finer than these where no tolerance is given. */
export function pointGrid(at: At, ps: readonly number[], qs: readonly number[], tolerance: number | null): Mesh {
  const size = Math.max(...[at(ps[0]!, qs[0]!), at(ps.at(-1)!, qs.at(-1)!)].flat().map(Math.abs), tolerance ?? 0);
  const maker = new MeshMaker(size);
  laidOut(at, tolerance === null ? { ps: [...ps], qs: [...qs] } : gridOf(at, ps, qs, tolerance), maker, false);
  return maker.mesh;
}
