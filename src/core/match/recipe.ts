import { deltaE00 } from '@/core/colour/difference';
import type { Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import { LocalMetric, MixKernel } from './mix-kernel';

/** A paint to mix with, in catalogue order: that order breaks ties. */
export interface MixPaint {
  id: string;
  pigment: Pigment;
  /** Expected error of mixtures of paints known as well as this one, dE00. */
  sd: number;
  chemistry?: string;
}

/** Whole drops of paints, in the order of the catalogue. */
export interface Recipe {
  drops: { id: string; count: number }[];
  lab: Lab;
  dE00: number;
  /** dE00 + perPaint x (paints - 1) + perDrop x drops: what is minimised. */
  score: number;
  /** How far off the mixture may honestly be, dE00. */
  sd: number;
}

export interface MixOptions {
  maxPaints: number;
  maxDrops: number;
  top: number;
  perPaint: number;
  perDrop: number;
  /** Only paints that share a chemistry are mixed. */
  sameChemistry: boolean;
  /** Recipes that may be evaluated before the search stops: the same for everybody, unlike a clock. */
  effort: number;
}

export const MIX_DEFAULTS: MixOptions = {
  maxPaints: 3,
  maxDrops: 12,
  top: 10,
  perPaint: 0.2,
  perDrop: 0.01,
  sameChemistry: true,
  effort: 700_000,
};

export interface MixResult {
  recipes: Recipe[];
  evaluated: number;
  /** Every recipe was looked at: nothing better exists. */
  proven: boolean;
}

/** Indices of paints, rising, with their drops. */
type Parts = readonly { paint: number; count: number }[];

/** The best recipes so far, none twice. */
export class Best {
  readonly found = new Map<string, { parts: Parts; lab: Lab; dE00: number; score: number }>();
  private threshold = Infinity;
  evaluated = 0;

  constructor(
    private readonly target: Lab,
    private readonly options: MixOptions,
    private readonly kernel: MixKernel,
  ) {}

  /** What a recipe has to score to be among the best. */
  get limit(): number {
    return this.threshold;
  }

  /** Looks at a mixture; its score. Mixtures whose drops have a common divisor are left to their smallest form. */
  look(parts: Parts): number {
    this.evaluated += 1;
    const lab = mixedLab(this.kernel, parts);
    const dE00 = deltaE00(this.target, lab);
    const score = dE00 + costOf(parts.length, dropsOf(parts), this.options);
    if (score <= this.threshold) this.keep({ parts, lab, dE00, score });
    return score;
  }

  private keep(entry: { parts: Parts; lab: Lab; dE00: number; score: number }) {
    this.found.set(keyOf(entry.parts), entry);
    if (this.found.size < 2 * this.options.top) return;
    const kept = this.sorted().slice(0, this.options.top);
    this.threshold = kept.at(-1)!.score;
    this.found.clear();
    for (const item of kept) this.found.set(keyOf(item.parts), item);
  }

  sorted() {
    return [...this.found.values()].sort(byScore);
  }
}

const costOf = (paints: number, drops: number, { perPaint, perDrop }: MixOptions) =>
  perPaint * (paints - 1) + perDrop * drops;

/** The colour of a mixture of up to four paints. */
function mixedLab(kernel: MixKernel, parts: Parts): Lab {
  const [p, q, r, s] = parts;
  kernel.mix(p!.paint, p!.count, q?.paint, q?.count, r?.paint, r?.count, s?.paint, s?.count);
  return kernel.lab();
}

const keyOf = (parts: Parts) => parts.map(({ paint, count }) => `${paint}:${count}`).join(' ');
const dropsOf = (parts: Parts) => parts.reduce((sum, part) => sum + part.count, 0);

/** Best first; ties: fewer paints, fewer drops, then the order of the paints. */
function byScore(a: { parts: Parts; score: number }, b: { parts: Parts; score: number }): number {
  const first = a.score - b.score || a.parts.length - b.parts.length || dropsOf(a.parts) - dropsOf(b.parts);
  if (first !== 0) return first;
  for (let i = 0; i < a.parts.length; i += 1) {
    const paint = a.parts[i]!.paint - b.parts[i]!.paint || b.parts[i]!.count - a.parts[i]!.count;
    if (paint !== 0) return paint;
  }
  return 0;
}

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** All ways to share at most `most` drops among `paints` paints, at least one each, with no common divisor. */
export function dropCounts(paints: number, most: number): number[][] {
  const ways: number[][] = [];
  const fill = (counts: number[], left: number) => {
    if (counts.length === paints) {
      if (counts.reduce(divisor) === 1) ways.push(counts);
      return;
    }
    for (let count = 1; count <= left - (paints - counts.length - 1); count += 1)
      fill([...counts, count], left - count);
  };
  fill([], most);
  return ways;
}

const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k);

