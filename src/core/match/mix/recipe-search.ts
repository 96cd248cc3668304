import type { Lab } from '@/core/colour/types';
import type { Best } from './best-recipes';
import { NearTarget } from './near-target';
import { costOf, divisor, dropCounts, dropsOf, keyOf, type MixOptions, type MixPaint, type Parts } from './recipe';

// Named once: looking each up in Math costs in an inner loop.
const { abs, exp, hypot, log, max, min, sqrt } = Math;

/**
 * Ten bands and the local metric miss dE00 near a target by up to about SLACK, further off by up to a part of it. What is pruned by them
 * is pruned with this to spare, so that what is looked at on all bands holds nearly every recipe that belongs there.
 */
const SLACK = 0.15;
const SLACK_PART = 0.1;
/**
 * The curve of a pair's colours runs nearer than the line from paint to paint (or by 1:1; or by 11:1, 1:1 and 1:11) by at most about this
 * part of its longest piece, and at a twelfth a piece by next to nothing: found by trying random pairs.
 */
const BEND_OF_TWO = 0.22;
const BEND_OF_THREE = 0.18;
const BEND_OF_FIVE = 0.05;
const BEND_OF_MANY = 0.05;
/** Colours of three paints bulge beyond the hull of their pairs by less than this. */
const BULGE = 0.6;
/** Up to so many paints the extents of every pair are kept, to reject triples by. */
const TABLE_PAINTS = 260;
/** The pairs that come nearest are tried with every third paint before anything else is. */
const EXTENDED_PAIRS = 40;
/** A fourth paint, another paint or other drops are tried from the best so many mixtures. */
export const CLIMBED = 150;

/** Where the search for the nearest ratio of three starts, and how far it goes. */
const STARTS = [
  [1, 1, 1],
  [5, 1, 1],
  [1, 5, 1],
  [1, 1, 5],
].map(([m, k, o]) => ({ m: m! / o!, k: k! / o!, x: log(m! / o!), y: log(k! / o!) }));
const NEWTON_STEPS = 3;
const LONGEST_STEP = 1.2;

/** Directions in which extents are compared: the axes and the diagonals of a cube. */
const DIRECTIONS = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
  [1, 1, 0],
  [1, -1, 0],
  [1, 0, 1],
  [1, 0, -1],
  [0, 1, 1],
  [0, 1, -1],
  [1, 1, 1],
  [1, 1, -1],
  [1, -1, 1],
  [-1, 1, 1],
].map((direction) => direction.map((value) => value / hypot(...direction)));
const EXTENTS = 2 * DIRECTIONS.length;

type Point = readonly [number, number, number];

/**
 * Recipes of up to four paints among more than can all be looked at: pairs first (all of them, rejected early by a few of their mixtures),
 * then the best pairs with any third paint, then every triple whose colours can lie round the target, then from the best of all by single
 * drops and paints. Stops where `effort` mixtures were looked at; `onStage` hears of each stage's end.
 */
export function searchRecipes(
  target: Lab,
  best: Best,
  paints: readonly MixPaint[],
  options: MixOptions,
  onStage: (share: number) => void,
): void {
  new Search(target, best, paints, options, onStage).run();
}

class Search {
  private readonly near: NearTarget;
  private readonly n: number;
  private readonly chemistry: readonly string[];
  private readonly corners: Point[];
  /** Paints, the nearest to the target first. */
  private readonly order: readonly number[];
  private readonly pairWays: readonly number[][];
  private readonly tripleWays: readonly { counts: number[]; x: number; y: number; cost: number }[];
  private readonly extents: Float64Array | null;
  private readonly slopes = new Float64Array(6);
  private readonly pairs: { p: number; q: number; off: number }[] = [];
  private readonly extended = new Set<number>();

