import { modelAreaCm2 } from '@/core/outline/outline';
import { APART, INSIDE } from '@/core/outline/zones';
import { CUP_ML, planCup } from '@/core/paint/quantity';
import { thinRatioOf } from '@/core/paint/thinning';
import { SPRAYING } from '@/core/paint/spraying';
import type { BriefView } from './derive';

/** What the route takes beside the colours, ml: its general coats by name, the most first, and all thinner. */
export function besideTheColours(
  { route, outline, calls, state: { brief } }: Pick<BriefView, 'route' | 'outline' | 'calls' | 'state'>,
  factor: number,
): { what: string; ml: number }[] {
  const areaOf = (covers: 'outside' | 'inside') =>
    outline.zones
      .filter(({ group }) => (INSIDE.has(group) ? 'inside' : APART.has(group) ? null : 'outside') === covers)
      .reduce((sum, zone) => sum + modelAreaCm2(zone, brief.denominator), 0);
  const coats = new Map<string, number>();
  let thinner = 0;
  for (const { layer, load } of route.steps) {
    if (!layer?.covers || !load) continue;
    const thinRatio = SPRAYING[layer.chemistry].ratio;
    const cup = planCup({ areaCm2: areaOf(layer.covers), coats: layer.coats }, { cupMl: CUP_ML, thinRatio, factor });
    const what = layer.paint.toLowerCase();
    coats.set(what, (coats.get(what) ?? 0) + cup.paintMl);
    thinner += cup.thinnerMl;
  }
  for (const { choice, coats: planned, zones } of calls) {
    if (!choice || !planned) continue;
    const areaCm2 = zones.reduce((sum, key) => {
      const zone = outline.zones.find((candidate) => candidate.key === key);
      return sum + (zone ? modelAreaCm2(zone, brief.denominator) : 0);
    }, 0);
    thinner += planCup(
      { areaCm2, coats: planned.coats },
      { cupMl: CUP_ML, thinRatio: thinRatioOf(choice.paint), factor },
    ).thinnerMl;
  }
  return [
    ...[...coats].map(([what, ml]) => ({ what, ml })).sort((a, b) => b.ml - a.ml),
    ...(thinner > 0 ? [{ what: 'thinner', ml: thinner }] : []),
  ];
}