/** How many recipes there are: what an exhaustive search would look at. */
export const recipeCount = (
  paints: number,
  { maxPaints, maxDrops }: Pick<MixOptions, 'maxPaints' | 'maxDrops'>,
): number =>
  Array.from({ length: Math.min(maxPaints, paints) }, (_, i) => i + 1).reduce(
    (sum, k) => sum + choose(paints, k) * dropCounts(k, maxDrops).length,
    0,
  );

/**
 * Recipes of few whole drops that come nearest to a target, best first. Where all of them fit into the effort, all are looked at and the
 * answer is proven; otherwise the promising pairs and triples are (see `search`), and the best of those are climbed from by single drops,
 * to four paints where that many are allowed. `onStage` hears how far it is, with the best so far.
 */
export function findRecipes(
  target: Lab,
  paints: readonly MixPaint[],
  given: Partial<MixOptions> = {},
  onStage?: (soFar: MixResult, share: number) => void,
): MixResult {
  const options = { ...MIX_DEFAULTS, ...given };
  const best = new Best(
    target,
    options,
    new MixKernel(
      paints.map((paint) => paint.pigment),
      'all',
    ),
  );
  const result = (proven: boolean): MixResult => ({
    recipes: best
      .sorted()
      .slice(0, options.top)
      .map((entry) => recipeOf(entry, paints)),
    evaluated: best.evaluated,
    proven,
  });
  const together = (parts: Parts) =>
    !options.sameChemistry || new Set(parts.map(({ paint }) => paints[paint]!.chemistry)).size === 1;

  if (recipeCount(paints.length, options) <= options.effort / LOOK_COST) {
    for (let size = 1; size <= Math.min(options.maxPaints, paints.length); size += 1) {
      const ways = dropCounts(size, options.maxDrops);
      for (const chosen of combinations(paints.length, size)) {
        if (!together(chosen.map((paint) => ({ paint, count: 1 })))) continue;
        for (const counts of ways) best.look(chosen.map((paint, i) => ({ paint, count: counts[i]! })));
      }
      onStage?.(result(false), size / options.maxPaints);
    }
    return result(true);
  }
  search(target, best, paints, options, together, (share) => onStage?.(result(false), share));
  return result(false);
}

/** Looking at a recipe on all bands and keeping it costs about as much as so many mixtures on ten. */
const LOOK_COST = 4;
/** Ten bands miss the true colour by up to about this much, dE00: what is pruned by them is pruned with this to spare. */
const FEW_SLACK = 0.9;
const PAIR_POINTS = [
  [11, 1],
  [3, 1],
  [1, 1],
  [1, 3],
  [1, 11],
] as const;
/** Mixtures of three that tell where their triangle of colours lies. */
const INNER_POINTS = [
  [1, 1, 1],
  [2, 1, 1],
  [1, 2, 1],
  [1, 1, 2],
  [8, 1, 1],
  [1, 8, 1],
  [1, 1, 8],
] as const;
/** How far colours of a triple may lie from the nearest of those points, in steps from the middle to one of the next three. */
const REACH = 1.5;
/** The best so many mixtures are climbed from at the end. */
const CLIMBED = 12;

/**
 * Pairs and triples on ten bands in the metric of the target: a few points of each tell how near its colours can come, the promising are
 * looked at drop by drop, the nearest first, and what survives is verified on all bands.
 */