  constructor(
    target: Lab,
    private readonly best: Best,
    private readonly paints: readonly MixPaint[],
    private readonly options: MixOptions,
    private readonly onStage: (share: number) => void,
  ) {
    this.n = paints.length;
    this.near = new NearTarget(
      target,
      paints.map((paint) => paint.pigment),
    );
    this.chemistry = paints.map((paint) => (options.sameChemistry ? (paint.chemistry ?? '') : ''));
    this.corners = paints.map((_, p) => this.at(p, 1, p, 0));
    const off = this.corners.map(([u, v, w]) => hypot(u, v, w));
    this.order = paints.map((_, p) => p).sort((a, b) => off[a]! - off[b]! || a - b);
    this.pairWays = dropCounts(2, options.maxDrops);
    this.tripleWays = dropCounts(3, options.maxDrops).map((counts) => ({
      counts,
      x: log(counts[0]! / counts[2]!),
      y: log(counts[1]! / counts[2]!),
      cost: costOf(3, counts[0]! + counts[1]! + counts[2]!, options),
    }));
    this.extents = this.n <= TABLE_PAINTS ? new Float64Array(this.n * this.n * EXTENTS) : null;
  }

  run() {
    const { best, options, onStage } = this;
    for (const p of this.order) best.look([{ paint: p, count: 1 }]);
    onStage(0.02);
    if (options.maxPaints >= 2) this.lookAtPairs();
    onStage(0.3);
    if (options.maxPaints >= 3) {
      this.pairs.sort((a, b) => a.off - b.off || a.p - b.p || a.q - b.q);
      for (const { p, q } of this.pairs.slice(0, EXTENDED_PAIRS)) this.extend(p, q);
      onStage(0.5);
      if (this.extents) this.lookAtTriples(this.extents);
      else this.extendRest();
    }
    onStage(0.9);
    if (options.maxPaints > 3 || !this.extents) this.climbAll();
    onStage(1);
  }

  private get spent(): boolean {
    return this.best.evaluated > this.options.effort;
  }

  /** How near, on ten bands, a mixture of such a cost has to be to be looked at on all. */
  private reach(cost: number): number {
    const left = this.best.limit - cost;
    return left + SLACK + SLACK_PART * max(0, left);
  }

  private at(p: number, m: number, q: number, k: number): Point {
    this.near.mix(p, m, q, k);
    return [this.near.u, this.near.v, this.near.w];
  }

  private lookAtPairs() {
    const { best, corners, chemistry } = this;
    const least = costOf(2, 2, this.options);
    for (let i = 0; i < this.n; i += 1) {
      // A table of extents has to be whole.
      if (this.spent && !this.extents) return;
      if (i % 100 === 99) this.onStage(0.02 + 0.28 * (i / this.n) ** 2);
      for (let j = 0; j < i; j += 1) {
        const [p, q] = [this.order[i]!, this.order[j]!];
        if (chemistry[p] !== chemistry[q]) continue;
        const A = corners[p]!;
        const E = corners[q]!;
        const reach = this.reach(least);
        if (!this.extents && offSegment(A, E) > reach + BEND_OF_TWO * apart(A, E)) continue;
        const C = this.at(p, 1, q, 1);
        best.evaluated += 1;
        if (!this.extents && offLine([A, C, E]) > reach + BEND_OF_THREE * longest([A, C, E])) continue;
        const [B, D] = [this.at(p, 11, q, 1), this.at(p, 1, q, 11)];
        best.evaluated += 2;
        const points = [A, B, C, D, E];
        if (this.extents) this.keepExtents(this.extents, p, q, points);
        if (offLine(points) > reach + BEND_OF_FIVE * longest(points)) continue;
        this.lookAtPair(p, q);
      }
    }
  }

