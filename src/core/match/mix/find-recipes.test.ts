import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import { masstone, mixed } from '@/core/colour/kubelka-munk';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import { xyzToLab } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { madeUpPaints } from '@tests/support/made-up';
import { MixKernel } from './mix-kernel';
import { LocalMetric } from './local-metric';
import { NearTarget } from './near-target';
import { findRecipes } from './find-recipes';
import { tryRecipe } from './cup';
import { dropCounts, recipeCount, type MixPaint } from './recipe';

const labOf = (paints: readonly MixPaint[], drops: Record<string, number>): Lab =>
  xyzToLab(
    reflectanceToXyz(
      masstone(
        mixed(
          Object.entries(drops).map(([id, n]) => ({ pigment: paints.find((p) => p.id === id)!.pigment, drops: n })),
        ),
      ),
    ),
  );
const asDrops = (recipe: { drops: { id: string; count: number }[] }) =>
  Object.fromEntries(recipe.drops.map(({ id, count }) => [id, count]));

describe('the kernel', () => {
  const paints = madeUpPaints(6);
  const pigments = paints.map((paint) => paint.pigment);
  test('mixes on all bands exactly as the theory says', () => {
    const kernel = new MixKernel(pigments);
    kernel.mix(0, 3, 2, 1, 5, 2);
    const wanted = labOf(paints, { p0: 3, p2: 1, p5: 2 });
    kernel.lab().forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 9));
  });
  test('on ten bands it tells how far a mixture near the target is', () => {
    const kernel = new MixKernel(pigments);
    let near = 0;
    for (let p = 0; p < 6; p += 1)
      for (const [m, n, o] of [
        [3, 2, 1],
        [1, 5, 0],
        [4, 4, 3],
      ] as const) {
        kernel.mix(p, m, (p + 1) % 6, n, (p + 3) % 6, o);
        const [L, a, b] = kernel.lab();
        // A target half a step off the mixture.
        const target: Lab = [L + 0.5, a - 0.5, b + 0.5];
        const view = new NearTarget(target, pigments);
        view.mix(p, m, (p + 1) % 6, n, (p + 3) % 6, o);
        expect(Math.abs(view.distance - deltaE00(target, kernel.lab()))).toBeLessThan(0.3);
        near += 1;
      }
    expect(near).toBe(18);
  });
  test('foretells how a mixture of three moves with its ratios', () => {
    const view = new NearTarget([50, 2, 8], pigments);
    const slopes = new Float64Array(6);
    const at = (x: number, y: number) => {
      view.mix(0, Math.exp(x), 3, Math.exp(y), 4, 1);
      return [view.u, view.v, view.w];
    };
    view.slopes(0, Math.exp(0.4), 3, Math.exp(-0.7), 4, slopes);
    const h = 1e-5;
    const [left, right] = [at(0.4 - h, -0.7), at(0.4 + h, -0.7)];
    const [below, above] = [at(0.4, -0.7 - h), at(0.4, -0.7 + h)];
    for (let i = 0; i < 3; i += 1) {
      expect(slopes[i]).toBeCloseTo((right[i]! - left[i]!) / (2 * h), 4);
      expect(slopes[3 + i]).toBeCloseTo((above[i]! - below[i]!) / (2 * h), 4);
    }
  });
  test('the metric of a target is CIEDE2000 near it', () => {
    const target: Lab = [45, -3, 10];
    const metric = new LocalMetric(target);
    for (const d of [
      [1, 0, 0],
      [0, 1, -1],
      [-1, 1, 1],
    ] as const) {
      const near: Lab = [target[0] + d[0], target[1] + d[1], target[2] + d[2]];
      expect(Math.abs(metric.distance(...near) / deltaE00(target, near) - 1)).toBeLessThan(0.05);
    }
  });
});

describe('ways to share drops', () => {
  test('are whole, at least one each, within the limit, and in their smallest form', () => {
    expect(dropCounts(1, 12)).toEqual([[1]]);
    expect(dropCounts(2, 4)).toEqual([
      [1, 1],
      [1, 2],
      [1, 3],
      [2, 1],
      [3, 1],
    ]);
    for (const [a, b, c] of dropCounts(3, 12)) {
      expect(a! + b! + c!).toBeLessThanOrEqual(12);
      expect([2, 3, 5].some((d) => a! % d === 0 && b! % d === 0 && c! % d === 0)).toBe(false);
    }
  });
  test('are as many as the contract counts: 55 million for 120 bottles, 3 paints, 12 drops', () => {
    expect(Math.round(recipeCount(120, { maxPaints: 3, maxDrops: 12 }) / 1e6)).toBe(55);
  });
});