function search(
  target: Lab,
  best: Best,
  paints: readonly MixPaint[],
  options: MixOptions,
  together: (parts: Parts) => boolean,
  stage: (share: number) => void,
) {
  const n = paints.length;
  const few = new MixKernel(
    paints.map((paint) => paint.pigment),
    'few',
  );
  const metric = new LocalMetric(target);
  const off = () => metric.distance(few.L, few.a, few.b);
  const chemistry = paints.map((paint) => (options.sameChemistry ? (paint.chemistry ?? '') : ''));

  const corner = new Float64Array(3 * n);
  for (let p = 0; p < n; p += 1) {
    best.look([{ paint: p, count: 1 }]);
    few.mix(p, 1);
    corner.set([few.L, few.a, few.b], 3 * p);
  }
  stage(0.05);
  if (options.maxPaints < 2) return;

  const middle = new Float64Array(3 * n * n);
  const pairWays = dropCounts(2, options.maxDrops);
  const pairs: { p: number; q: number; bound: number }[] = [];
  for (let p = 0; p < n; p += 1)
    for (let q = p + 1; q < n; q += 1) {
      if (chemistry[p] !== chemistry[q]) continue;
      let nearest = Infinity;
      let [step, last] = [0, null as Lab | null];
      for (const [m, k] of PAIR_POINTS) {
        few.mix(p, m, q, k);
        nearest = Math.min(nearest, off());
        const here = few.lab();
        if (last) step = Math.max(step, Math.hypot(here[0] - last[0], here[1] - last[1], here[2] - last[2]));
        last = here;
        if (m === k) middle.set(here, 3 * (p * n + q));
      }
      best.evaluated += PAIR_POINTS.length;
      pairs.push({ p, q, bound: nearest - step / 2 });
    }
  pairs.sort((a, b) => a.bound - b.bound);
  for (const { p, q, bound } of pairs) {
    if (bound > best.limit + FEW_SLACK || best.evaluated > options.effort / 3) break;
    for (const [m, k] of pairWays) {
      few.mix(p, m!, q, k!);
      if (off() + costOf(2, m! + k!, options) < best.limit + FEW_SLACK)
        best.look([
          { paint: p, count: m! },
          { paint: q, count: k! },
        ]);
    }
    best.evaluated += pairWays.length;
  }
  stage(0.35);

  if (options.maxPaints >= 3) {
    const triples: { p: number; q: number; r: number; bound: number }[] = [];
    const [tL, ta, tb] = target;
    /** Whether the target lies outside the box round six points of a triple, with room for its curvature. */
    const outside = (axis: 0 | 1 | 2, wanted: number, p: number, q: number, r: number) => {
      const [c1, c2, c3] = [corner[3 * p + axis]!, corner[3 * q + axis]!, corner[3 * r + axis]!];
      const [m1, m2, m3] = [
        middle[3 * (p * n + q) + axis]!,
        middle[3 * (p * n + r) + axis]!,
        middle[3 * (q * n + r) + axis]!,
      ];
      return (
        wanted < Math.min(c1, c2, c3, m1, m2, m3) - BOX_ROOM || wanted > Math.max(c1, c2, c3, m1, m2, m3) + BOX_ROOM
      );
    };
    for (let p = 0; p < n; p += 1)
      for (let q = p + 1; q < n; q += 1) {
        if (chemistry[p] !== chemistry[q]) continue;
        for (let r = q + 1; r < n; r += 1) {
          if (chemistry[p] !== chemistry[r]) continue;
          if (outside(0, tL, p, q, r) || outside(1, ta, p, q, r) || outside(2, tb, p, q, r)) continue;
          let nearest = Infinity;
          let [cL, ca, cb, step] = [0, 0, 0, 0];
          for (const [m, k, o] of INNER_POINTS) {
            few.mix(p, m, q, k, r, o);
            nearest = Math.min(nearest, off());
            if (m === k && k === o) [cL, ca, cb] = few.lab();
            else if (m + k + o === 4) step = Math.max(step, Math.hypot(few.L - cL, few.a - ca, few.b - cb));
          }
          best.evaluated += INNER_POINTS.length;
          triples.push({ p, q, r, bound: nearest - REACH * step });
        }
      }
    triples.sort((a, b) => a.bound - b.bound);
    stage(0.6);
    const ways = dropCounts(3, options.maxDrops);
    for (const { p, q, r, bound } of triples) {
      if (bound > best.limit + FEW_SLACK || best.evaluated > options.effort) break;
      for (const [m, k, o] of ways) {
        few.mix(p, m!, q, k!, r, o!);
        if (off() + costOf(3, m! + k! + o!, options) < best.limit + FEW_SLACK)
          best.look([
            { paint: p, count: m! },
            { paint: q, count: k! },
            { paint: r, count: o! },
          ]);
      }
      best.evaluated += ways.length;
    }
  }
  stage(0.9);
  const climbed = new Set<string>();
  for (const seed of best.sorted().slice(0, CLIMBED)) climb(best, paints, options, together, seed, climbed);
  stage(1);
}