  /** Drop by drop, if the curve of its colours comes near enough. */
  private lookAtPair(p: number, q: number) {
    const { near, best, options } = this;
    let [off, last] = [Infinity, this.corners[q]!];
    for (let m = 1; m <= 12; m += 1) {
      const here = m === 12 ? this.corners[p]! : this.at(p, m, q, 12 - m);
      off = min(off, offSegment(last, here));
      last = here;
    }
    best.evaluated += 11;
    this.pairs.push({ p, q, off });
    if (off > this.reach(costOf(2, 2, options)) + BEND_OF_MANY) return;
    for (const [m, k] of this.pairWays) {
      near.mix(p, m!, q, k!);
      if (near.distance < this.reach(costOf(2, m! + k!, options))) best.look(inOrder(p, m!, q, k!));
    }
    best.evaluated += this.pairWays.length;
  }

  private keepExtents(extents: Float64Array, p: number, q: number, points: readonly Point[]) {
    const from = (min(p, q) * this.n + max(p, q)) * EXTENTS;
    for (let i = 0; i < DIRECTIONS.length; i += 1) {
      const direction = DIRECTIONS[i]!;
      let low = Infinity;
      let high = -Infinity;
      for (let j = 0; j < points.length; j += 1) {
        const point = points[j]!;
        const along = direction[0]! * point[0] + direction[1]! * point[1] + direction[2]! * point[2];
        if (along < low) low = along;
        if (along > high) high = along;
      }
      extents[from + 2 * i] = low;
      extents[from + 2 * i + 1] = -high;
    }
  }

  /** A pair with every third paint; false where the effort is spent. */
  private extend(p: number, q: number): boolean {
    this.extended.add(min(p, q) * this.n + max(p, q));
    for (let r = 0; r < this.n; r += 1) {
      if (r === p || r === q || this.chemistry[r] !== this.chemistry[p]) continue;
      if (this.spent) return false;
      this.lookAtTriple(p, q, r);
    }
    return true;
  }

  /** The other pairs with every third paint, while the effort lasts. */
  private extendRest() {
    const from = this.best.evaluated;
    for (const { p, q } of this.pairs.slice(EXTENDED_PAIRS)) {
      if (!this.extend(p, q)) return;
      this.onStage(0.5 + (0.4 * (this.best.evaluated - from)) / (this.options.effort - from));
    }
  }

  /** Every triple whose pairs' extents leave the target no way out in any direction. */
  private lookAtTriples(extents: Float64Array) {
    const { n, chemistry, extended } = this;
    const least = costOf(3, 3, this.options);
    for (let p = 0; p < n; p += 1) {
      this.onStage(0.5 + (0.4 * p) / n);
      for (let q = p + 1; q < n; q += 1) {
        if (chemistry[p] !== chemistry[q] || extended.has(p * n + q)) continue;
        const room = this.reach(least) + BULGE;
        const pq = (p * n + q) * EXTENTS;
        for (let r = q + 1; r < n; r += 1) {
          if (chemistry[p] !== chemistry[r]) continue;
          const pr = (p * n + r) * EXTENTS;
          const qr = (q * n + r) * EXTENTS;
          let out = false;
          for (let i = 0; i < EXTENTS; i += 1)
            if (extents[pq + i]! > room && extents[pr + i]! > room && extents[qr + i]! > room) {
              out = true;
              break;
            }
          if (out || extended.has(p * n + r) || extended.has(q * n + r)) continue;
          if (this.spent) return;
          this.lookAtTriple(p, q, r);
        }
      }
    }
  }