describe('recipes', () => {
  const paints = madeUpPaints(9);
  const target: Lab = [48, -4, 9];
  test('of a mixture that was made from the drawer give it back exactly', () => {
    const { recipes, proven } = findRecipes(labOf(paints, { p1: 3, p4: 2 }), paints, { perPaint: 0, perDrop: 0.001 });
    expect(proven).toBe(true);
    expect(asDrops(recipes[0]!)).toEqual({ p1: 3, p4: 2 });
    expect(recipes[0]!.dE00).toBeLessThan(1e-9);
  });
  test('are best first, none twice, each with the colour and score that its drops have', () => {
    const { recipes } = findRecipes(target, paints);
    expect(recipes).toHaveLength(10);
    expect(new Set(recipes.map((recipe) => JSON.stringify(recipe.drops))).size).toBe(10);
    expect(recipes.map((r) => r.score)).toEqual(recipes.map((r) => r.score).sort((a, b) => a - b));
    for (const recipe of recipes) {
      const drops = recipe.drops.reduce((sum, part) => sum + part.count, 0);
      expect(recipe.dE00).toBeCloseTo(deltaE00(target, labOf(paints, asDrops(recipe))), 9);
      expect(recipe.score).toBeCloseTo(recipe.dE00 + 0.2 * (recipe.drops.length - 1) + 0.01 * drops, 9);
    }
  });
  test('stay within paints, drops and chemistry', () => {
    const families = paints.map((paint, i) => ({ ...paint, chemistry: i % 2 ? 'WA' : 'AL' }));
    for (const { drops } of findRecipes(target, families, { maxPaints: 2, maxDrops: 5 }).recipes) {
      expect(drops.length).toBeLessThanOrEqual(2);
      expect(drops.reduce((sum, part) => sum + part.count, 0)).toBeLessThanOrEqual(5);
      expect(new Set(drops.map(({ id }) => Number(id.slice(1)) % 2)).size).toBe(1);
    }
    const mixing = findRecipes(target, families, { sameChemistry: false }).recipes[0]!.score;
    expect(mixing).toBeLessThanOrEqual(findRecipes(target, families).recipes[0]!.score);
  });
  test('of a search that leaves out what cannot come near are those of one that sees everything', () => {
    let [same, all] = [0, 0];
    for (const seed of [5, 29])
      for (const aim of [target, [62, 6, 24], [35, 4, -12]] as Lab[]) {
        const many = madeUpPaints(18, seed);
        const every = findRecipes(aim, many, { effort: 1e9 });
        const some = findRecipes(aim, many, { effort: 300_000 });
        expect([every.proven, some.proven]).toEqual([true, false]);
        expect(some.evaluated).toBeLessThan(every.evaluated / 4);
        expect(some.recipes[0]!.score).toBeCloseTo(every.recipes[0]!.score, 9);
        const known = new Set(every.recipes.map((recipe) => JSON.stringify(recipe.drops)));
        same += some.recipes.filter((recipe) => known.has(JSON.stringify(recipe.drops))).length;
        all += every.recipes.length;
      }
    expect(same / all).toBeGreaterThanOrEqual(0.98);
  });
  test('of four paints have the same best as the search that sees everything, and are no worse than those of three', () => {
    const few = madeUpPaints(10, 3);
    for (const aim of [target, [70, 12, 5]] as Lab[]) {
      const every = findRecipes(aim, few, { maxPaints: 4, effort: 1e9 });
      const some = findRecipes(aim, few, { maxPaints: 4, effort: 60_000 });
      expect([every.proven, some.proven]).toEqual([true, false]);
      expect(some.recipes[0]!.score).toBeCloseTo(every.recipes[0]!.score, 9);
      expect(some.recipes[0]!.score).toBeLessThanOrEqual(findRecipes(aim, few).recipes[0]!.score + 1e-9);
    }
  });
  test('from more paints than any table holds are no worse than from the drawer among them', () => {
    const catalogue = madeUpPaints(300, 17);
    const found = findRecipes(target, catalogue, { effort: 300_000 });
    expect(found.recipes[0]!.score).toBeLessThanOrEqual(findRecipes(target, catalogue.slice(0, 60)).recipes[0]!.score);
  });
  test('of two paints from a large catalogue are those that looking at every pair finds', () => {
    const catalogue = madeUpPaints(270, 23);
    const options = { maxPaints: 2, maxDrops: 4 };
    for (const aim of [target, [66, 10, -6]] as Lab[]) {
      const every = findRecipes(aim, catalogue, { ...options, effort: 1e9 });
      const some = findRecipes(aim, catalogue, { ...options, effort: 900_000 });
      expect([every.proven, some.proven]).toEqual([true, false]);
      expect(some.recipes.map(asDrops)).toEqual(every.recipes.map(asDrops));
      expect(some.evaluated).toBeLessThan(every.evaluated / 2);
    }
  });
  test('for a colour that no mixture reaches are still the nearest there are', () => {
    const many = madeUpPaints(18, 41);
    const out: Lab = [55, 70, 60];
    const every = findRecipes(out, many, { effort: 1e9 });
    const some = findRecipes(out, many, { effort: 300_000 });
    expect(every.recipes[0]!.dE00).toBeGreaterThan(5);
    expect(some.recipes[0]!.score).toBeCloseTo(every.recipes[0]!.score, 9);
  });
  test('stop where the effort is spent, with what was found until then', () => {
    const stopped = findRecipes(target, madeUpPaints(120), { effort: 15_000 });
    expect(stopped.evaluated).toBeLessThan(40_000);
    expect(stopped.recipes).toHaveLength(10);
    expect(stopped.recipes[0]!.score).toBeGreaterThanOrEqual(findRecipes(target, madeUpPaints(120)).recipes[0]!.score);
  });
  test('are the same every time, and are told of while they are sought', () => {
    const shares: number[] = [];
    const first = findRecipes(target, madeUpPaints(20), { effort: 60_000 }, (_, share) => shares.push(share));
    expect(findRecipes(target, madeUpPaints(20), { effort: 60_000 })).toEqual(first);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)).toBe(1);
  });
  test('set by hand has the colour that a search would give it', () => {
    const [best] = findRecipes(target, paints).recipes;
    const parts = best!.drops.map(({ id, count }) => ({ ...paints.find((paint) => paint.id === id)!, count }));
    expect(tryRecipe(target, parts).dE00).toBeCloseTo(best!.dE00, 12);
    expect(tryRecipe(target, parts).sd).toBeCloseTo(best!.sd, 12);
  });
});
