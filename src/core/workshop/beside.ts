import { modelAreaOfZones } from '@/core/outline/outline';
import { CUP_ML, planCup } from '@/core/paint/quantity';
import { thinRatioOf } from '@/core/paint/thinning';
import { SPRAYING } from '@/core/paint/spraying';
import { CUT_OVER } from '@/core/work/masking';
import type { BriefView } from '@/core/derive/derive';

/** What the route takes beside the colours, ml: its general coats by name, the most first, and all thinner. */
export function besideTheColours(
  { route, outline, calls, state: { brief } }: Pick<BriefView, 'route' | 'outline' | 'calls' | 'state'>,
  factor: number,
): { what: string; ml: number }[] {
  const areaOf = (zones: readonly string[]) => modelAreaOfZones(outline, zones, brief.denominator);
  const coats = new Map<string, number>();
  let thinner = 0;
  for (const { lays, load, general, zones, coat } of route.steps) {
    const [layer] = lays;
    if (!layer || general === null || !load) continue;
    const thinRatio = SPRAYING[layer.chemistry].ratio;
    const cup = planCup({ areaCm2: areaOf(zones), coats: layer.coats }, { cupMl: CUP_ML, thinRatio, factor });
    thinner += cup.thinnerMl;
    // What has a row of its own at Colours is told there.
    if (coat) continue;
    const what = layer.paint.toLowerCase();
    coats.set(what, (coats.get(what) ?? 0) + cup.paintMl);
  }
  for (const { choice, coats: planned, areaCm2, way } of calls) {
    if (!choice || !planned) continue;
    thinner += planCup(
      { areaCm2, coats: planned.coats, ...way.takes },
      { cupMl: CUP_ML, thinRatio: thinRatioOf(choice.paint), factor },
    ).thinnerMl;
  }
  return [
    ...[...coats].map(([what, ml]) => ({ what, ml })).sort((a, b) => b.ml - a.ml),
    ...(thinner > 0 ? [{ what: 'thinner', ml: thinner }] : []),
  ];
}

/** Tape that the colours still take, m, with what is cut over. */
export const tapeLeft = ({ route, standing }: Pick<BriefView, 'route' | 'standing'>): number =>
  route.steps.reduce(
    (sum, { key, masking }) =>
      masking ? sum + (masking.tapeMm * CUT_OVER * (1 - standing.progress.get(key)!.share)) / 1000 : sum,
    0,
  );