  /**
   * The nearest ratio of three by Gauss-Newton on the logarithms of their ratios; where it comes near enough, the whole drops round it.
   */
  private lookAtTriple(p: number, q: number, r: number) {
    const { near, best } = this;
    const reach = this.reach(costOf(3, 3, this.options));
    let x = 0;
    let y = 0;
    let least = Infinity;
    for (let i = 0; i < STARTS.length; i += 1) {
      const start = STARTS[i]!;
      near.mix(p, start.m, q, start.k, r, 1);
      if (near.distance < least) {
        x = start.x;
        y = start.y;
        least = near.distance;
      }
    }
    best.evaluated += STARTS.length;
    const bound = log(max(1, this.options.maxDrops - 2));
    const slopes = this.slopes;
    let nearest = least;
    for (let step = 0; ; step += 1) {
      near.slopes(p, exp(x), q, exp(y), r, slopes);
      best.evaluated += 1;
      nearest = min(nearest, near.distance);
      if (step === NEWTON_STEPS) break;
      const { u, v, w } = near;
      const [ux, vx, wx, uy, vy, wy] = slopes as unknown as [number, number, number, number, number, number];
      const [xx, yy, xy] = [ux * ux + vx * vx + wx * wx, uy * uy + vy * vy + wy * wy, ux * uy + vx * vy + wx * wy];
      const [gx, gy] = [ux * u + vx * v + wx * w, uy * u + vy * v + wy * w];
      const det = xx * yy - xy * xy + 1e-9;
      const nx = clamp(x - clamp((gx * yy - gy * xy) / det, LONGEST_STEP), bound);
      const ny = clamp(y - clamp((gy * xx - gx * xy) / det, LONGEST_STEP), bound);
      const [dx, dy] = [nx - x, ny - y];
      if (abs(dx) + abs(dy) < 0.02) break;
      if (abs(dx) < LONGEST_STEP && abs(dy) < LONGEST_STEP) {
        const [mu, mv, mw] = [ux * dx + uy * dy, vx * dx + vy * dy, wx * dx + wy * dy];
        if (length(u + mu, v + mv, w + mw) > reach + CURVED * length(mu, mv, mw)) return;
      }
      x = nx;
      y = ny;
    }
    if (nearest > reach) return;
    const { u, v, w } = near;
    const [ux, vx, wx, uy, vy, wy] = slopes as unknown as [number, number, number, number, number, number];
    for (const { counts, x: wayX, y: wayY, cost } of this.tripleWays) {
      const [dx, dy] = [wayX - x, wayY - y];
      const wanted = this.reach(cost);
      if (GUESS * length(u + ux * dx + uy * dy, v + vx * dx + vy * dy, w + wx * dx + wy * dy) > wanted) continue;
      const [m, k, o] = counts;
      near.mix(p, m!, q, k!, r, o!);
      best.evaluated += 1;
      if (near.distance < wanted) best.look(inOrder(p, m!, q, k!, r, o!));
    }
  }

  /** From the best, and from what that brings among the best, until nothing new comes of it. */
  private climbAll() {
    const climbed = new Set<string>();
    for (;;) {
      const fresh = this.best
        .sorted()
        .slice(0, CLIMBED)
        .filter(({ parts }) => !climbed.has(keyOf(parts)));
      if (fresh.length === 0) return;
      for (const { parts } of fresh) {
        if (this.spent) return;
        this.climb(parts, climbed, (here) => [...this.otherDrops(here), ...this.otherPaints(here)]);
        if (parts.length === 3 && this.options.maxPaints > 3) this.tryFourth(parts, climbed);
      }
    }
  }

  /** Every fourth paint, whose first drop need not be a gain yet: the drops of all four are then set anew. */
  private tryFourth(parts: Parts, climbed: Set<string>) {
    if (dropsOf(parts) === this.options.maxDrops) return;
    for (let paint = 0; paint < this.n; paint += 1)
      if (!parts.some((part) => part.paint === paint) && this.chemistry[paint] === this.chemistry[parts[0]!.paint])
        this.climb(withDrop(parts, paint, 1), climbed, (here) => this.otherDrops(here));
  }

  /** From one mixture to better ones, one move at a time, until none is. */
  private climb(from: Parts, climbed: Set<string>, moves: (here: Parts) => Iterable<Parts>) {
    let here = from;
    let score = this.guess(here);
    for (;;) {
      const key = keyOf(here);
      if (climbed.has(key)) return;
      climbed.add(key);
      let better: Parts | null = null;
      for (const parts of moves(here)) {
        if (parts.map((p) => p.count).reduce(divisor) !== 1) continue;
        const guess = this.guess(parts);
        if (guess < this.reach(0)) this.best.look(parts);
        if (guess < score) [better, score] = [parts, guess];
      }
      if (!better) return;
      here = better;
    }
  }