/** Patches of colour bulge beyond the box round their corners and middles by less than this. */
const BOX_ROOM = 4;

/** From one mixture to better ones by single drops, until none is. */
function climb(
  best: Best,
  paints: readonly MixPaint[],
  options: MixOptions,
  together: (parts: Parts) => boolean,
  seed: { parts: Parts; score: number },
  climbed: Set<string>,
) {
  let here = seed;
  for (;;) {
    const key = keyOf(here.parts);
    if (climbed.has(key)) return;
    climbed.add(key);
    let better: { parts: Parts; score: number } | null = null;
    for (const parts of neighbours(here.parts, paints.length, options)) {
      if (parts.length === 0 || !together(parts) || parts.map((p) => p.count).reduce(divisor) !== 1) continue;
      const score = best.look(parts);
      if (score < (better ?? here).score) better = { parts, score };
    }
    if (!better) return;
    here = better;
  }
}

function* neighbours(parts: Parts, paints: number, { maxPaints, maxDrops }: MixOptions): Generator<Parts> {
  const drops = dropsOf(parts);
  for (const { paint } of parts) {
    yield withDrop(parts, paint, -1);
    if (drops < maxDrops) yield withDrop(parts, paint, 1);
    for (const other of parts) if (other.paint !== paint) yield withDrop(withDrop(parts, paint, -1), other.paint, 1);
  }
  if (parts.length < maxPaints && drops < maxDrops)
    for (let paint = 0; paint < paints; paint += 1)
      if (!parts.some((part) => part.paint === paint)) yield withDrop(parts, paint, 1);
}

function withDrop(parts: Parts, paint: number, by: number): Parts {
  const known = parts.some((part) => part.paint === paint);
  const changed = known
    ? parts.map((part) => (part.paint === paint ? { paint, count: part.count + by } : part))
    : [...parts, { paint, count: by }];
  return changed.filter((part) => part.count > 0).sort((a, b) => a.paint - b.paint);
}

function* combinations(n: number, size: number, from = 0): Generator<number[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let first = from; first <= n - size; first += 1)
    for (const rest of combinations(n, size - 1, first + 1)) yield [first, ...rest];
}

export function recipeOf(
  entry: { parts: Parts; lab: Lab; dE00: number; score: number },
  paints: readonly MixPaint[],
): Recipe {
  const drops = dropsOf(entry.parts);
  return {
    drops: entry.parts.map(({ paint, count }) => ({ id: paints[paint]!.id, count })),
    lab: entry.lab,
    dE00: entry.dE00,
    score: entry.score,
    sd: recipeSd(entry.parts.map(({ paint, count }) => ({ sd: paints[paint]!.sd, share: count / drops }))),
  };
}

/** One paint is as sure as its own colour; a mixture as the paints in it, weighted by their shares, in squares. */
const OWN_COLOUR_SD = 0.3;
const recipeSd = (parts: readonly { sd: number; share: number }[]): number =>
  parts.length === 1 ? OWN_COLOUR_SD : Math.sqrt(parts.reduce((sum, { sd, share }) => sum + share * sd * sd, 0));

/** The colour of a recipe set by hand, and how far it is from a target. */
export function tryRecipe(
  target: Lab,
  parts: readonly { pigment: Pigment; sd: number; count: number }[],
): { lab: Lab; dE00: number; sd: number } {
  const kernel = new MixKernel(
    parts.map(({ pigment }) => pigment),
    'all',
  );
  const lab = mixedLab(
    kernel,
    parts.map(({ count }, paint) => ({ paint, count })),
  );
  const drops = parts.reduce((sum, part) => sum + part.count, 0);
  return {
    lab,
    dE00: deltaE00(target, lab),
    sd: recipeSd(parts.map(({ sd, count }) => ({ sd, share: count / drops }))),
  };
}
