import { atScale } from '@/core/units/length';
import type { BriefView } from '@/core/derive/derive';
import { noseWeightOf } from '@/core/derive/nose-weight';

/** What a brief knows of itself, for filling in sums: model sizes in mm, weights in g. */
export interface SumFacts {
  denominator: number;
  lengthMm: number;
  spanMm: number;
  trackMm: number;
  wheelBaseMm: number;
  propellerMm: number;
  hubHeightMm: number;
  massG: number;
  centreMm: number;
  mainWheelMm: number;
  weightMm: number;
  tempC: number;
  humidity: number;
  /** Colours with their area on the model and their planned coats. */
  colours: { title: string; areaCm2: number; coats: number; thinRatio: number }[];
  /** Paints that are chosen and not in the drawer: how many, and what one costs on average, in cents. */
  missing: { count: number; priceCents: number };
  /** The first marking with a printed size. */
  marking: { title: string; realMm: number; printedMm: number } | null;
}

export function sumFacts({ state, outline, calls }: Pick<BriefView, 'state' | 'outline' | 'calls'>): SumFacts {
  const { brief, markings } = state;
  const { denominator } = brief;
  const d = outline.spec.dimensions;
  const mm = (m: number) => Number(atScale(m * 1000, denominator).toFixed(1));
  const nose = noseWeightOf(outline, denominator);
  const measured = markings.find(({ printedMm, heightMm }) => printedMm !== null && heightMm > 0);
  return {
    denominator,
    lengthMm: mm(d.length),
    spanMm: mm(d.span),
    trackMm: mm(d.mainTrack),
    wheelBaseMm: mm(Math.abs(d.thirdWheelStation - d.mainWheelStation)),
    propellerMm: mm(d.propellerDiameter),
    hubHeightMm: mm(d.gearHeight + d.fuselageHeight / 2),
    massG: Math.round(nose.massG),
    centreMm: Math.round(nose.centreMm),
    mainWheelMm: Math.round(nose.wheelsMm),
    weightMm: Math.round(nose.weightMm),
    tempC: brief.tempC,
    humidity: brief.humidity,
    colours: calls.map(({ code, official, areaCm2, coats, choice }) => ({
      title: `${code} ${official?.record.name ?? ''}`.trim(),
      areaCm2: Math.round(areaCm2),
      coats: coats?.coats ?? 2,
      thinRatio: choice?.paint.thinRatio ?? 1,
    })),
    missing: missingPaints(calls),
    marking: measured ? { title: measured.title, realMm: measured.heightMm, printedMm: measured.printedMm! } : null,
  };
}

function missingPaints(calls: BriefView['calls']): SumFacts['missing'] {
  const chosen = calls.flatMap(({ choice }) =>
    choice ? (choice.recipe?.parts.map(({ paint }) => paint) ?? [choice.paint]) : [],
  );
  const missing = new Map(chosen.filter(({ ownedMl }) => ownedMl <= 0).map((paint) => [paint.id, paint.priceCents]));
  const known = [...missing.values()].flatMap((cents) => cents ?? []);
  return {
    count: missing.size,
    priceCents: known.length > 0 ? Math.round(known.reduce((sum, cents) => sum + cents, 0) / known.length) : 0,
  };
}