  /** About the score of a mixture. */
  private guess(parts: Parts): number {
    const [p, q, r, t] = parts;
    this.best.evaluated += 1;
    this.near.mix(p!.paint, p!.count, q?.paint, q?.count, r?.paint, r?.count, t?.paint, t?.count);
    return this.near.distance + costOf(parts.length, dropsOf(parts), this.options);
  }

  /** A drop less, a drop more, or one exchanged for another. */
  private *otherDrops(parts: Parts): Generator<Parts> {
    const drops = dropsOf(parts);
    for (const { paint } of parts) {
      if (parts.length > 1 || parts[0]!.count > 1) yield withDrop(parts, paint, -1);
      if (drops < this.options.maxDrops) yield withDrop(parts, paint, 1);
      for (const other of parts) if (other.paint !== paint) yield withDrop(withDrop(parts, paint, -1), other.paint, 1);
    }
  }

  /** A drop of a further paint, or another paint in place of one. */
  private *otherPaints(parts: Parts): Generator<Parts> {
    const { maxPaints, maxDrops } = this.options;
    const further = parts.length < maxPaints && dropsOf(parts) < maxDrops;
    for (let paint = 0; paint < this.n; paint += 1) {
      if (parts.some((part) => part.paint === paint) || this.chemistry[paint] !== this.chemistry[parts[0]!.paint])
        continue;
      if (further) yield withDrop(parts, paint, 1);
      if (parts.length < 2) continue;
      for (const old of parts)
        yield withDrop(
          parts.filter((part) => part !== old),
          paint,
          old.count,
        );
    }
  }
}

/** What a straight line from the nearest ratio foretells of a mixture is at least this part too far. */
const GUESS = 0.4;
/** A straight line from a ratio misses where the next lies by less than this part of the step, dE00. */
const CURVED = 0.7;

const length = (u: number, v: number, w: number) => sqrt(u * u + v * v + w * w);
const clamp = (value: number, most: number) => max(-most, min(most, value));

const inOrder = (...flat: number[]): Parts => {
  const parts: { paint: number; count: number }[] = [];
  for (let i = 0; i < flat.length; i += 2) parts.push({ paint: flat[i]!, count: flat[i + 1]! });
  return parts.sort((a, b) => a.paint - b.paint);
};

function withDrop(parts: Parts, paint: number, by: number): Parts {
  const known = parts.some((part) => part.paint === paint);
  const changed = known
    ? parts.map((part) => (part.paint === paint ? { paint, count: part.count + by } : part))
    : [...parts, { paint, count: by }];
  return changed.filter((part) => part.count > 0).sort((a, b) => a.paint - b.paint);
}

/** Distance of the origin from the line between two points. */
function offSegment(a: Point, b: Point): number {
  const du = b[0] - a[0];
  const dv = b[1] - a[1];
  const dw = b[2] - a[2];
  const square = du * du + dv * dv + dw * dw;
  const t = square > 0 ? max(0, min(1, -(a[0] * du + a[1] * dv + a[2] * dw) / square)) : 0;
  return length(a[0] + t * du, a[1] + t * dv, a[2] + t * dw);
}

const apart = (a: Point, b: Point) => length(b[0] - a[0], b[1] - a[1], b[2] - a[2]);

/** Distance of the origin from a polyline. */
function offLine(points: readonly Point[]): number {
  let off = Infinity;
  for (let i = 1; i < points.length; i += 1) off = min(off, offSegment(points[i - 1]!, points[i]!));
  return off;
}

function longest(points: readonly Point[]): number {
  let most = 0;
  for (let i = 1; i < points.length; i += 1) most = max(most, apart(points[i - 1]!, points[i]!));
  return most;
}
