import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { mixedLab, MixKernel } from './mix-kernel';
import { costOf, dropsOf, keyOf, recipeSd, type Counting, type MixPaint, type Parts, type Recipe } from './recipe';

/** A mixture that was looked at. */
export interface Looked {
  parts: Parts;
  lab: Lab;
  dE00: number;
  score: number;
}

/** The best recipes for a target so far, none twice. */
export class Best {
  evaluated = 0;
  private readonly found = new Map<string, Looked>();
  private threshold = Infinity;

  /** Keeps the best `kept` of them. */
  constructor(
    private readonly target: Lab,
    private readonly paints: readonly MixPaint[],
    private readonly options: Counting,
    private readonly kept: number,
    private readonly kernel = new MixKernel(paints.map(({ pigment }) => pigment)),
  ) {}

  /** What a recipe has to score to be among the best. */
  get limit(): number {
    return this.threshold;
  }

  /** Looks at a mixture of up to four paints, on all bands; its score. */
  look(parts: Parts): number {
    this.evaluated += 1;
    const lab = mixedLab(this.kernel, parts);
    const dE00 = deltaE00(this.target, lab);
    const score = dE00 + costOf(parts.length, dropsOf(parts), this.options);
    if (score <= this.threshold) this.keep({ parts, lab, dE00, score });
    return score;
  }

  private keep(entry: Looked) {
    this.found.set(keyOf(entry.parts), entry);
    if (this.found.size < this.kept + Math.max(10, this.kept / 4)) return;
    const kept = this.sorted().slice(0, this.kept);
    this.threshold = kept.at(-1)!.score;
    this.found.clear();
    for (const item of kept) this.found.set(keyOf(item.parts), item);
  }

  /** Best first; ties: fewer paints, fewer drops, then the order of the paints. */
  sorted(): Looked[] {
    return [...this.found.values()].sort(byScore);
  }

  recipes(top: number): Recipe[] {
    return this.sorted()
      .slice(0, top)
      .map((entry) => recipeOf(entry, this.paints));
  }
}

function byScore(a: Looked, b: Looked): number {
  const first = a.score - b.score || a.parts.length - b.parts.length || dropsOf(a.parts) - dropsOf(b.parts);
  if (first !== 0) return first;
  for (let i = 0; i < a.parts.length; i += 1) {
    const paint = a.parts[i]!.paint - b.parts[i]!.paint || b.parts[i]!.count - a.parts[i]!.count;
    if (paint !== 0) return paint;
  }
  return 0;
}

function recipeOf(entry: Looked, paints: readonly MixPaint[]): Recipe {
  const drops = dropsOf(entry.parts);
  return {
    drops: entry.parts.map(({ paint, count }) => ({ id: paints[paint]!.id, count })),
    lab: entry.lab,
    dE00: entry.dE00,
    score: entry.score,
    sd: recipeSd(entry.parts.map(({ paint, count }) => ({ sd: paints[paint]!.sd, share: count / drops }))),
  };
}
