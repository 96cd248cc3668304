import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import { masstone, mixed } from '@/core/colour/kubelka-munk';
import { reflectanceToXyz, xyzToLab } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { pigmentOf } from '@/core/paint/pigment';
import { LocalMetric, MixKernel } from './mix-kernel';
import { dropCounts, findRecipes, recipeCount, tryRecipe, type MixPaint } from './recipe';

/** A repeatable drawer: colours from a fixed generator. */
function drawer(count: number, seed = 11): MixPaint[] {
  let state = seed;
  const next = () => (state = (state * 16807) % 2147483647) / 2147483647;
  return Array.from({ length: count }, (_, i) => {
    const [L, chroma, hue] = [18 + 74 * next(), 32 * next(), 2 * Math.PI * next()];
    const { pigment, sd } = pigmentOf({
      colour: [L, chroma * Math.cos(hue), chroma * Math.sin(hue)],
      opacity: (['opaque', 'semi', 'transparent'] as const)[i % 3]!,
    });
    return { id: `p${i}`, pigment, sd };
  });
}
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
  const paints = drawer(6);
  test('mixes on all bands exactly as the theory says', () => {
    const kernel = new MixKernel(
      paints.map((paint) => paint.pigment),
      'all',
    );
    kernel.mix(0, 3, 2, 1, 5, 2);
    const wanted = labOf(paints, { p0: 3, p2: 1, p5: 2 });
    kernel.lab().forEach((value, i) => expect(value).toBeCloseTo(wanted[i]!, 9));
  });
  test('on ten bands it is near enough to choose by', () => {
    const [all, few] = (['all', 'few'] as const).map(
      (which) =>
        new MixKernel(
          paints.map((p) => p.pigment),
          which,
        ),
    );
    for (let p = 0; p < 6; p += 1) {
      all!.mix(p, 2, (p + 1) % 6, 1);
      few!.mix(p, 2, (p + 1) % 6, 1);
      expect(deltaE00(all!.lab(), few!.lab())).toBeLessThan(1.2);
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
  const paints = drawer(9);
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
  test('of a search that may not see everything are nearly all those of one that does', () => {
    const many = drawer(16, 5);
    let same = 0;
    for (const aim of [target, [62, 6, 24], [35, 4, -12]] as Lab[]) {
      const all = findRecipes(aim, many, { effort: 1e9 });
      const some = findRecipes(aim, many, { effort: 150_000 });
      expect([all.proven, some.proven]).toEqual([true, false]);
      expect(some.recipes[0]!.score).toBeCloseTo(all.recipes[0]!.score, 9);
      const known = new Set(all.recipes.map((recipe) => JSON.stringify(recipe.drops)));
      same += some.recipes.filter((recipe) => known.has(JSON.stringify(recipe.drops))).length;
    }
    expect(same).toBeGreaterThanOrEqual(27);
  });
  test('are the same every time, and are told of while they are sought', () => {
    const shares: number[] = [];
    const first = findRecipes(target, drawer(20), { effort: 60_000 }, (_, share) => shares.push(share));
    expect(findRecipes(target, drawer(20), { effort: 60_000 })).toEqual(first);
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
